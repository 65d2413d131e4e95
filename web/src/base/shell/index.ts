export { Bar } from './Bar'
export { useTechnician } from './technician'
export { applyTheme } from './theme'
