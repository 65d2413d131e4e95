import {
  changesBetween,
  loggedOf,
  overall,
  runRows,
  scatterFrom,
  testedOf,
} from '@tembrix/core/bench/measure'
import { forecastUses } from '@tembrix/core/judging/sizing'
import { writeCsv } from '@tembrix/core/things/tables'
import { Download } from 'lucide-react'
import { lazy, Suspense, useMemo } from 'react'
import { list } from '../../../../base/format'
import { Button, callout, saveAs } from '../../../../base/ui'
import type { Verifying } from '../../base/file'
import { useJob, useShop } from '../../base/file'
import { AddTest } from './AddTest'
import { Forecasted } from './Forecasted'
import { FrameLogIn } from './FrameLogIn'
import { InterleaveProposal } from './InterleaveProposal'
import { LoggedView } from './LoggedView'
import { ProbeCode } from './ProbeCode'
import { SimulatedRuns } from './SimulatedRuns'
import { Tally } from './Tally'
import { TestView } from './TestView'
import { TwoChangesView } from './TwoChangesView'
import { ALONG_WORDS, CHANGE_WORDS, COMPARED_RATES, rateTestName, times } from './words'

const RunsChart = lazy(async () => ({ default: (await import('./RunsChart')).RunsChart }))

/** What was gained, honestly: runs before and after, compared with their scatter. */
export function MeasuredGains({ verifying }: { verifying: Verifying }) {
  const { file, now, planned, learned } = useJob()
  const { changes } = verifying.record
  const scatterOf = useMemo(() => scatterFrom(learned.scatter), [learned])
  const tested = useMemo(
    () => testedOf(file.measurements, scatterOf),
    [file.measurements, scatterOf],
  )
  const logged = useMemo(
    () => loggedOf(file.frames, rateTestName, scatterOf),
    [file.frames, scatterOf],
  )
  const groups = useMemo(
    () => [...tested, ...logged.map(({ rates }) => COMPARED_RATES.map((rate) => rates[rate]))],
    [tested, logged],
  )
  const all = useMemo(() => groups.flat(), [groups])
  const compared = useMemo(
    () => all.filter(({ against }) => Object.keys(against).length > 0),
    [all],
  )
  const altered = changesBetween(now, planned)
  const along = [...new Set(tested.flatMap((one) => one.along.before ?? []))]
  const { uses: table } = useShop()
  const mix = forecastUses(table, file.sizing.uses, file.sizing.integratedGraphics ?? false)
  const whole = overall(tested, mix)
  return (
    <>
      {altered.length + along.length > 1 && !changes && (
        <p className={callout({ tone: 'note', className: 'text-[0.93rem]' })}>
          This change alters{' '}
          {list([
            ...altered.map((change) => CHANGE_WORDS[change]),
            ...along.map((one) => ALONG_WORDS[one]),
          ])}{' '}
          at once: a gain is of all of them together.
        </p>
      )}
      {whole && (
        <p className="text-[0.93rem]">
          All {whole.tests} tests in one figure, by the customer’s mix:{' '}
          <b className="font-semibold">{times(whole.ratio)}</b> ({times(whole.low)} to{' '}
          {times(whole.high)}).
        </p>
      )}
      <InterleaveProposal />
      <Tally tested={all} groups={groups} />
      <Forecasted tested={tested} logged={logged} />
      <TwoChangesView verifying={verifying} />
      {compared.length > 0 && (
        <Suspense fallback={<div className="h-64" />}>
          <RunsChart tested={compared} changes={changes} />
        </Suspense>
      )}
      {tested.map((one) => (
        <TestView key={one.test} tested={one} changes={changes} channels={verifying.channels} />
      ))}
      {logged.map((one) => (
        <LoggedView key={one.test} logged={one} changes={changes} />
      ))}
      <AddTest known={tested.map(({ test }) => test)} last={file.measurements.at(-1)} />
      <FrameLogIn changes={changes} />
      <ProbeCode />
      <SimulatedRuns />
      {file.sizing.log === null && file.sizing.useLogs.length === 0 && (
        <p className="text-sm text-ink-2">
          No memory log was taken before: whether the demand fits now can only be worked out from
          the uses. Size takes one in.
        </p>
      )}
      {all.length > 0 && (
        <Button
          className="self-start"
          onClick={() => download(writeCsv(runRows(all)), `job-${file.number}-runs.csv`)}
        >
          <Download size={17} aria-hidden /> Runs as CSV
        </Button>
      )}
    </>
  )
}

function download(text: string, name: string): void {
  const address = URL.createObjectURL(new Blob([text], { type: 'text/csv' }))
  saveAs(address, name)
  URL.revokeObjectURL(address)
}
