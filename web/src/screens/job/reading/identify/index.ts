export { FoundTray } from './FoundTray'
export { Identify } from './Identify'
export { Photos } from './Photos'
