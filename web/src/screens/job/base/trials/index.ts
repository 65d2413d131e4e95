export { useModuleNames } from './useModuleNames'
export * from './words'
