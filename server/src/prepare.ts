import { prepareDatabase } from './database'

await prepareDatabase()
