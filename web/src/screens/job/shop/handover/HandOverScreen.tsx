import { useJobPart } from '../../base/file'
import { JobFileLink, PrintLink } from '../../base/sheet'
import { Claims } from './Claims'
import { Collect } from './Collect'
import { EndButton } from './EndButton'
import { NewVisit } from './NewVisit'
import { OpenPoints } from './OpenPoints'
import { Payments } from './Payments'
import { ReportView } from './ReportView'
import { Returned } from './Returned'
import { SetupFound } from './SetupFound'
import { SignOffForm } from './SignOffForm'
import { useHandover } from './useHandover'

/** The end of a job: the customer's report, what stands open, what is paid and given back, who signs and collects. */
export function HandOverScreen() {
  const id = useJobPart(({ file }) => file.id)
  const handing = useHandover()
  const ended = useJobPart(({ file }) => file.withoutWork !== null)
  const { handover } = handing
  return (
    <div className="mx-auto flex max-w-6xl flex-col gap-3">
      <div className="flex flex-wrap items-center gap-2 border-b-2 border-rule pb-1">
        <h2 className="mr-auto text-lg font-semibold">Hand over</h2>
        <JobFileLink jobId={id} />
        <PrintLink to={`/jobs/${id}/report`}>The report, to print</PrintLink>
      </div>
      <div className="grid content-start gap-x-8 gap-y-4 @4xl:grid-cols-[minmax(0,5fr)_minmax(0,4fr)]">
        <ReportView handing={handing} />
        <div className="flex flex-col gap-4">
          {ended ? <NewVisit /> : !handover.signed && <OpenPoints handing={handing} />}
          <SetupFound handing={handing} />
          <Payments handing={handing} />
          <Returned handing={handing} />
          {handover.signed ? (
            <Collect handing={handing} signed={handover.signed} />
          ) : (
            !ended && <SignOffForm handing={handing} />
          )}
          <Claims handing={handing} document={handing.document} />
          <EndButton />
        </div>
      </div>
    </div>
  )
}
