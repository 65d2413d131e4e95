import { type ChildProcess, spawn } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
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
  /** Stops it and removes its data. */
  end: () => Promise<void>
}

/** The built application as a user starts it, over a data folder of its own. */
export async function startApplication(demo = true): Promise<Application> {
  const folder = mkdtempSync(join(tmpdir(), 'tembrix-e2e-'))
  const port = await freePort()
  const probe = await freePort()
  let child: ChildProcess | undefined

  async function start(): Promise<void> {
    const env = {
      ...process.env,
      TEMBRIX_DATA: folder,
      TEMBRIX_PORT: String(port),
      TEMBRIX_PROBE: `127.0.0.1:${probe}`,
    }
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
    stop,
    end: async () => {
      await stop()
      rmSync(folder, { recursive: true, force: true })
    },
  }
}

function freePort(): Promise<number> {
  return new Promise((resolve) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as { port: number }
      probe.close(() => resolve(port))
    })
  })
}
