import { createServer, type Server } from 'node:http'
import { networkInterfaces } from 'node:os'
import compression from 'compression'
import express, { type Express } from 'express'
import type { Database } from '../../base/database'
import {
  answerError,
  jsonBody,
  onTheDisk,
  pageSecurity,
  type Storage,
  samePageOnly,
  unknownRoute,
} from '../../base/http'
import type { WriteAll } from './keepReport'
import { probePageFiles } from './pageFiles'
import { reportRoutes } from './report'
import type { Senders } from './senders'
import { sessionRoutes } from './session'

/** Where the probe may be reached from the shop’s network. */
export interface ProbeAddress {
  host: string
  port: number
}

/** After so long without a request nobody is measuring any more, ms. */
const IDLE = 30 * 60_000

/** Reads `host:port`, as TEMBRIX_PROBE names it; null where it is not set. */
export function probeAddress(text: string | undefined): ProbeAddress | null {
  if (!text) return null
  const [, host = '', port = ''] = /^(.+):(\d+)$/.exec(text) ?? []
  const number = Number(port)
  if (host === '' || !(number >= 1 && number <= 65_535)) {
    throw new Error(`TEMBRIX_PROBE must be host:port, as 0.0.0.0:4311; it is “${text}”.`)
  }
  return { host, port: number }
}

/** Scripts that collect a report, for the machine to fetch. */
const SCRIPTS = ['collect.sh', 'collect.ps1']

/** The probe’s page, its scripts and its own calls, and nothing else. */
export function createProbeApp(
  db: Database,
  folder: string,
  senders: Senders,
  writeAll: WriteAll,
  storage: Storage | null = null,
): Express {
  const app = express()
  app.disable('x-powered-by')
  app.use(pageSecurity)
  app.use(samePageOnly)
  app.use(compression())
  if (storage) app.use(onTheDisk(storage))
  app.use('/api/v1/probe/report', reportRoutes(db, senders, writeAll))
  app.use('/api/v1/probe', jsonBody('1mb'), sessionRoutes(db, senders))
  const files = new Set([...probePageFiles(folder), ...SCRIPTS])
  app.get(['/', '/probe'], (_request, response) => {
    response.sendFile('probe.html', { root: folder })
  })
  app.get('/{*path}', (request, response, next) => {
    const path = request.path.slice(1)
    if (files.has(path)) response.sendFile(path, { root: folder })
    else next()
  })
  app.use(unknownRoute)
  app.use(answerError)
  return app
}

/** The second listener: off until it is switched on, and off again when nobody uses it. */
export class ProbeListener {
  private server: Server | null = null
  private idle: NodeJS.Timeout | null = null

  constructor(
    private readonly db: Database,
    private readonly folder: string,
    private readonly address: ProbeAddress | null,
    private readonly senders: Senders,
    private readonly writeAll: WriteAll,
    private readonly storage: Storage | null = null,
    private readonly idleFor = IDLE,
  ) {}

  get state(): { configured: boolean; address: string | null } {
    return { configured: this.address !== null, address: this.server ? this.reachedAt() : null }
  }

  /** @throws Error where the port is taken or the host is not this machine’s. */
  async on(): Promise<void> {
    if (!this.address || this.server) return
    const server = createServer(
      createProbeApp(this.db, this.folder, this.senders, this.writeAll, this.storage),
    )
    const { host, port } = this.address
    await new Promise<void>((resolve, reject) => {
      server.once('error', reject)
      server.listen(port, host, resolve)
    })
    server.on('request', () => this.stay())
    this.server = server
    this.stay()
  }

  async off(): Promise<void> {
    if (this.idle) clearTimeout(this.idle)
    const { server } = this
    this.server = null
    if (!server) return
    server.closeAllConnections()
    await new Promise((resolve) => server.close(resolve))
  }

  private stay(): void {
    if (this.idle) clearTimeout(this.idle)
    this.idle = setTimeout(() => void this.off(), this.idleFor)
    this.idle.unref()
  }

  /** By which name the shop’s machines reach it: of all addresses the first that is not this machine’s own. */
  private reachedAt(): string {
    const { host, port } = this.address as ProbeAddress
    const outside = Object.values(networkInterfaces())
      .flatMap((one) => one ?? [])
      .find(({ internal, family }) => !internal && family === 'IPv4')
    const name = host === '0.0.0.0' || host === '::' ? (outside?.address ?? host) : host
    return `http://${name}:${port}/probe`
  }
}
