import { collectionOf, takenBack } from '@tembrix/core/shop/history'
import type { ChangeOf, HistoryLine, JobFile } from '@tembrix/core/things/records'
import { Undo2 } from 'lucide-react'
import { useEffect, useMemo } from 'react'
import { recordIn, useHistoryQuery } from '../../../../base/data'
import { Button } from '../../../../base/ui'
import { describeModule } from '../../../../parts/board'
import { HistoryLines } from '../../../../parts/history'
import { type JobView, useJob } from '../../base/file'

/** The job’s history; the last change is taken back from there. */
export function HistoryOfJob({ jobId }: { jobId: string }) {
  const { file, pieces } = useJob()
  const { data, error, refetch } = useHistoryQuery(jobId, { refetchOnMountOrArgChange: true })
  const names = useMemo(() => namesIn(file, pieces), [file, pieces])
  if (error) return <p className="text-ink-2">The server does not answer.</p>
  return (
    <HistoryLines
      lines={data ?? []}
      nameOf={(id) => names.get(id)}
      last={(line) => <TakeBack line={line} onDone={refetch} />}
    />
  )
}

/** What the records are called that the history of a job speaks of. */
function namesIn(
  { plans, photos, quotes }: JobFile,
  pieces: JobView['pieces'],
): ReadonlyMap<string, string> {
  const planNames = new Map(plans.map(({ id, name }) => [id, `“${name}”`]))
  const options = quotes.flatMap((quote) => quote.options)
  return new Map([
    ...[...pieces].map(([id, { module }]) => [id, describeModule(module)] as const),
    ...planNames,
    ...photos.map(({ id, caption }) => [id, caption || 'a photo'] as const),
    ...options.map(
      ({ id, title, planId }) =>
        [id, title ? `“${title}”` : (planNames.get(planId) ?? 'an option')] as const,
    ),
  ])
}

/** Sets back what the last change set, as a further change. */
function TakeBack({ line, onDone }: { line: HistoryLine; onDone: () => void }) {
  const { file, edit } = useJob()
  const collection = collectionOf(line)
  const record = collection && recordIn(file, collection, line.recordId)
  // Its own saving is news, and a change of the record by it is shown here.
  const version = record?.version
  useEffect(() => {
    if (version) onDone()
  }, [version, onDone])
  const back = record && takenBack(line, { ...record })
  if (!back) return null
  return (
    <Button
      className="mt-1"
      onClick={() =>
        edit.step(back.collection, record, back.fields as ChangeOf<typeof back.collection>)
      }
    >
      <Undo2 size={16} aria-hidden /> Take this change back
    </Button>
  )
}
