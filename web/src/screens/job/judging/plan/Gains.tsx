import {
  BUSY,
  type Forecast,
  LATENCY,
  LEARNING,
  ORGANISATION,
  PAGING,
  profileOf,
  SPREADS,
  type UseForecast,
} from '@tembrix/core/judging/forecast'
import { memo } from 'react'
import { Link } from 'react-router'
import { list, plural, tidy } from '../../../../base/format'
import { Disclosure } from '../../../../base/ui'
import { type JobNeed, useJob } from '../../base/file'
import { eitherWords, gainInShort, gainInWords, low1Words, sharePercent } from './words'

/** What the plan should bring for each use, as a range that unfolds into its parts. */
export const Gains = memo(function Gains({ need }: { need: JobNeed }) {
  const { planned, unseen } = useJob()
  const mix = need.gainOf(planned.evaluation, planned.placement)
  return (
    <section aria-label="Expected gain">
      <h3 className="font-semibold">Expected gain</h3>
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
            For the whole mix of work: <b className="font-semibold">{gainInWords(mix)}</b>
            {mix.words === 'SOME' || mix.words === 'MUCH'
              ? `; ${sharePercent(mix.chance10)} chance of more than a tenth.`
              : '.'}
          </p>
          <LearnedLine basis={mix.basis} />
          {mix.uses.map((use) => (
            <OfUse key={use.work} use={use} />
          ))}
          <Assumptions />
        </>
      )}
    </section>
  )
})

/** One use: its range, what it is made of, and why it is taken to use memory so. */
function OfUse({ use }: { use: UseForecast }) {
  const { work, parts, pages, most, median, low1, either } = use
  const { name, because, waits, streams } = profileOf(work)
  const none = either && either.processor.median >= 1.03 ? 'UNKNOWN' : 'NONE'
  const words = pages.before && !pages.after ? 'STALLS_STOP' : median < 1.03 ? none : 'SOME'
  const share = ({ low, high }: { low: number; high: number }) =>
    `${tidy(low * 100)}–${tidy(high * 100)} %`
  return (
    <Disclosure
      className="border-b border-rule"
      summary={
        <span className="flex items-center gap-1">
          <span className="flex-1">{either ? 'Games' : name}</span>
          <b className="font-semibold whitespace-nowrap">
            {gainInShort({ words, median, most, low1 })}
          </b>
        </span>
      }
    >
      <p className="text-sm text-ink-2">
        {because} Taken to wait for memory {share(waits)} of its time, {share(streams)} of that
        streaming.
      </p>
      <table className="mb-1 w-full text-right text-sm">
        <tbody>
          {PARTS.map(([part, label]) => (
            <tr key={part} className="border-t border-rule">
              <th scope="row" className="text-left font-normal">
                {label}
              </th>
              <td>{sharePercent(parts[part])}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {either && (
        <p className="mb-1 text-sm">Nobody has said what limits it: {eitherWords(either)}.</p>
      )}
      {low1 && <p className="mb-1 text-sm">The slowest 1 % of frames: {low1Words(low1)}.</p>}
      {pages.before && (
        <p className="mb-1 text-sm text-ink-2">
          As found the demand does not fit{pages.after ? ', nor will it after' : '; after it will'}.
        </p>
      )}
    </Disclosure>
  )
}

const PARTS = [
  ['bandwidth', 'by bandwidth'],
  ['latency', 'by latency, queues included'],
  ['paging', 'by what no longer pages'],
] as const

/** How many of the shop's own results moved a forecast, and how many were set aside. */
function LearnedLine({ basis: { jobs, setAside } }: Pick<Forecast, 'basis'>) {
  if (jobs + setAside === 0) return null
  return (
    <p className="text-sm text-ink-2">
      Moved by {jobs === 0 ? 'no result' : plural(jobs, 'result')} of this shop
      {setAside > 0 && `, ${setAside} set aside`}.{' '}
      <Link to="/settings" className="underline">
        Settings
      </Link>
    </p>
  )
}

/** What every forecast rests on. */
function Assumptions() {
  return (
    <Disclosure summary={<span className="text-sm">What this rests on</span>}>
      <p className="text-sm text-ink-2">
        Judgements, not measurements, until this shop’s own results stand behind them.{' '}
        {SPREADS.reason} {LEARNING.reason} {LATENCY.reason} {BUSY.reason} {ORGANISATION.reason}{' '}
        {PAGING.reason}
      </p>
    </Disclosure>
  )
}
