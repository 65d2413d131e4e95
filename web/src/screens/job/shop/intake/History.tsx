import { lazy, Suspense, useState } from 'react'
import { Disclosure } from '../../../../base/ui'

const Lines = lazy(async () => ({ default: (await import('./HistoryOfJob')).HistoryOfJob }))

/** Everything written to the job, newest first; read when it is opened. */
export function History({ jobId }: { jobId: string }) {
  const [open, setOpen] = useState(false)
  return (
    <Disclosure
      className="border-t border-rule pt-1"
      onOpen={setOpen}
      summary={<span className="font-semibold">History</span>}
    >
      {open && (
        <Suspense>
          <Lines jobId={jobId} />
        </Suspense>
      )}
    </Disclosure>
  )
}
