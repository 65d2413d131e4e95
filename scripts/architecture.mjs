// Checks the structure of the source: see docs/architecture.md. Prints each violation and exits 1 if there is one.
import { circlesIn } from './architecture/circles.mjs'
import { violationsIn, WORKSPACES } from './architecture/directions.mjs'
import { doubledNames } from './architecture/doubledNames.mjs'
import { readSources } from './architecture/sources.mjs'

const sources = readSources(WORKSPACES)
const found = [
  ...sources.flatMap(({ file, text }) => violationsIn(file, text)),
  ...circlesIn(sources).map((circle) => `Circle of imports: ${circle.join(' → ')}`),
  ...doubledNames(sources).map(([name, files]) => `${name} is exported by ${files.join(' and ')}`),
]
for (const line of found) console.error(line)
if (found.length > 0) process.exit(1)
console.log('Imports point one way, without circles; each exported name has one meaning.')
