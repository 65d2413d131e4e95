// npm run backup: makes a backup of the shop’s data folder, whether its server is running or not.
import { join } from 'node:path'
import { build, install, requireNode, root, run } from './lib.mjs'

requireNode()
install()
build()
process.exit(run(process.execPath, [join(root, 'server/dist/backup.js'), ...process.argv.slice(2)]))
