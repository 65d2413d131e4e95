import { type Comparison, middleOf, type Surrounding, type Tested } from '../../bench/measure'
import { type Forecast, forecastOf, type UseForecast } from '../../judging/forecast'

/** How a measured gain stands to what was forecast for that kind of work. */
export type Against = 'less' | 'as-forecast' | 'more'

/** A test made before and after: the middles of its runs, what the comparison says, and what was forecast. */
export interface Gained {
  test: string
  unit: string
  better: 'higher' | 'lower'
  before: number
  after: number
  compared: Comparison
  forecast: { use: UseForecast; against: Against } | null
  /** Changes made along with the memory, which share in the gain. */
  along: readonly Surrounding[]
}

/** Tests that have runs enough on both sides to say something, each beside the forecast for its kind of work. */
export function gainsOf(tested: readonly Tested<unknown>[], forecast: Forecast | null): Gained[] {
  return tested.flatMap((one) => {
    const compared = one.against.after
    if (!compared || compared.verdict === 'too-few') return []
    const use = forecast && one.work ? forecastOf(forecast.uses, one.work) : undefined
    const { test, unit, better } = one
    const [before, after] = [middleOf(one, 'before'), middleOf(one, 'after')]
    const against = use ? { use, against: againstOf(compared, use) } : null
    const along = one.along.before ?? []
    return [{ test, unit, better, before, after, compared, forecast: against, along }]
  })
}

function againstOf({ low, high }: Comparison, { most }: UseForecast): Against {
  if (high < most[0]) return 'less'
  return low > most[1] ? 'more' : 'as-forecast'
}
