// npm start: serves the shop's own data folder, TEMBRIX_DATA or .data/shop.
import { join, resolve } from 'node:path'
import { build, install, requireNode, root, serve } from './lib.mjs'

requireNode()
install()
build()
process.env.TEMBRIX_DATA = resolve(process.env.TEMBRIX_DATA || join(root, '.data/shop'))
await serve()
