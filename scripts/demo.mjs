// npm run demo [-- --fresh]: installs and builds what is missing, then serves the demonstration shop.
import { existsSync, rmSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { build, fail, install, requireNode, root, serve } from './lib.mjs'

requireNode()
const folder = resolve(process.env.TEMBRIX_DATA || join(root, '.data/demo'))
if (process.argv.includes('--fresh') && existsSync(folder)) {
  const database = join(folder, 'database')
  if (!existsSync(database)) fail(`${folder} holds no Tembrix data; nothing is removed.`)
  rmSync(database, { recursive: true })
}
install()
build()
process.env.TEMBRIX_DATA = folder
await serve('--demo')
