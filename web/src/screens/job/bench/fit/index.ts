export { Fit } from './Fit'
export { Labels } from './Labels'
export { type Fitting, useFit } from './useFit'
