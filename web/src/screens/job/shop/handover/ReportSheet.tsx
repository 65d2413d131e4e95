import { useJobPart } from '../../base/file'
import { JobPaper, JobSheet } from '../../base/sheet'
import { handoverPaper } from './handoverPaper'
import { useHandover } from './useHandover'

/** The customer's report on paper. */
export function ReportSheet() {
  return (
    <JobSheet step="handover" back="Back to hand over">
      <Sheet />
    </JobSheet>
  )
}

function Sheet() {
  const number = useJobPart(({ file }) => file.number)
  const { document, handover } = useHandover()
  return <JobPaper paper={handoverPaper(document, handover, number)} />
}
