export { NoBackup } from './archive'
export { type Backups, isDue, KEPT, listBackups, makeBackup, makeNightly } from './backups'
export { checkBackup } from './restore'
export { backupRoutes } from './routes'
