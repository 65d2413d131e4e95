export { ReferenceScreen } from './ReferenceScreen'
