export { Backups } from './Backups'
