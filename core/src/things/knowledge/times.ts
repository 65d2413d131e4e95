import { type Generation, known } from '../model'

/** Minutes, from the least to the most that is usual. */
export interface Minutes {
  low: number
  high: number
}

/** What decides how long the memory is trained at the first start after a change. */
export interface Trained {
  generation: Generation
  /** Capacities of the modules, GiB. */
  sizes: readonly number[]
  /** Registered or load-reduced modules; not where left out. */
  registered?: boolean
  /** Channels of the machine; two where left out. */
  channels?: number
}

const LARGE_GIB = 32
const MANY = 4
/** Hundreds of GB. */
const HUGE_GIB = 256

export const FIRST_START = known(
  {
    older: { low: 0.5, high: 3 },
    DDR5: { low: 1, high: 5 },
    /** Four large modules or more. */
    manyLarge: { low: 10, high: 20 },
    /** Hundreds of GB, or four channels and more with registered modules. */
    huge: { older: { low: 5, high: 15 }, DDR5: { low: 10, high: 30 } },
    /** As long again as usual is allowed before anything is done. */
    patience: 2,
  },
  'Memory is trained at the first start after a change or with a cleared setup, with a dark screen and restarts. It takes longer the more there is to train: DDR5, large and many modules, many channels; hundreds of GB in registered modules up to half an hour.',
  '2026-12',
)

/** Minutes of the first start after modules moved, and after how many one stops waiting. */
export function firstStart({
  generation,
  sizes,
  registered = false,
  channels = 2,
}: Trained): Minutes & { atMost: number } {
  const { older, DDR5, manyLarge, huge, patience } = FIRST_START.value
  const large = sizes.filter((gib) => gib >= LARGE_GIB).length
  const total = sizes.reduce((sum, one) => sum + one, 0)
  const isHuge = total >= HUGE_GIB || (registered && channels >= MANY && large >= MANY)
  const newer = generation === 'DDR5' || generation === 'LPDDR5' || generation === 'LPDDR5X'
  const usual = newer
    ? isHuge
      ? huge.DDR5
      : large >= MANY
        ? manyLarge
        : DDR5
    : isHuge
      ? huge.older
      : older
  return { ...usual, atMost: usual.high * patience }
}

export const TEST_PASS = known(
  {
    allCores: { low: 1, high: 2 },
    oneCore: { low: 3, high: 5 },
    /** No machine makes a pass in less. */
    fastest: 0.25,
  },
  'Minutes a GB for one pass of a full memory test; twice the memory takes twice as long. A pass writes and reads all of it many times over, so that bandwidth sets a least.',
  '2026-12',
)

/** Minutes of one pass of a full memory test over so much memory (GiB). */
export function testPass(gib: number, cores: 'allCores' | 'oneCore' = 'allCores'): Minutes {
  const { low, high } = TEST_PASS.value[cores]
  return { low: low * gib, high: high * gib }
}

/** The middle of a span, for adding up. */
export const middle = ({ low, high }: Minutes): number => (low + high) / 2

export const OPENING = known(
  { hatch: { low: 5, high: 10 }, display: { low: 60, high: 120 } },
  'An all-in-one with a hatch opens in minutes; behind the display there is glass to loosen, and strips or glue that must set before it is moved.',
  '2026-11',
)

export const TIGHT = known(
  0.9,
  'Systems begin to page well before the last few per cent: at this share of the usable memory, or of what is committed, it is tight.',
  '2026-11',
)
