import type { Comparison, Logged, Tested } from '@tembrix/core/bench/measure'
import { forecastOf, profileOf } from '@tembrix/core/judging/forecast'
import { list } from '../../../../base/format'
import { useJob, useNeed } from '../../base/file'
import { times } from './words'

interface Props {
  tested: readonly Tested<unknown>[]
  logged: readonly Pick<Logged<unknown>, 'test' | 'rates'>[]
}

interface Row {
  name: string
  test: string
  most: readonly [number, number]
  /** Which change is behind what was forecast; empty where that is not told apart. */
  by: string
  after: Comparison
}

/** What was forecast for each kind of work beside what was measured, and which change is behind it. */
export function Forecasted({ tested, logged }: Props) {
  const { planned } = useJob()
  const forecast = useNeed().gainOf(planned.evaluation, planned.placement)
  if (!forecast) return null
  const { low1 } = forecast
  const rows: Row[] = [
    ...tested.flatMap(({ test, work, against: { after } }) => {
      const use = work && forecastOf(forecast.uses, work)
      if (!use || !after) return []
      return [{ name: profileOf(work).name, test, most: use.most, by: mostlyBy(use.parts), after }]
    }),
    ...logged.flatMap(({ test, rates }) => {
      const { after } = rates.rateOfSlowest1.against
      if (!low1 || !after) return []
      return [{ name: 'Games, the slowest 1 % of frames', test, most: low1.most, by: '', after }]
    }),
  ].filter(({ after }) => after.verdict !== 'too-few')
  if (rows.length === 0) return null
  return (
    <section aria-label="Forecast and measured">
      <h3 className="font-semibold">Forecast and measured</h3>
      <table className="w-full text-[0.93rem]">
        <thead className="text-sm text-ink-2">
          <tr>
            {['', 'forecast', 'measured', ''].map((name, at) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: the columns never move
              <th key={at} className="text-left font-normal">
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(({ name, test, most, by, after: { ratio, low, high } }) => (
            <tr key={`${name} ${test}`} className="border-t border-rule align-top">
              <th scope="row" className="py-1 pr-2 text-left font-normal">
                {name}
                <span className="block text-sm text-ink-2">{test}</span>
              </th>
              <td className="pr-2">
                {times(most[0], 0)} to {times(most[1], 0)}
                <span className="block text-sm text-ink-2">{by}</span>
              </td>
              <td className="pr-2">
                <b className="font-semibold">{times(ratio)}</b>
                <span className="block text-sm text-ink-2">
                  {times(low)} to {times(high)}
                </span>
              </td>
              <td>{high < most[0] ? 'less' : low > most[1] ? 'more' : 'as forecast'}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  )
}

const PART_WORDS = { bandwidth: 'bandwidth', latency: 'latency', paging: 'what no longer pages' }

/** The parts that bring half of the largest or more. */
function mostlyBy(parts: Record<keyof typeof PART_WORDS, number>): string {
  const largest = Math.max(...Object.values(parts))
  if (largest < 0.005) return 'nothing to speak of'
  const named = (Object.keys(PART_WORDS) as (keyof typeof PART_WORDS)[]).filter(
    (part) => parts[part] >= largest / 2,
  )
  return `mostly by ${list(named.map((part) => PART_WORDS[part]))}`
}
