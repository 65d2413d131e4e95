import { type ChildProcess, spawn } from 'node:child_process'
import { cpSync, mkdtempSync, rmSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'

const MAIN = fileURLToPath(new URL('../server/dist/main.js', import.meta.url))

export interface Application {
  address: string
  /** Stops the server, cleanly or at once; its data stays. */
  stop: (signal?: 'SIGTERM' | 'SIGKILL') => Promise<void>
  /** Starts it again on the same data and address. */
  start: () => Promise<void>
  /** How long the last start took until it served, ms. */
  startedIn: () => number
  /** Stops it and removes its data. */
  end: () => Promise<void>
}

/** The built application as a user starts it, over a data folder of its own. */
export async function startApplication(
  demo = true,
  folder = newFolder(demo),
): Promise<Application> {
  const port = await freePort()
  const probe = await freePort()
  let child: ChildProcess | undefined
  let taken = 0

  async function start(): Promise<void> {
    const env = {
      ...process.env,
      TEMBRIX_DATA: folder,
      TEMBRIX_PORT: String(port),
      TEMBRIX_PROBE: `127.0.0.1:${probe}`,
    }
    const begun = performance.now()
    const started = spawn(process.execPath, [MAIN, ...(demo ? ['--demo'] : [])], { env })
    child = started
    await new Promise<void>((resolve, reject) => {
      let said = ''
      const hear = (chunk: Buffer) => {
        said += chunk
        if (said.includes('is ready at')) resolve()
      }
      started.stdout.on('data', hear)
      started.stderr.on('data', hear)
      started.once('exit', () => reject(new Error(`The server did not start: ${said}`)))
    })
    taken = performance.now() - begun
  }

  async function stop(signal: 'SIGTERM' | 'SIGKILL' = 'SIGTERM'): Promise<void> {
    const running = child
    if (!running || running.exitCode !== null || running.signalCode !== null) return
    const gone = new Promise((resolve) => running.once('exit', resolve))
    running.kill(signal)
    await gone
  }

  await start()
  return {
    address: `http://127.0.0.1:${port}`,
    start,
    startedIn: () => taken,
    stop,
    end: async () => {
      await stop()
      rmSync(folder, { recursive: true, force: true })
    },
  }
}

/** A data folder of its own, with the demonstration in it where one lies ready. */
function newFolder(demo: boolean): string {
  const folder = mkdtempSync(join(tmpdir(), 'tembrix-e2e-'))
  const ready = process.env.TEMBRIX_DEMONSTRATION
  if (demo && ready) cpSync(ready, folder, { recursive: true })
  return folder
}

function freePort(): Promise<number> {
  return new Promise((resolve) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as { port: number }
      probe.close(() => resolve(port))
    })
  })
}
