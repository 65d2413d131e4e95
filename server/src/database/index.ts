export { FolderInUse } from './lock'
export {
  type Database,
  NoDemonstration,
  type OpenDatabase,
  openDatabase,
  prepareDatabase,
  type Transaction,
} from './open'
export * from './schema'
