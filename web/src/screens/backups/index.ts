export { BackupsScreen } from './BackupsScreen'
