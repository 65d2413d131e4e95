export { SettingsScreen } from './SettingsScreen'
