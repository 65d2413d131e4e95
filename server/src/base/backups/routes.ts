import { Router } from 'express'
import type { OpenDatabase } from '../database'
import { notFound } from '../http'
import { type BackupFolder, importBackup, listBackups, makeBackup, pathOf } from './backups'
import type { lookFor } from './look'
import { type Checked, checkBackup } from './restore'

/** What the server needs for its backups. */
export interface Restorable {
  database: Pick<OpenDatabase, 'copyTo' | 'schema'>
  /** The data folder. */
  folder: string
  backups: BackupFolder
  /** Stops serving, puts a backup in the place of what is there, and serves again. */
  restore: (checked: Checked) => void
}

/**
 * The shop's backups: made, fetched, imported, looked into and restored. `started` is when this serving was;
 * `look` looks through one while others are answered.
 */
export function backupRoutes(
  { database, folder, backups, restore }: Restorable,
  started: string,
  look: typeof lookFor,
): Router {
  const routes = Router()
  const checked = (file: string) => checkBackup(file, folder, look)

  const pathIn = async (name: string): Promise<string> => {
    const path = await pathOf(backups, name)
    if (!path) throw notFound('backup')
    return path
  }

  routes.get('/', async (_request, response) => {
    response.json(await listBackups(backups))
  })

  routes.post('/', async (_request, response) => {
    response.status(201).json(await makeBackup(database, backups))
  })

  routes.post('/import', async (request, response) => {
    const name = await importBackup(backups, request, async (file) => {
      const { manifest, leave } = await checked(file)
      await leave()
      return { madeAt: new Date(manifest.madeAt) }
    })
    response.status(201).json((await listBackups(backups)).find((one) => one.name === name))
  })

  routes.get('/:name', async (request, response) => {
    const { name } = request.params
    // The data folder may be a hidden one.
    response.download(await pathIn(name), name, { dotfiles: 'allow' })
  })

  /** What is in one, every file of which is looked at. */
  routes.get('/:name/contents', async (request, response) => {
    const { manifest, jobs, modules, leave } = await checked(await pathIn(request.params.name))
    await leave()
    response.json({ madeAt: manifest.madeAt, jobs, modules })
  })

  /** Answered before it is done: then the server is away for a moment. */
  routes.post('/:name/restore', async (request, response) => {
    const found = await checked(await pathIn(request.params.name))
    const { manifest, jobs, modules } = found
    response.on('close', () => restore(found))
    response.status(202).json({ madeAt: manifest.madeAt, jobs, modules, started })
  })

  return routes
}
