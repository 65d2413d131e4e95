import type { Generation } from '../../things/model'

const MADE = [1, 2, 4, 8, 16, 24, 32, 48, 64]
const EARLY = [0.25, 0.5]

/** Whether dies of this density (Gbit) are made for a generation; below 1 Gbit only early ones were. */
export function isMadeDensity(dieGbit: number, generation: Generation | undefined): boolean {
  const early = generation === 'DDR' || generation === 'DDR2' || generation === 'DDR3'
  return MADE.includes(dieGbit) || (early && EARLY.includes(dieGbit))
}
