// npm run restore: puts a backup, named as an argument, in the place of the shop’s data.
import { join, resolve } from 'node:path'
import { build, install, requireNode, root, run } from './lib.mjs'

requireNode()
install()
build()
process.exit(
  run(process.execPath, [join(root, 'server/dist/restore.js'), ...process.argv.slice(2)]),
)
