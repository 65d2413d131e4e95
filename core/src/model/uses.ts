import { z } from 'zod'
import { WORKS } from './works'

export const LEVELS = ['light', 'usual', 'heavy'] as const
export const Level = z.enum(LEVELS)
export type Level = z.infer<typeof Level>

const Amount = z.number().min(0).max(4096)

/** A use and how much memory it wants by how heavily it is done, GiB. */
export const Use = z
  .object({
    id: z.string().trim().min(1).max(40),
    name: z.string().trim().min(1, 'A use needs a name.').max(80),
    light: Amount,
    usual: Amount,
    heavy: Amount,
    /** The kind of work it is to a forecast. */
    work: z.enum(WORKS).default('office'),
  })
  .refine(({ light, usual, heavy }) => light <= usual && usual <= heavy, {
    error: 'Heavier use cannot want less.',
    path: ['heavy'],
  })
export type Use = z.infer<typeof Use>

/** The shop's table: what the system itself takes, what is kept free, and each use. GiB. */
export const UseTable = z.object({
  systemGiB: Amount,
  /** Kept free for what comes along, and for files the system keeps at hand. */
  reserveGiB: Amount,
  /** What integrated graphics take of the main memory. */
  graphicsGiB: Amount,
  /** How much more the same work wants each year the machine must still serve, per cent. */
  growthPercent: z.number().min(0).max(50).default(5),
  uses: z.array(Use).max(60),
})
export type UseTable = z.infer<typeof UseTable>

/** A use as this customer does it; `together` names those that run at once. */
export const ChosenUse = z.object({
  use: z.string().max(40),
  level: Level,
  /** How much of the time it is what the machine is used for; only the proportions count. */
  weight: z.number().min(0).max(1000),
  together: z.string().max(40).nullable(),
})
export type ChosenUse = z.infer<typeof ChosenUse>

export const DISKS = ['spinning', 'solid-state', 'unknown'] as const
export type Disk = (typeof DISKS)[number]

/** What the customer finds slow. */
export const COMPLAINTS = [
  'starting',
  'opening',
  'switching',
  'crashing',
  'long-work',
  'after-a-while',
  'pictures',
] as const
export type SlowThing = (typeof COMPLAINTS)[number]
