export { Fit } from './Fit'
export { Labels } from './Labels'
export { type Fitting, useFit } from './useFit'
export { TOOL_NAMES, WORK_NAMES, wordsOf } from './words'
