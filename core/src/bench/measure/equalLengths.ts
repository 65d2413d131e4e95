import { LOG_LENGTHS } from '../../things/model'
import { type FrameFigures, type LogBeginning, tooShortFor } from './frames'

/** Rates over the slowest frames, which depend on how long a log is. */
export type SlowRate = Exclude<keyof LogBeginning, 'seconds' | 'frames'>

/** Share of the slowest frames that a figure rests on. */
const RESTS_ON: Record<SlowRate, number> = {
  rateAt99: 0.01,
  rateOfSlowest1: 0.01,
  rateAt999: 0.001,
  rateOfSlowest01: 0.001,
}

/** Lengths within this ratio count as equal: one step between beginnings. */
const EQUAL = 1.05 * (1 + 1e-9)

/** A figure of several logs over beginnings of equal length. */
export interface EqualLengths {
  /** By log, in the order given; null where the log is too short, or was kept without the beginning it takes. */
  rates: (number | null)[]
  /** The length, s, that longer logs are cut to; null where none is. */
  cutTo: number | null
}

/**
 * Cuts logs to the length of the shortest that is long enough for the figure: more frames would hold rarer
 * ones, and later ones may be of another scene.
 */
export function atEqualLength(logs: readonly FrameFigures[], rate: SlowRate): EqualLengths {
  const isLong = (log: Pick<FrameFigures, 'frames'>) => !tooShortFor(log).includes(RESTS_ON[rate])
  const long = logs.filter(isLong)
  const length = Math.min(LOG_LENGTHS.at(-1) as number, ...long.map(({ seconds }) => seconds))
  const isEqual = ({ seconds }: { seconds: number }) =>
    seconds <= length * EQUAL && seconds >= length / EQUAL
  const rates = logs.map((log) => {
    const cut = [...(log.beginnings ?? []), log].filter(isEqual).filter(isLong).at(-1)
    return isLong(log) && cut ? cut[rate] : null
  })
  const isCut = long.some(({ seconds }) => seconds > length * EQUAL)
  return { rates, cutTo: isCut ? length : null }
}
