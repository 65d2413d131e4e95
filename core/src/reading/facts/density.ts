import type { Generation } from '../../things/model'

/** Densities of dies by generation, Gbit: those that modules were built with. */
const DIES: Partial<Record<Generation, readonly number[]>> = {
  DDR: [0.0625, 0.125, 0.25, 0.5, 1],
  DDR2: [0.25, 0.5, 1, 2],
  DDR3: [0.25, 0.5, 1, 2, 4, 8],
  DDR4: [4, 8, 16],
  DDR5: [16, 24, 32, 48, 64],
}
const ANY = [...new Set(Object.values(DIES).flat())]

/** Densities that modules on a bench are built with, Gbit: the smallest of a generation were never common. */
export const commonDensities = (generation: Generation): number[] =>
  (DIES[generation] ?? []).filter((density) => density >= (LEAST_COMMON[generation] ?? 0))

const LEAST_COMMON: Partial<Record<Generation, number>> = { DDR2: 0.5, DDR3: 1, DDR4: 4, DDR5: 16 }

/** The least that a module of a generation holds, GiB: four dies ×16 of the smallest that are sold. */
const LEAST_GIB: Partial<Record<Generation, number>> = { DDR3: 0.5, DDR4: 2, DDR5: 8 }

/** Whether dies of this density (Gbit) are made for a generation, or for any where it is not known. */
export function isMadeDensity(dieGbit: number, generation: Generation | undefined): boolean {
  return ((generation && DIES[generation]) ?? ANY).includes(dieGbit)
}

/** Whether a generation has modules as small as this, GiB. */
export const isLargeEnough = (capacityGiB: number, generation: Generation): boolean =>
  capacityGiB >= (LEAST_GIB[generation] ?? 0)
