export { Bar } from './Bar'
export { applyTheme } from './theme'
