import type { SpeedPoint, TuneSettings } from '@tembrix/core/judging/tune'
import { lazy, Suspense } from 'react'
import { latency, plural, speed, tidy } from '../../../../base/format'
import { Button, callout, Disclosure } from '../../../../base/ui'
import { useJob } from '../../base/file'
import { Besides } from './Besides'
import { LadderView } from './LadderView'
import { type Tuning, useTune } from './useTune'
import { TUNE_REFUSALS } from './words'

const SpeedChart = lazy(async () => ({ default: (await import('./SpeedChart')).SpeedChart }))

/** The setup values as found, as rated and as proposed; what each speed would bring; the ladder of settings. */
export function Tune() {
  const tuning = useTune()
  const { refusal, picture } = tuning
  if (refusal) {
    return <p className={callout({ tone: 'ask' })}>{TUNE_REFUSALS[refusal]}</p>
  }
  return (
    <>
      <p className={callout({ tone: 'risk', className: 'text-[0.93rem]' })}>
        Write down every value of the setup before one is changed, and know how this machine’s setup
        is cleared. No voltage beyond the module’s rating: it shortens lives and voids warranties.
        The maker’s instructions come first.
      </p>
      {tuning.fastAtOnce && (
        <p className="text-[0.93rem]">
          These modules run at their fastest by themselves: no profile is needed.
        </p>
      )}
      <Values tuning={tuning} />
      <section aria-label="Speed against latency">
        <h3 className="font-semibold">Speed against latency</h3>
        {picture.length > 1 ? (
          <Suspense fallback={<div className="h-56" />}>
            <SpeedChart picture={picture} />
          </Suspense>
        ) : (
          <p className="text-[0.93rem]">These modules know one speed only.</p>
        )}
        <Picture picture={picture} />
      </section>
      <Besides tuning={tuning} />
      <LadderView tuning={tuning} />
    </>
  )
}

const timingsOf = ({ timings }: TuneSettings) =>
  `${timings.cl}-${timings.trcd}-${timings.trp}-${timings.tras}`

function Values({ tuning: { rated, best, plan } }: { tuning: Tuning }) {
  const { now, plan: own } = useJob()
  const { run } = now.evaluation
  const set = own.manual
  const row = (name: string, rate: string, timings: string, ns: string) => (
    <tr className="border-t border-rule">
      <th scope="row" className="py-0.5 text-left font-normal">
        {name}
      </th>
      <td>{rate}</td>
      <td>{timings}</td>
      <td>{ns}</td>
    </tr>
  )
  const point = (name: string, one: SpeedPoint | null) =>
    one &&
    row(
      name + (one.halfRate ? ' (half rate)' : ''),
      String(one.dataRate),
      timingsOf(one),
      tidy(one.firstWordNs, 1),
    )
  return (
    <section aria-label="Setup values">
      <h3 className="font-semibold">Setup values</h3>
      <table className="w-full text-right text-[0.93rem]">
        <thead className="text-sm text-ink-2">
          <tr>
            <th />
            <th className="font-normal">MT/s</th>
            <th className="font-normal">CL-tRCD-tRP-tRAS</th>
            <th className="font-normal">ns</th>
          </tr>
        </thead>
        <tbody>
          {run &&
            row(
              'as found',
              String(run.dataRate),
              `${run.cl}-${run.trcd}-${run.trp}-${run.tras}`,
              tidy(run.firstWordNs, 1),
            )}
          {point('as rated', rated)}
          {point('as proposed', best)}
          {set &&
            row(
              'as planned',
              String(set.dataRate ?? '–'),
              set.timings ? timingsOf({ dataRate: 0, timings: set.timings }) : 'carried over',
              '',
            )}
        </tbody>
      </table>
      <div className="mt-1 flex flex-wrap gap-2">
        {best && (
          <Button
            onClick={() => plan({ dataRate: best.dataRate, timings: best.timings })}
          >{`Plan with ${speed(best.dataRate)}`}</Button>
        )}
        {set && (
          <Button look="quiet" onClick={() => plan(null)}>
            Leave it to the firmware
          </Button>
        )}
      </div>
      {rated?.halfRate && best && (
        <p className="mt-1 text-[0.93rem]">
          As rated the controller drops to half rate. Run at {speed(best.dataRate)} with its timings
          carried over it answers in {tidy(best.firstWordNs, 1)} instead of{' '}
          {latency(rated.firstWordNs)}; the trade-offs weigh that against a slower kit.
        </p>
      )}
    </section>
  )
}

function Picture({ picture }: { picture: readonly SpeedPoint[] }) {
  return (
    <Disclosure
      summary={<span className="text-sm">{plural(picture.length, 'speed')} in figures</span>}
    >
      <table className="w-full text-right text-sm">
        <thead className="text-ink-2">
          <tr>
            <th className="text-left font-normal">MT/s</th>
            <th className="font-normal">timings</th>
            <th className="font-normal">as times, ns</th>
            <th className="font-normal">latency, ns</th>
            <th className="font-normal">a channel, GB/s</th>
          </tr>
        </thead>
        <tbody>
          {picture.map((point) => (
            <tr key={point.dataRate} className="border-t border-rule">
              <th scope="row" className="text-left font-normal">
                {point.dataRate}
                {point.rated && ' rated'}
                {point.halfRate && ' half rate'}
                {point.aboveModules && ' beyond the modules'}
              </th>
              <td>{timingsOf(point)}</td>
              <td>
                {Object.values(point.ns)
                  .map((ns) => tidy(ns, 1))
                  .join('-')}
              </td>
              <td>{tidy(point.firstWordNs, 1)}</td>
              <td>{tidy(point.peakGBs, 1)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </Disclosure>
  )
}
