export { ControllerFields } from './ControllerFields'
export { FormFactorField } from './FormFactorField'
export { InsideFields } from './InsideFields'
export { LimitFields } from './LimitFields'
export { ModuleDialog } from './ModuleDialog'
export { draftOf, likelyModule, moduleOf } from './moduleForm'
export { NameFields } from './NameFields'
export {
  BATTERY_OPTIONS,
  HATCH_OPTIONS,
  LAPTOP_HATCH_OPTIONS,
  TEST_FROM_OPTIONS,
} from './openingWords'
export { PART_NAMES, partInWords } from './partWords'
export { SlotFields } from './SlotFields'
export type { Sourcing } from './SourceOf'
export { useSourcing } from './useSourcing'
