export { type ModuleName, useModuleNames } from './useModuleNames'
export * from './words'
