import compression from 'compression'
import express, { type Express } from 'express'
import helmet from 'helmet'
import { actRoutes } from '../acts'
import { type Backups, backupRoutes } from '../backups'
import { changeRoutes } from '../changes'
import type { Database, OpenDatabase } from '../database'
import { diagnoseRoutes } from '../diagnose'
import { evaluateRoutes } from '../evaluate'
import { healthRoutes } from '../health'
import {
  answerError,
  jsonBody,
  keptNowhere,
  onTheDisk,
  ownPagesOnly,
  pageSecurity,
  type Storage,
  unknownRoute,
} from '../http'
import { jobRoutes } from '../jobs'
import { compareRoutes, forecastRoutes, priceRoutes, sizeRoutes } from '../judge'
import { RECORDS } from '../kinds'
import { learnedRoutes } from '../learned'
import { photoRoutes } from '../photos'
import { plannerRoutes } from '../planner'
import { priceListRoutes } from '../priceLists'
import { type ProbeListener, probeRoutes, reportRoutes, Senders } from '../probe'
import { identifyRoutes, readRoutes } from '../read'
import { recordRoutes } from '../records'
import { shopRoutes } from '../shop'
import { supplierRoutes } from '../supplier'
import { validatedListRoutes } from '../validatedLists'
import { webPages } from './webPages'

/** What the application has beside its database. */
export interface Surroundings {
  /** Who sent wrong codes to the probe, and its second listener. */
  senders: Senders
  listener: ProbeListener | null
  /** The disk that what is written must have reached; null for a database that is on none. */
  storage: Storage | null
  /** What backups are made of, and where; null for none. */
  backups: { database: Pick<OpenDatabase, 'copyTo' | 'schema'>; backups: Backups } | null
}

/** The whole application over an open database: the API under /api/v1, the built web pages elsewhere. */
export function createApp(
  db: Database,
  webFolder?: string,
  {
    senders = new Senders(),
    listener = null,
    storage = null,
    backups = null,
  }: Partial<Surroundings> = {},
): Express {
  const app = express()
  app.disable('x-powered-by')
  app.use(helmet(pageSecurity))
  app.use(ownPagesOnly)
  app.use(compression())

  const api = express.Router()
  api.use(keptNowhere)
  const asking = jsonBody('1mb')
  api.use('/changes', changeRoutes(db))
  api.use('/health', healthRoutes(db))
  api.use('/read', jsonBody('6mb'), readRoutes())
  api.use('/identify', jsonBody('8mb'), identifyRoutes())
  api.use('/plan', jsonBody('16mb'), plannerRoutes())
  api.use('/evaluate', asking, evaluateRoutes())
  api.use('/size', asking, sizeRoutes())
  api.use('/forecast', asking, forecastRoutes(db))
  api.use('/compare', asking, compareRoutes())
  api.use('/diagnose', asking, diagnoseRoutes(db))
  api.use('/learned', learnedRoutes(db))
  api.use('/quote/price', asking, priceRoutes())

  // From here on something is stored.
  if (storage) api.use(onTheDisk(storage))
  if (backups) api.use('/backups', backupRoutes(backups.database, backups.backups))
  api.use('/photos', photoRoutes(db))
  api.use('/validated-lists', jsonBody('8mb'), validatedListRoutes(db))
  api.use('/price-lists', jsonBody('16mb'), priceListRoutes(db))
  api.use('/probe/report', reportRoutes(db, senders))
  api.use('/jobs', jobRoutes(db))
  for (const records of Object.values(RECORDS)) {
    api.use(`/${records.collection}`, jsonBody(records.limit), recordRoutes(db, records))
  }
  api.use('/acts', jsonBody('8mb'), actRoutes(db))
  api.use(asking)
  api.use('/probe', probeRoutes(db, senders, listener))
  api.use('/supplier', supplierRoutes(db))
  api.use('/shop', shopRoutes(db))
  app.use('/api/v1', api)
  app.use('/api', unknownRoute)

  if (webFolder) app.use(webPages(webFolder))
  app.use(unknownRoute)
  app.use(answerError)
  return app
}
