export { NoBackup } from './archive'
export { type Backups, isDue, KEPT, listBackups, makeBackup, makeNightly } from './backups'
export { type Checked, checkAlone, checkBackup } from './restore'
export { backupRoutes, type Restorable } from './routes'
