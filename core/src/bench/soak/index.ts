export { type CountedPasses, countedPasses, heldBy, type SoakRun } from './held'
export { type Shortened, SOAK, type SoakCase, type SoakPlan, faultShownIn, soakPlan } from './soakPlan'
