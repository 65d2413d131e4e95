import { z } from 'zod'
import { BOUNDS, type Bound, WORKS } from './works'

export const LEVELS = ['light', 'usual', 'heavy'] as const
export const Level = z.enum(LEVELS)
export type Level = z.infer<typeof Level>

const Amount = z.number().min(0).max(4096)
const PeakGiB = z.number('An amount of memory.').positive('Above 0.').max(4096)

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
    /** Of games: what limits them; null or left out, it is asked for each customer. */
    bound: z.enum(BOUNDS).nullable().optional(),
  })
  .overwrite(withBound)
  .refine(({ light, usual, heavy }) => light <= usual && usual <= heavy, {
    error: 'Heavier use cannot want less.',
    path: ['heavy'],
  })
export type Use = z.infer<typeof Use>

/** Games that the processor limits are games, with what limits them beside. */
function withBound<U extends { work: string; bound?: string | null | undefined }>(use: U): U {
  if (use.work !== 'games-processor') return use
  return { ...use, work: 'games', bound: use.bound ?? 'processor' }
}

export const GAME_KINDS = ['strategy', 'fast', 'detailed'] as const
export const RESOLUTIONS = ['1080p', '1440p', '2160p'] as const
export const GAME_SETTINGS = ['low', 'middle', 'full'] as const

/** A customer's answers about their games; null where nobody has asked. */
export const GameAnswers = z.object({
  titles: z.string().trim().max(200).default(''),
  kind: z.enum(GAME_KINDS).nullable().default(null),
  resolution: z.enum(RESOLUTIONS).nullable().default(null),
  settings: z.enum(GAME_SETTINGS).nullable().default(null),
  /** Frames a second that are wanted. */
  frames: z.int('Whole frames.').positive('Above 0.').max(1000).nullable().default(null),
  /** How many pictures a second the display shows, Hz. */
  displayHz: z.int('Whole hertz.').positive('Above 0.').max(1000).nullable().default(null),
})
export type GameAnswers = z.infer<typeof GameAnswers>

/** From here on a frame rate is called high. */
const HIGH_FRAMES = 100

/**
 * The limit of games by a customer's answers: the processor in strategy and simulation, and at 1080p with high
 * frame rates; the card at 4K with full settings. Null where the answers do not say, or say both.
 */
export function boundByAnswers({ kind, resolution, settings, frames }: GameAnswers): Bound | null {
  const processor = kind === 'strategy' || (resolution === '1080p' && (frames ?? 0) >= HIGH_FRAMES)
  const card = resolution === '2160p' && settings === 'full'
  if (processor === card) return null
  return processor ? 'processor' : 'card'
}

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
  /** Of games: what limits them as the technician sees it; null or left out, it follows from the answers. */
  bound: z.enum(BOUNDS).nullable().optional(),
  game: GameAnswers.optional(),
  /** The peak of this very program, as measured or as its maker says, GiB; it replaces the table's figure. */
  peakGiB: PeakGiB.nullable().optional(),
  /** The most that the program itself can use, GiB: a 32-bit one, or one with a set limit. */
  limitGiB: PeakGiB.nullable().optional(),
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
