import { profileVolts } from '@tembrix/core/shop/job'
import { Link } from 'react-router'
import { PageMessage } from '../../../../base/ui'
import { useJob, useShop } from '../../base/file'
import { JobPaper, JobSheet } from '../../base/sheet'
import { tunePaper } from './tunePaper'
import { useTune } from './useTune'

/** The values set by hand, on paper for the customer. */
export function TuneSheet() {
  return (
    <JobSheet step="plan" back="Back to the plan">
      <Sheet />
    </JobSheet>
  )
}

function Sheet() {
  const { file, machine, plan, planned } = useJob()
  const { terms } = useShop()
  const { ladder, rated, tried, besides, least } = useTune()
  const set = ladder?.end === 'DONE' ? ladder.holds : null
  if (!set || !rated) {
    return (
      <PageMessage title="Nothing to hand over yet">
        <p>The values are printed once they held through the soak test.</p>
        <Link to={`/jobs/${file.id}/plan`} className="inline-flex min-h-11 items-center underline">
          To the plan
        </Link>
      </PageMessage>
    )
  }
  const paper = tunePaper({
    shop: terms,
    number: file.number,
    customerName: file.customer.name,
    machineName: machine.name,
    set,
    rated,
    volts: plan.profile ? profileVolts(planned) : null,
    tried,
    besides,
    least,
  })
  return <JobPaper paper={paper} />
}
