import { useJob, useModelRecord, useShop } from '../file'
import { JobPaper } from './JobPaper'
import { JobSheet } from './JobSheet'
import { planPaper } from './planPaper'

/** The plan on paper, for the bench. */
export function PlanSheet() {
  return (
    <JobSheet step="plan" back="Back to the plan">
      <Sheet />
    </JobSheet>
  )
}

function Sheet() {
  const view = useJob()
  const { terms } = useShop()
  const model = useModelRecord()
  return <JobPaper paper={planPaper(view, model, terms)} />
}
