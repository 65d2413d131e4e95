import { spawn } from 'node:child_process'
import { cpSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'

const server = fileURLToPath(new URL('../../server', import.meta.url))
const PORT = 43_199
const ROUNDS = 7

function median(values: number[]): number {
  return values.sort((a, b) => a - b)[Math.floor(values.length / 2)] as number
}

const folder = mkdtempSync(join(tmpdir(), 'tembrix-bench-'))
cpSync(join(server, 'dist/prepared'), join(folder, 'database'), { recursive: true })

/** Milliseconds from exec until a process that only opens the database has done so. */
async function openAlone(): Promise<number> {
  const code = `import { PGlite } from '@electric-sql/pglite'
    const db = await PGlite.create(process.argv[1]); await db.query('select 1'); console.log('open')
    await db.close(); process.exit(0)`
  const begun = performance.now()
  const child = spawn(
    process.execPath,
    ['--input-type=module', '-e', code, join(folder, 'database')],
    { cwd: server },
  )
  const opened = await new Promise<number>((resolve) => {
    child.stdout.once('data', () => resolve(performance.now() - begun))
  })
  await new Promise((resolve) => child.once('exit', resolve))
  return opened
}

/** Milliseconds from exec until the server answers that it is healthy. */
async function startServer(args: string[], data: string): Promise<number> {
  const begun = performance.now()
  const child = spawn(process.execPath, args, {
    cwd: join(server, '..'),
    env: { ...process.env, TEMBRIX_DATA: data, TEMBRIX_PORT: String(PORT) },
  })
  for (;;) {
    const healthy = await fetch(`http://127.0.0.1:${PORT}/api/v1/health`).then(
      ({ ok }) => ok,
      () => false,
    )
    if (healthy) break
    await new Promise((resolve) => setTimeout(resolve, 5))
  }
  const taken = performance.now() - begun
  child.kill('SIGTERM')
  await new Promise((resolve) => child.once('exit', resolve))
  return taken
}

const alone: number[] = []
const started: number[] = []
const wrapped: number[] = []
const fresh: number[] = []
for (let round = 0; round < ROUNDS; round += 1) {
  alone.push(await openAlone())
  started.push(await startServer(['server/dist/main.js'], folder))
  wrapped.push(await startServer(['scripts/start.mjs'], folder))
  const empty = mkdtempSync(join(tmpdir(), 'tembrix-bench-fresh-'))
  fresh.push(await startServer(['server/dist/main.js'], empty))
  rmSync(empty, { recursive: true, force: true })
}
rmSync(folder, { recursive: true, force: true })

const base = median(alone)
const row = (what: string, values: number[], aim: string) => {
  const taken = median(values)
  return { what, measured: `${taken.toFixed(0)} ms, ${(taken / base).toFixed(2)}×`, aim }
}
writeFileSync(
  process.argv[2] as string,
  JSON.stringify([
    { what: 'opening PGlite alone, exec to open', measured: `${base.toFixed(0)} ms`, aim: '–' },
    row('server on an existing folder, exec to healthy', started, 'within 1.5× of it'),
    row('the same through the npm start script', wrapped, 'within 1.5× of it'),
    row('server on a fresh folder, exec to healthy', fresh, 'no database initialisation'),
  ]),
)
