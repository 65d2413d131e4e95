// npm test: installs what is missing, then checks everything. Ends with one line, `N passed, N failed`.
import { spawn } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync, statfsSync } from 'node:fs'
import { join } from 'node:path'
import { build, install, requireNode, root, run } from './lib.mjs'

/** The first is the one without windows, which starts and draws in less time. */
const CHROMIUM = [
  process.env.CHROMIUM,
  '/usr/bin/chromium-headless-shell',
  '/usr/bin/chromium',
  '/usr/bin/chromium-browser',
]
const reports = join(root, '.check')

const browsers = () => CHROMIUM.filter((path) => path && existsSync(path))

/** Installs Debian's browser without windows where there is none that is meant and that is possible. */
async function wantBrowser() {
  const [best] = browsers()
  const mayInstall = process.getuid?.() === 0 && existsSync('/usr/bin/apt-get')
  if (!mayInstall || (best && CHROMIUM.indexOf(best) < 2)) return
  console.log('Installing Chromium…')
  await beside('apt-get', ['update', '-qq'])
  await beside('apt-get', ['install', '-y', '-qq', 'chromium-headless-shell'])
}

/** Counts of a report in the JSON form that Vitest (like Jest) and Playwright write; none where there is no report. */
function counts(file, read) {
  try {
    return read(JSON.parse(readFileSync(join(reports, file), 'utf8')))
  } catch {
    return { passed: 0, failed: 0 }
  }
}

/** Runs a command while others run; resolves with what it said. */
function beside(command, args) {
  const child = spawn(command, args, { cwd: root })
  let said = ''
  for (const stream of [child.stdout, child.stderr]) {
    stream.on('data', (chunk) => {
      said += chunk
    })
  }
  return new Promise((resolve) => {
    child.on('error', ({ message }) => resolve({ ok: false, said: message }))
    child.on('close', (status) => resolve({ ok: status === 0, said }))
  })
}

/** Tests make and remove files by the ten thousand: in memory, where there is room for them. */
function keepFilesInMemory() {
  const memory = '/dev/shm'
  if (process.env.TMPDIR || !existsSync(memory)) return
  const { bavail, bsize } = statfsSync(memory)
  if (bavail * bsize > 4e9) process.env.TMPDIR = memory
}

requireNode()
keepFilesInMemory()
const browser = wantBrowser()
install()
rmSync(reports, { recursive: true, force: true })
mkdirSync(reports)

let passed = 0
let failed = 0
function step(name, ok, { passed: good, failed: bad } = { passed: 0, failed: 0 }) {
  passed += good
  failed += ok ? bad : Math.max(bad, 1)
  console.log(`${ok ? 'ok    ' : 'FAILED'} ${name}\n`)
}

const checks = ['lint', 'types', 'architecture', 'unused'].map((name) => [
  name,
  beside('npm', ['run', '--silent', name]),
])
build()
process.env.TEMBRIX_BUILT = 'yes'
for (const [name, done] of checks) {
  const { ok, said } = await done
  process.stdout.write(said)
  step(name, ok, { passed: ok ? 1 : 0, failed: ok ? 0 : 1 })
}

await browser
const [chromium] = browsers()
if (chromium) process.env.CHROMIUM = chromium

const report = join(reports, 'unit.json')
const unit = run('npx', [
  'vitest',
  'run',
  ...(chromium ? [] : ['--project=!parts in a browser']),
  '--reporter=default',
  '--reporter=json',
  `--outputFile.json=${report}`,
])
step(
  'unit and server tests',
  unit === 0,
  counts('unit.json', ({ numPassedTests, numFailedTests }) => ({
    passed: numPassedTests,
    failed: numFailedTests,
  })),
)

if (chromium) {
  const env = { ...process.env, TEMBRIX_REPORT: join(reports, 'browser.json') }
  const status = run('npx', ['playwright', 'test'], { cwd: join(root, 'e2e'), env })
  step(
    'browser tests',
    status === 0,
    counts('browser.json', ({ stats }) => ({
      passed: stats.expected + stats.flaky,
      failed: stats.unexpected,
    })),
  )
} else {
  console.error(
    'The browser tests need Chromium: install it (Debian: apt-get install chromium-headless-shell), or name one in CHROMIUM.',
  )
  step('browser tests', false)
}

console.log(`${passed} passed, ${failed} failed`)
process.exit(failed === 0 ? 0 : 1)
