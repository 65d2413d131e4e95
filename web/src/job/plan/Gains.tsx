import type { Forecast, TermName } from '@tembrix/core/forecast'
import { Link } from 'react-router'
import { list } from '../../ui'
import { type Need, useJob } from '../file'
import { gainFigure, percent } from './words'

const TERM_NAMES: Record<TermName, string> = {
  bandwidth: 'bound by bandwidth',
  latency: 'bound by the first word',
  capacity: 'lost to paging',
  neither: 'bound by neither',
}

/** What the plan should bring for each use, as a range that can be unfolded into its terms. */
export function Gains({ need }: { need: Need }) {
  const { planned, unseen } = useJob()
  const mix = need.gainOf(planned.evaluation)
  return (
    <section aria-label="Expected gain">
      <h3 className="font-semibold">What it should bring</h3>
      {mix === null ? (
        <p className="text-[0.93rem]">
          {unseen.length > 0 ? (
            <>
              Nothing can be said before{' '}
              <Link to="../identify" className="underline">
                Identify
              </Link>{' '}
              knows what is in {list(unseen)} now.
            </>
          ) : (
            <>
              Nothing can be said before{' '}
              <Link to="../size" className="underline">
                Size
              </Link>{' '}
              says what the machine is used for.
            </>
          )}
        </p>
      ) : (
        <>
          <p className="text-[0.93rem]">
            For the whole mix of work <b className="font-semibold">{range(mix)}</b>.
          </p>
          {mix.by.map(({ profile, forecast }) => (
            <details key={profile.id} className="border-b border-rule">
              <summary className="flex min-h-11 cursor-pointer items-center gap-1">
                <span className="flex-1">{profile.name}</span>
                <b className="font-semibold whitespace-nowrap">{range(forecast)}</b>
              </summary>
              <p className="text-sm text-ink-2">{profile.because}</p>
              <Terms forecast={forecast} />
            </details>
          ))}
        </>
      )}
    </section>
  )
}

/** Below this a change cannot be told from none. */
const NOTHING = 0.005

function range({ low, high }: { low: number; high: number }): string {
  if (Math.abs(low - 1) < NOTHING && Math.abs(high - 1) < NOTHING) return 'nothing to notice'
  return `${gainFigure(low)} to ${gainFigure(high)} faster`.replace('× faster', '× as fast')
}

function Terms({ forecast: { cases, pages } }: { forecast: Forecast }) {
  return (
    <>
      <table className="mb-1 w-full text-right text-sm">
        <thead className="text-ink-2">
          <tr>
            <th className="text-left font-normal">Share of the time</th>
            <th className="font-normal">before</th>
            <th className="font-normal">after, at least</th>
            <th className="font-normal">before</th>
            <th className="font-normal">after, at most</th>
          </tr>
        </thead>
        <tbody>
          {cases.low.terms.map((term, at) => {
            const high = cases.high.terms[at]
            return (
              <tr key={term.name} className="border-t border-rule">
                <td className="text-left">{TERM_NAMES[term.name]}</td>
                <td>{percent(term.before)}</td>
                <td>{percent(term.after)}</td>
                <td>{percent(high?.before ?? 0)}</td>
                <td>{percent(high?.after ?? 0)}</td>
              </tr>
            )
          })}
        </tbody>
      </table>
      {pages.before && (
        <p className="mb-1 text-sm text-ink-2">
          As found the demand does not fit{pages.after ? ', nor will it after' : '; after it will'}.
        </p>
      )}
    </>
  )
}
