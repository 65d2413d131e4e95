import { Router } from 'express'
import type { OpenDatabase } from '../database'
import { notFound } from '../http'
import { type Backups, listBackups, makeBackup, pathOf } from './backups'

export function backupRoutes(
  database: Pick<OpenDatabase, 'copyTo' | 'schema'>,
  backups: Backups,
): Router {
  const routes = Router()

  routes.get('/', async (_request, response) => {
    response.json(await listBackups(backups))
  })

  routes.post('/', async (_request, response) => {
    response.status(201).json(await makeBackup(database, backups))
  })

  routes.get('/:name', async (request, response) => {
    const path = await pathOf(backups, request.params.name)
    if (!path) throw notFound('backup')
    // The data folder may be a hidden one.
    response.download(path, request.params.name, { dotfiles: 'allow' })
  })

  return routes
}
