export { type CountedPasses, countedPasses, heldBy, type SoakRun } from './held'
export {
  faultShownIn,
  type Shortened,
  SOAK,
  type SoakCase,
  type SoakPlan,
  soakPlan,
} from './soakPlan'
