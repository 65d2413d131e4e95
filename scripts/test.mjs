// npm test: installs what is missing, then checks everything. Ends with one line, `N passed, N failed`.
import { spawn, spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { build, install, requireNode, root, run } from './lib.mjs'

const CHROMIUM = [process.env.CHROMIUM, '/usr/bin/chromium', '/usr/bin/chromium-browser']
const reports = join(root, '.check')

/** Finds a browser, or installs Debian's where that is possible; says what to do where it is not. */
function needBrowser() {
  if (CHROMIUM.some((path) => path && existsSync(path))) return true
  const root = process.getuid?.() === 0
  if (root && spawnSync('apt-get', ['--version']).status === 0) {
    console.log('Installing Chromium…')
    run('apt-get', ['update', '-qq'])
    if (run('apt-get', ['install', '-y', '-qq', 'chromium']) === 0) return true
  }
  console.error(
    'The browser tests need Chromium: install it (Debian: apt-get install chromium), or name one in CHROMIUM.',
  )
  return false
}

/** Counts of a report in the JSON form that Vitest (like Jest) and Playwright write; none where there is no report. */
function counts(file, read) {
  try {
    return read(JSON.parse(readFileSync(join(reports, file), 'utf8')))
  } catch {
    return { passed: 0, failed: 0 }
  }
}

/** Runs a script of the repository while others run; resolves with what it said. */
function beside(name) {
  const child = spawn('npm', ['run', '--silent', name], { cwd: root })
  let said = ''
  for (const stream of [child.stdout, child.stderr]) {
    stream.on('data', (chunk) => {
      said += chunk
    })
  }
  return new Promise((resolve) => {
    child.on('close', (status) => resolve({ ok: status === 0, said }))
  })
}

requireNode()
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

const checks = ['lint', 'types', 'architecture', 'unused'].map((name) => [name, beside(name)])
build()
for (const [name, done] of checks) {
  const { ok, said } = await done
  process.stdout.write(said)
  step(name, ok, { passed: ok ? 1 : 0, failed: ok ? 0 : 1 })
}

const report = join(reports, 'unit.json')
const unit = run('npx', [
  'vitest',
  'run',
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

if (needBrowser()) {
  const env = { ...process.env, TEMBRIX_REPORT: join(reports, 'browser.json') }
  const browser = run('npx', ['playwright', 'test'], { cwd: join(root, 'e2e'), env })
  step(
    'browser tests',
    browser === 0,
    counts('browser.json', ({ stats }) => ({
      passed: stats.expected + stats.flaky,
      failed: stats.unexpected,
    })),
  )
} else {
  step('browser tests', false)
}

console.log(`${passed} passed, ${failed} failed`)
process.exit(failed === 0 ? 0 : 1)
