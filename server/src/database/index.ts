export { Disk, type DiskTrouble } from './disk'
export { FolderInUse } from './lock'
export { DiskFailed } from './mount'
export {
  Damaged,
  type Database,
  NewerSchema,
  NoDemonstration,
  type OpenDatabase,
  openDatabase,
  prepareDatabase,
  type Transaction,
} from './open'
export * from './schema'
