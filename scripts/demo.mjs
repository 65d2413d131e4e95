// npm run demo [-- --fresh]: installs and builds what is missing, then serves the demonstration shop.
import { join, resolve } from 'node:path'
import { build, install, requireNode, root, serve } from './lib.mjs'

requireNode()
install()
build()
process.env.TEMBRIX_DATA = resolve(process.env.TEMBRIX_DATA || join(root, '.data/demo'))
await serve('--demo')
