import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import express, { Router } from 'express'
import sirv from 'sirv'
import { NONCE, nonceOf } from '../base/http'

/** Seconds. */
const YEAR = 365 * 24 * 3600

/**
 * The built web application: files with a hash in their name for good, compressed as the build left them, and the
 * page itself asked for again.
 */
export function webPages(folder: string): Router {
  const routes = Router()
  const kept = { immutable: true, maxAge: YEAR, brotli: true, gzip: true }
  routes.use('/assets', sirv(join(folder, 'assets'), kept))
  routes.use('/assets', (_request, response) => {
    response.status(404).end()
  })
  const page = readFileSync(join(folder, 'index.html'), 'utf8')
  const open: express.RequestHandler = (_request, response) => {
    response.set('cache-control', 'no-cache')
    response.type('html').send(page.replace(NONCE, nonceOf(response)))
  }
  routes.get('/index.html', open)
  routes.use(express.static(folder, { index: false }))
  routes.get('/{*path}', open)
  return routes
}
