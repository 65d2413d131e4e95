import { z } from 'zod'

export const GENERATIONS = [
  'DDR',
  'DDR2',
  'DDR3',
  'DDR4',
  'DDR5',
  'LPDDR3',
  'LPDDR4',
  'LPDDR4X',
  'LPDDR5',
  'LPDDR5X',
] as const

export const Generation = z.enum(GENERATIONS)
export type Generation = z.infer<typeof Generation>

const DDR5_STEPS = [3200, ...Array.from({ length: 14 }, (_, i) => 3600 + 400 * i)]

/** The standard data rates of each generation, MT/s as printed, rising. */
export const STANDARD_STEPS: Readonly<Record<Generation, readonly number[]>> = {
  DDR: [200, 266, 333, 400],
  DDR2: [400, 533, 667, 800, 1066],
  DDR3: [800, 1066, 1333, 1600, 1866, 2133],
  DDR4: [1600, 1866, 2133, 2400, 2666, 2933, 3200],
  DDR5: DDR5_STEPS,
  LPDDR3: [1600, 1866, 2133],
  LPDDR4: [1600, 2133, 2400, 3200, 3733, 4266],
  LPDDR4X: [2133, 2400, 3200, 3733, 4266],
  LPDDR5: [4800, 5200, 5500, 6000, 6400],
  LPDDR5X: [6400, 7500, 8533, 9600, 10667],
}
