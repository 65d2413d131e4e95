import { resolve } from 'node:path'
import { makeBackup } from './base/backups'
import { addressOf, FolderInUse, openDatabase } from './base/database'
import { backupsFrom, folderFrom } from './settings'

// npm run backup: by the server where one is running, else from the folder itself.
process.umask(0o077)
const folder = folderFrom(process.env)
const backups = backupsFrom(process.env, folder)
try {
  const database = await openDatabase(folder)
  const { name } = await makeBackup(database, backups)
  await database.close()
  console.log(resolve(backups.folder, name))
} catch (error) {
  const address = error instanceof FolderInUse ? addressOf(folder) : null
  if (!address) {
    console.error((error as Error).message)
    process.exit(1)
  }
  const response = await fetch(`${address}/api/v1/backups`, { method: 'POST' })
  const answer = (await response.json()) as { name?: string; error?: { message: string } }
  if (!response.ok) {
    console.error(answer.error?.message ?? `The server answered ${response.status}.`)
    process.exit(1)
  }
  console.log(`${answer.name}, in the folder of the server's backups`)
}
