import { newReader, type Reader } from './readKernel'

/** What a worker of the probe does for a while: `bytes` moved, or `steps` of dependent loads, in `ms`. */
export interface Done {
  bytes: number
  steps: number
  ms: number
}

export const MODES = ['copy', 'read', 'write'] as const
export type Mode = (typeof MODES)[number]

/** Memory to move between; its contents are written once, so that the pages are really there. */
export interface Arrays {
  from: Reader
  to: Float64Array
}

export const newArrays = (bytes: number): Arrays => ({
  from: newReader(bytes),
  to: new Float64Array(bytes / 8).fill(2.5),
})

/** Moves through the arrays for at least `ms`. Bytes read and bytes written both count. */
export function move({ from, to }: Arrays, mode: Mode, ms: number, now: () => number): Done {
  const begun = now()
  let bytes = 0
  let kept = 0
  do {
    if (mode === 'copy') {
      to.set(from.values)
      bytes += 2 * to.byteLength
    } else if (mode === 'write') {
      to.fill(bytes)
      bytes += to.byteLength
    } else {
      kept += from.read()
      bytes += to.byteLength
    }
  } while (now() - begun < ms)
  // What was read is used, so that nobody may leave the reading out.
  if (kept === -1) throw new Error('impossible')
  return { bytes, steps: 0, ms: now() - begun }
}

/** A random cycle through all places, each once (Sattolo's shuffle). */
export function newCycle(places: number, chance: () => number): Uint32Array {
  const cycle = Uint32Array.from({ length: places }, (_, at) => at)
  for (let at = places - 1; at > 0; at -= 1) {
    const other = Math.floor(chance() * at)
    const held = cycle[at] as number
    cycle[at] = cycle[other] as number
    cycle[other] = held
  }
  return cycle
}

/** Follows the cycle for at least `ms`: each load waits for the one before. */
export function chase(cycle: Uint32Array, ms: number, now: () => number): Done {
  const LAP = 200_000
  const begun = now()
  let [at, steps] = [0, 0]
  do {
    for (let step = 0; step < LAP; step += 1) at = cycle[at] as number
    steps += LAP
  } while (now() - begun < ms)
  if (at === -1) throw new Error('impossible')
  return { bytes: 0, steps, ms: now() - begun }
}
