// What the commands share. Runs on plain Node before anything is installed.
import { spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'

export const root = join(dirname(fileURLToPath(import.meta.url)), '..')
const npm = process.platform === 'win32' ? 'npm.cmd' : 'npm'

export function requireNode() {
  const [major, minor] = process.versions.node.split('.').map(Number)
  if (major > 20 || (major === 20 && minor >= 19)) return
  console.error(`Tembrix needs Node 20.19 or newer; this is ${process.versions.node}.`)
  process.exit(1)
}

/** Runs a command in the repository with its output shown; returns its exit code. */
export function run(command, args, options = {}) {
  const { status, error } = spawnSync(command, args, { cwd: root, stdio: 'inherit', ...options })
  if (error) console.error(`${command}: ${error.message}`)
  return status ?? 1
}

export function runNpm(...args) {
  return run(npm, args)
}

function hashOf(paths) {
  const hash = createHash('sha256')
  for (const path of paths) hash.update(path).update(readFileSync(join(root, path)))
  return hash.digest('hex')
}

function* filesIn(folder) {
  for (const entry of readdirSync(join(root, folder), { withFileTypes: true })) {
    if (['node_modules', 'dist'].includes(entry.name)) continue
    const path = `${folder}/${entry.name}`
    if (entry.isDirectory()) yield* filesIn(path)
    else yield path
  }
}

/** Does work once for each state of some files: a stamp beside the result remembers the state. */
function once(stamp, paths, result, work) {
  const state = hashOf(paths)
  const file = join(root, stamp)
  const known = existsSync(file) && readFileSync(file, 'utf8') === state
  if (known && existsSync(join(root, result))) return
  rmSync(file, { force: true })
  work()
  mkdirSync(dirname(file), { recursive: true })
  writeFileSync(file, state)
}

/**
 * Installs the packages of the lock file where they are missing or of another state. Not `npm ci`: it
 * refuses a lock file made where some other platform's optional binaries could not be had.
 */
export function install() {
  once('node_modules/.tembrix-installed', ['package-lock.json'], 'node_modules', () => {
    console.log('Installing packages…')
    if (runNpm('install', '--no-save', '--no-audit', '--no-fund') !== 0)
      fail('The packages could not be installed.')
  })
}

/** Builds the web pages and the server where a source has changed since. */
export function build() {
  const sources = ['core', 'server', 'web'].flatMap((folder) => [...filesIn(folder)])
  once('server/dist/.tembrix-built', ['package-lock.json', ...sources.sort()], 'web/dist', () => {
    console.log('Building…')
    if (runNpm('run', 'build') !== 0) fail('The build failed.')
  })
}

export function fail(message) {
  console.error(message)
  process.exit(1)
}

/** Serves, in this process, until asked to stop. */
export async function serve(...args) {
  process.argv.push(...args)
  await import('../server/dist/main.js')
}
