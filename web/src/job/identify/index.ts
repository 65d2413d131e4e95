export { FoundTray } from './FoundTray'
export { Identify } from './Identify'
