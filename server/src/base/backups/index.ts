export { type BackupFolder, isDue, KEPT, listBackups, makeBackup, makeNightly } from './backups'
export { lookFor } from './look'
export { type Checked, checkAlone } from './restore'
export { backupRoutes, type Restorable } from './routes'
