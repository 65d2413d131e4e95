import { chase, type Done, type Mode, move, newArrays, newCycle } from './kernels'

/** What a worker of the probe is asked: to get ready with so many bytes, or to work for so long. */
export type ProbeTask =
  | { kind: 'ready'; bytes: number; cycle: number }
  | { kind: 'move'; mode: Mode; ms: number }
  | { kind: 'chase'; ms: number }

export type Answered =
  | { kind: 'ready' }
  | { kind: 'no-memory' }
  | ({ kind: 'done' } & Done)
  | { kind: 'failed'; why: string }

let arrays: ReturnType<typeof newArrays> | null = null
let cycle: Uint32Array | null = null
const now = () => performance.now()
const say = (answer: Answered) => postMessage(answer)

addEventListener('message', ({ data }: MessageEvent<ProbeTask>) => {
  try {
    if (data.kind === 'ready') {
      if (data.bytes > 0) arrays = newArrays(data.bytes)
      if (data.cycle > 0) cycle = newCycle(data.cycle / 4, Math.random)
      say({ kind: 'ready' })
    } else if (data.kind === 'move' && arrays) {
      say({ kind: 'done', ...move(arrays, data.mode, data.ms, now) })
    } else if (data.kind === 'chase' && cycle) {
      say({ kind: 'done', ...chase(cycle, data.ms, now) })
    }
  } catch (error) {
    // What cannot be reserved is a range error, of arrays and of WebAssembly's memory alike.
    if (error instanceof RangeError) say({ kind: 'no-memory' })
    else say({ kind: 'failed', why: String(error) })
  }
})
