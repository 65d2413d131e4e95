import { type Forecast, forecast, type MemoryState, type Need, type Paging } from './forecast'
import { WORK_PROFILES, type Work, type WorkProfile } from './profiles'

/** A kind of work and how much of the time it takes; only the proportions count. */
export interface WorkShare {
  work: Work
  weight: number
}

export interface MixForecast {
  /** How many times as fast the whole mix becomes, at either end. */
  low: number
  high: number
  by: { profile: WorkProfile; weight: number; forecast: Forecast }[]
}

/** What a change of memory brings for a mix of work: its time is the sum of the times of its parts. */
export function forecastMix(
  mix: readonly WorkShare[],
  before: MemoryState,
  after: MemoryState,
  need: Need | null,
  disk: Paging,
): MixForecast {
  const by = mix
    .filter(({ weight }) => weight > 0)
    .map(({ work, weight }) => {
      const profile = profileOf(work)
      return { profile, weight, forecast: forecast(profile, before, after, need, disk) }
    })
  const whole = by.reduce((sum, { weight }) => sum + weight, 0)
  const end = (of: 'low' | 'high') =>
    whole === 0 ? 1 : whole / by.reduce((sum, one) => sum + one.weight / one.forecast[of], 0)
  return { low: end('low'), high: end('high'), by }
}

/** The middle of a range of speed-ups, in the sense of factors. */
export const likelyGain = ({ low, high }: { low: number; high: number }): number =>
  Math.sqrt(low * high)

function profileOf(work: Work): WorkProfile {
  return WORK_PROFILES.find(({ id }) => id === work) as WorkProfile
}
