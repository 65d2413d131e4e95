import type { Generation } from '../../things/model'
import type { ReadSpeed } from '../facts'

/** CL-tRCD-tRP of the speed bins on DDR4 labels: all three equal. */
const DDR4_BINS: Record<number, Record<string, number>> = {
  1600: { J: 10, K: 11, L: 12 },
  1866: { L: 12, M: 13, N: 14 },
  2133: { N: 14, P: 15, R: 16 },
  2400: { P: 15, R: 16, T: 17, U: 18 },
  2666: { T: 17, U: 18, V: 19, W: 20 },
  2933: { V: 19, W: 20, Y: 21, AA: 22 },
  3200: { W: 20, AA: 22, AC: 24 },
}

/** Of DDR5 labels; the bins beyond 5600 as the usual table has them. */
const DDR5_BINS: Record<number, Record<string, [number, number, number]>> = {
  4800: { B: [40, 39, 39] },
  5200: { B: [42, 42, 42] },
  5600: { B: [46, 45, 45] },
  6400: { B: [52, 52, 52] },
}

/** The standard speed that a label's rate (MT/s) and bin letters stand for; undefined for a bin that is not known. */
export function speedOfBin(
  generation: Generation,
  dataRate: number,
  bin: string,
): ReadSpeed | undefined {
  const late = generation === 'DDR5' ? DDR5_BINS[dataRate]?.[bin] : undefined
  const equal = generation === 'DDR4' ? DDR4_BINS[dataRate]?.[bin] : undefined
  const cl = late?.[0] ?? equal
  return cl === undefined
    ? undefined
    : { kind: 'standard', dataRate, cl, trcd: late?.[1] ?? cl, trp: late?.[2] ?? cl }
}

/** The letters that are bins of a generation's rate. */
export function binsOf(generation: Generation, dataRate: number): string[] {
  const bins = generation === 'DDR5' ? DDR5_BINS : generation === 'DDR4' ? DDR4_BINS : {}
  return Object.keys((bins as Record<number, object>)[dataRate] ?? {})
}
