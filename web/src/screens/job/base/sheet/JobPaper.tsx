import { type Paper, PaperPage } from '../../../../parts/papers'
import { useJobPart } from '../file'

/** A paper of this job: every sheet of it says which job it is of. */
export function JobPaper({ paper }: { paper: Paper }) {
  const number = useJobPart(({ file }) => file.number)
  const customer = useJobPart(({ file }) => file.customer.name)
  return <PaperPage paper={paper} of={`Job ${number} · ${customer}`} />
}
