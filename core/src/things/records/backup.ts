/** A backup of all that is stored: its file, and when what is in it was as it is in it. */
export interface Backup {
  name: string
  bytes: number
  madeAt: string
}

/** What is in a backup. */
export interface BackupContents {
  madeAt: string
  jobs: number
  modules: number
}
