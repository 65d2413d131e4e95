import { changesBetween } from '@tembrix/core/measure'
import { Download } from 'lucide-react'
import { lazy, Suspense, useMemo } from 'react'
import { Button, list } from '../../ui'
import { useJob } from '../file'
import { AddTest } from './AddTest'
import { FrameLogView } from './FrameLogView'
import { GridView } from './GridView'
import { ProbeCode } from './ProbeCode'
import { TestView } from './TestView'
import { csvOf, testedOf } from './tested'
import { CHANGE_WORDS } from './words'

const RunsChart = lazy(async () => ({ default: (await import('./RunsChart')).RunsChart }))

/** What was gained, honestly: runs before and after, compared with their scatter. */
export function Measured() {
  const { file, now, planned } = useJob()
  const tested = useMemo(() => testedOf(file.measurements), [file.measurements])
  const changes = changesBetween(now.evaluation, planned.evaluation)
  return (
    <>
      {changes.length > 1 && (
        <p className="border-l-4 border-rule-2 bg-note-soft px-3 py-2 text-[0.93rem]">
          This change alters {list(changes.map((change) => CHANGE_WORDS[change]))} at once: a gain
          cannot be told apart between them. To know, test one and two modules, the old and the new.
        </p>
      )}
      {tested.map((one) => (
        <TestView key={one.test} tested={one} />
      ))}
      {tested.some(({ comparison }) => comparison) && (
        <Suspense fallback={<div className="h-64" />}>
          <RunsChart tested={tested} />
        </Suspense>
      )}
      <ProbeCode />
      <FrameLogView />
      <GridView />
      {file.sizing.log === null && (
        <p className="text-sm text-ink-2">
          No memory log was taken before: whether the demand fits now can only be reckoned from the
          uses. Size takes one in.
        </p>
      )}
      <AddTest known={tested.map(({ test }) => test)} />
      {tested.length > 0 && (
        <Button
          className="self-start"
          onClick={() => download(csvOf(tested), `job-${file.number}-runs.csv`)}
        >
          <Download size={17} aria-hidden /> Runs as CSV
        </Button>
      )}
    </>
  )
}

function download(text: string, name: string): void {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(new Blob([text], { type: 'text/csv' }))
  link.download = name
  link.click()
  URL.revokeObjectURL(link.href)
}
