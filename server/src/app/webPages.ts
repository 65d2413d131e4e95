import { join } from 'node:path'
import express, { Router } from 'express'

/** The built web application: files with a hash in their name for good, the page itself asked for anew. */
export function webPages(folder: string): Router {
  const routes = Router()
  routes.use('/assets', express.static(join(folder, 'assets'), { immutable: true, maxAge: '1y' }))
  routes.use('/assets', (_request, response) => {
    response.status(404).end()
  })
  routes.use(express.static(folder))
  routes.get('/{*path}', (_request, response) => {
    response.sendFile('index.html', { root: folder })
  })
  return routes
}
