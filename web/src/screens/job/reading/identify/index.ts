export { FoundTray } from './FoundTray'
export { IdentifyScreen } from './IdentifyScreen'
export { Photos } from './Photos'
