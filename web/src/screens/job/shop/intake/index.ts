export { IntakeScreen } from './IntakeScreen'
