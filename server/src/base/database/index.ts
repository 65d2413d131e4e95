export { flushOne, ownFolder } from './copy'
export type { DiskTrouble } from './disk'
export { addressOf, FolderInUse, lockFolder } from './lock'
export { DiskFailed } from './mount'
export {
  checkDatabase,
  Damaged,
  type Database,
  NewerSchema,
  NoDemonstration,
  newestKnown,
  type OpenDatabase,
  openDatabase,
  prepareDatabase,
  type Transaction,
} from './open'
export { takeBackRoom } from './room'
export * from './schema'
export { followStatistics, keepStatistics } from './statistics'
