export { VerifyScreen } from './VerifyScreen'
