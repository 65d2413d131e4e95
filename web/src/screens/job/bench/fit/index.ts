export { FitScreen } from './FitScreen'
export { LabelsSheet } from './LabelsSheet'
export { type Fitting, useFit } from './useFit'
