import { type Done, MODES, type Mode } from './kernels'
import type { Answered, ProbeTask } from './worker'

export interface ProbePlan {
  /** Bytes of each array a worker moves through, and of the cycle. */
  bytes: number
  cycle: number
  rounds: number
  /** How long a round lasts, ms. */
  ms: number
  mostWorkers: number
}

/** As it was measured: smaller than planned where the browser gave no more memory. */
export interface ProbeRun {
  plan: ProbePlan
  measured: ProbeResult[]
}

export interface ProbeResult {
  mode: Mode | 'latency'
  /** GB/s, or ns for latency, round by round. */
  runs: number[]
  workers: number
}

const MIB = 2 ** 20

/** Arrays smaller than this may lie in a cache: what is measured with them proves nothing of the memory. */
const BEYOND_CACHES = 48 * MIB

export const beyondCaches = ({ bytes }: ProbePlan): boolean => bytes >= BEYOND_CACHES

/** Far beyond any cache, but no more than a part of the memory that the browser admits to. */
export function planFor(memoryGiB: number, processors: number, short: boolean): ProbePlan {
  if (short) return { bytes: 16 * MIB, cycle: 16 * MIB, rounds: 3, ms: 60, mostWorkers: 2 }
  const bytes = memoryGiB >= 8 ? 192 * MIB : memoryGiB >= 4 ? 96 * MIB : 48 * MIB
  return { bytes, cycle: 128 * MIB, rounds: 7, ms: 700, mostWorkers: Math.min(8, processors) }
}

/** Workers that wait for each other's answers; ended together. */
class Crew {
  private readonly workers: Worker[] = []

  /** False where a further worker gets no memory. */
  async grow(count: number, asked: ProbeTask): Promise<boolean> {
    while (this.workers.length < count) {
      const worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' })
      const { kind } = await ask(worker, asked)
      if (kind === 'no-memory') {
        worker.terminate()
        return false
      }
      this.workers.push(worker)
    }
    return true
  }

  async all(count: number, asked: ProbeTask): Promise<Done[]> {
    const answers = await Promise.all(this.workers.slice(0, count).map((one) => ask(one, asked)))
    return answers.map((answer) => {
      if (answer.kind !== 'done') throw new Error('a worker did not measure')
      return answer
    })
  }

  end(): void {
    for (const worker of this.workers) worker.terminate()
  }
}

function ask(worker: Worker, asked: ProbeTask): Promise<Answered> {
  return new Promise((resolve, reject) => {
    worker.onmessage = ({ data }: MessageEvent<Answered>) => {
      if (data.kind === 'failed') reject(new Error(data.why))
      else resolve(data)
    }
    worker.onerror = () => reject(new Error('a worker could not be started'))
    worker.postMessage(asked)
  })
}

const rateOf = (done: readonly Done[]) =>
  done.reduce((sum, { bytes, ms }) => sum + bytes / ms / 1e6, 0)

/**
 * Measures copy, read and write bandwidth with as many workers as help, and latency with one. Ends with
 * an error when `signal` aborts; tells the share done.
 */
export async function measureAll(
  wanted: ProbePlan,
  signal: AbortSignal,
  onProgress: (share: number) => void,
): Promise<ProbeRun> {
  const [crew, plan] = await crewFor(wanted)
  const steps = MODES.length * plan.rounds + plan.rounds + 3
  let step = 0
  const next = () => {
    signal.throwIfAborted()
    step += 1
    onProgress(Math.min(1, step / steps))
  }
  try {
    const helpful = await workersThatHelp(crew, plan, next)
    const measured: ProbeResult[] = []
    for (const mode of MODES) {
      const runs: number[] = []
      for (let round = 0; round < plan.rounds; round += 1) {
        next()
        runs.push(rateOf(await crew.all(helpful, { kind: 'move', mode, ms: plan.ms })))
      }
      measured.push({ mode, runs, workers: helpful })
    }
    const chaser = new Crew()
    try {
      if (!(await chaser.grow(1, { kind: 'ready', bytes: 0, cycle: plan.cycle }))) {
        return { plan, measured }
      }
      const runs: number[] = []
      for (let round = 0; round < plan.rounds; round += 1) {
        next()
        const [done] = await chaser.all(1, { kind: 'chase', ms: plan.ms })
        if (done) runs.push((done.ms * 1e6) / done.steps)
      }
      measured.push({ mode: 'latency', runs, workers: 1 })
    } finally {
      chaser.end()
    }
    onProgress(1)
    return { plan, measured }
  } finally {
    crew.end()
  }
}

const readyFor = ({ bytes }: ProbePlan): ProbeTask => ({ kind: 'ready', bytes, cycle: 0 })

/** Arrays smaller than this are not worth measuring with. */
const LEAST = 8 * MIB

/** A crew of one with the arrays wanted, or half of that as often as it takes. */
async function crewFor(wanted: ProbePlan): Promise<[Crew, ProbePlan]> {
  const crew = new Crew()
  let plan = wanted
  while (!(await crew.grow(1, readyFor(plan)))) {
    plan = { ...plan, bytes: plan.bytes / 2, cycle: plan.cycle / 2 }
    if (plan.bytes < LEAST) throw new Error('The browser gives no memory to measure with.')
  }
  return [crew, plan]
}

/** A further worker helps while copying becomes a twentieth quicker. */
const HELPS = 1.05

async function workersThatHelp(crew: Crew, plan: ProbePlan, next: () => void): Promise<number> {
  const trial: ProbeTask = { kind: 'move', mode: 'copy', ms: plan.ms / 2 }
  await crew.all(1, trial)
  let best = { workers: 1, rate: rateOf(await crew.all(1, trial)) }
  for (let workers = 2; workers <= plan.mostWorkers; workers += 1) {
    next()
    // A worker that gets no memory is one too many.
    if (!(await crew.grow(workers, readyFor(plan)))) break
    const rate = rateOf(await crew.all(workers, trial))
    if (rate < best.rate * HELPS) break
    best = { workers, rate }
  }
  return best.workers
}
