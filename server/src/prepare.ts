import { prepareDatabase } from './base/database'

await prepareDatabase()
