export { analyzeDaily, analyzeTables } from './analyze'
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
export * from './schema'
export { vacuumTables } from './vacuum'
