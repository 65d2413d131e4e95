export {
  Deferred,
  JobProvider,
  type JobView,
  useJob,
  useJobAt,
  useJobPart,
  useOffers,
  WithOffers,
} from './JobContext'
export { NoStart } from './NoStart'
export { OnTo } from './OnTo'
export { readingOf, remember } from './readingOf'
export { useAdvice } from './useAdvice'
export { type Budget, useBudget } from './useBudget'
export type { Edit } from './useEdit'
export { useJobFields } from './useJobFields'
export { useJobForm } from './useJobForm'
export { type JobNeed, useNeed } from './useNeed'
export { useNextAct } from './useNextAct'
export { useOneRecord } from './useOneRecord'
export { useAddPhoto, usePicture } from './usePhotos'
export { useModelRecord, useShop } from './useShop'
export { useUndo } from './useUndo'
export { type ModelList, useValidated } from './useValidated'
export { useVerification } from './useVerification'
export { useVerify, type Verifying } from './useVerify'
