import { FileDown } from 'lucide-react'
import { API } from '../../../../base/data'

/** Saves the whole job as a file, to be taken in elsewhere. */
export function JobFileLink({ jobId }: { jobId: string }) {
  return (
    <a
      href={`${API}/jobs/${jobId}/file`}
      download
      className="inline-flex min-h-11 items-center gap-2 rounded-sm border border-rule-2 px-3 font-medium hover:bg-sheet-2"
    >
      <FileDown size={17} aria-hidden /> The whole job as a file
    </a>
  )
}
