export { Intake } from './Intake'
