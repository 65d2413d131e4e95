// Checks the structure of the source: see docs/architecture.md. Prints each violation and exits 1 if there is one.
import { violationsIn, WORKSPACES } from './architecture/directions.mjs'
import { readSources } from './architecture/sources.mjs'

const found = readSources(WORKSPACES).flatMap(({ file, text }) => violationsIn(file, text))
for (const line of found) console.error(line)
if (found.length > 0) process.exit(1)
console.log('Imports point the right way.')
