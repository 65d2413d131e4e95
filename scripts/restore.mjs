// npm run restore: puts a backup, named as an argument, in the place of the shop’s data.
import { join, resolve } from 'node:path'
import { build, install, requireNode, root, run } from './lib.mjs'

requireNode()
install()
build()
const files = process.argv.slice(2).map((file) => resolve(process.env.INIT_CWD ?? '.', file))
process.exit(run(process.execPath, [join(root, 'server/dist/restore.js'), ...files]))
