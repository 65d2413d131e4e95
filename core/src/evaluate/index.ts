export { evaluate } from './evaluate'
export { fittedModules } from './fitted'
export { type Gates, gates, hasProfile, type Load, profilePossible, topRate } from './rate'
