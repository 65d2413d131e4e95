import { type ChangeOf, type HistoryLine, takenBack } from '@tembrix/core/records'
import { Undo2 } from 'lucide-react'
import { useEffect, useState } from 'react'
import { recordIn, useHistoryQuery } from '../../../base/data'
import { Button, Disclosure } from '../../../base/ui'
import { HistoryLines } from '../../../parts/history'
import { useJob } from '../file'

/** Everything written to the job, newest first; read when it is opened. */
export function History({ jobId }: { jobId: string }) {
  const [open, setOpen] = useState(false)
  return (
    <Disclosure
      className="border-t border-rule pt-1"
      onOpen={setOpen}
      summary={<span className="font-semibold">History</span>}
    >
      {open && <Lines jobId={jobId} />}
    </Disclosure>
  )
}

function Lines({ jobId }: { jobId: string }) {
  const { data, error, refetch } = useHistoryQuery(jobId, { refetchOnMountOrArgChange: true })
  if (error) return <p className="text-ink-2">The server does not answer.</p>
  return (
    <HistoryLines lines={data ?? []} last={(line) => <TakeBack line={line} onDone={refetch} />} />
  )
}

/** Sets back what the last change set, as a further change. */
function TakeBack({ line, onDone }: { line: HistoryLine; onDone: () => void }) {
  const back = takenBack(line)
  const { file, edit } = useJob()
  const record = back && recordIn(file, back.collection, back.recordId)
  // Its own saving is news, and a change of the record by it is shown here.
  const version = record?.version
  useEffect(() => {
    if (version) onDone()
  }, [version, onDone])
  if (!back || !record) return null
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
