import { STARTING_TERMS } from '@tembrix/core/records'
import { useModelsQuery, useShopQuery } from '../../../base/data'
import { useJob } from '../file'
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
  const { data: shop } = useShopQuery()
  const { data: models } = useModelsQuery()
  const model = models?.find(({ id }) => id === view.file.machine.modelId)
  return <JobPaper paper={planPaper(view, model, shop?.terms ?? STARTING_TERMS)} />
}
