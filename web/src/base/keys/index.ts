export { useShortcut } from './useShortcut'
