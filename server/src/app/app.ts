import compression from 'compression'
import express, { type Express } from 'express'
import { actRoutes, writeAll } from '../acts'
import { backupRoutes, type Restorable } from '../base/backups'
import type { Database } from '../base/database'
import { healthRoutes } from '../base/health'
import {
  answerError,
  jsonBody,
  keptNowhere,
  onTheDisk,
  ownPagesOnly,
  pageSecurity,
  rememberWho,
  type Storage,
  unknownRoute,
} from '../base/http'
import { computing, inPool } from '../base/pool'
import { type ProbeListener, probeRoutes, reportRoutes, Senders } from '../bench/probe'
import { RECORDS } from '../kinds'
import { photoRoutes } from '../reading/photos'
import { priceListRoutes } from '../reading/priceLists'
import { validatedListRoutes } from '../reading/validatedLists'
import { customerRoutes, machineRoutes } from '../shop/customers'
import { jobFile, jobFileRoutes } from '../shop/exchange'
import { jobRoutes, waitingFor } from '../shop/jobs'
import { learned, learnedRoutes } from '../shop/learned'
import { orderRoutes } from '../shop/orders'
import { newKey, passwordRoutes } from '../shop/passwords'
import { readShop, shopRoutes } from '../shop/settings'
import { sheetRoutes } from '../shop/sheets'
import { simulatedSupplier, supplierRoutes } from '../shop/supplier'
import { changeRoutes } from '../things/changes'
import { recordRoutes } from '../things/records'
import { webPages } from './webPages'

/** Looks into a backup in a thread of its own. */
const lookAside = (file: string, place: string) =>
  inPool({ work: 'backup', bytes: new Uint8Array(), known: { file, place } })

/** What the application has beside its database. */
export interface AppDependencies {
  /** Who sent wrong codes to the probe, and its second listener. */
  senders: Senders
  listener: ProbeListener | null
  /** The disk that what is written must have reached; null for a database that is on none. */
  storage: Storage | null
  /** Whether all of it is made up: what only a demonstration has is there. */
  demo: boolean
  /** What backups are made of, and where; null for none. */
  backups: Restorable | null
  /** The key that customers' passwords are kept with. */
  key: () => Uint8Array
}

const keyInMemory = () => {
  const key = newKey()
  return () => key
}

/** The whole application over an open database: the API under /api/v1, the built web pages elsewhere. */
export function createApp(
  db: Database,
  webFolder?: string,
  {
    senders = new Senders(),
    listener = null,
    storage = null,
    demo = false,
    backups = null,
    key = keyInMemory(),
  }: Partial<AppDependencies> = {},
): Express {
  const started = new Date().toISOString()
  const app = express()
  app.disable('x-powered-by')
  // What is answered is kept by nobody, so that there is nothing to compare it with.
  app.disable('etag')
  app.use(pageSecurity)
  app.use(ownPagesOnly)
  app.use(compression())

  const api = express.Router()
  api.use(keptNowhere)
  api.use(rememberWho)
  api.use('/changes', changeRoutes(db))
  api.use('/health', healthRoutes(db, started))
  const causes = async () => (await db.transaction(readShop)).causes
  const results = async () => (await learned(db)).results
  api.use('/read', computing('read', '6mb'))
  api.use('/identify', computing('identify', '8mb'))
  api.use('/plan', computing('plan', '16mb'))
  api.use('/evaluate', computing('evaluate', '1mb'))
  api.use('/size', computing('size', '1mb', results))
  api.use('/forecast', computing('forecast', '1mb', results))
  api.use('/compare', computing('compare', '1mb'))
  api.use('/diagnose', computing('diagnose', '1mb', causes))
  api.use('/quote/price', computing('price', '1mb'))
  api.use('/learned', learnedRoutes(db))

  // From here on something is stored.
  if (storage) api.use(onTheDisk(storage))
  if (backups) api.use('/backups', backupRoutes(backups, started, lookAside))
  api.use('/photos', photoRoutes(db))
  api.use('/validated-lists', jsonBody('8mb'), validatedListRoutes(db))
  api.use('/price-lists', jsonBody('1mb'), priceListRoutes(db))
  api.use('/probe/report', reportRoutes(db, senders, writeAll))
  api.use('/sheets', sheetRoutes(db))
  api.use('/job-files', jobFileRoutes(db))
  api.get('/jobs/:id/file', jobFile(db))
  api.use('/jobs', jsonBody('1mb'), passwordRoutes(db, key))
  api.use('/jobs', jobRoutes(db))
  api.use('/customers', customerRoutes(db))
  api.use('/machines', machineRoutes(db))
  api.get('/waiting', async (_request, response) => {
    response.json(await waitingFor(db))
  })
  const supplier = simulatedSupplier()
  api.use('/orders', jsonBody('1mb'), orderRoutes(db, RECORDS.orders, supplier))
  for (const records of Object.values(RECORDS)) {
    api.use(`/${records.collection}`, jsonBody(records.limit), recordRoutes(db, records))
  }
  api.use('/acts', jsonBody('8mb'), actRoutes(db))
  api.use(jsonBody('1mb'))
  api.use('/probe', probeRoutes(db, senders, listener))
  api.use('/supplier', supplierRoutes(db, { mayMisbehave: demo, supplier }))
  api.use('/shop', shopRoutes(db))
  app.use('/api/v1', api)
  app.use('/api', unknownRoute)

  if (webFolder) app.use(webPages(webFolder))
  app.use(unknownRoute)
  app.use(answerError)
  return app
}
