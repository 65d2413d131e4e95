import { logOfJob } from '@tembrix/core/judging/sizing'
import { JobChange } from '@tembrix/core/things/records'
import { capacity } from '../../../../base/format'
import { OnTo, useAdvice, useJob, useJobForm, useNeed } from '../../base/file'
import { AdviceView } from './AdviceView'
import { DemandView } from './DemandView'
import { LogView } from './LogView'
import { OtherFactors } from './OtherFactors'
import { UseMix } from './UseMix'

/** How much memory this customer needs, from what they do and from what was measured, and what is slow. */
export function SizeScreen() {
  const { file, machine, now, unseen } = useJob()
  const form = useJobForm('jobs', file, JobChange.shape)
  const need = useNeed()
  const { sizing } = file
  const installedGiB = now.evaluation.capacity.installedGiB
  const advice = useAdvice()
  return (
    <div className="mx-auto grid max-w-6xl content-start gap-x-8 gap-y-4 @4xl:grid-cols-[minmax(0,4fr)_minmax(0,5fr)]">
      <h2 className="text-lg font-semibold @4xl:col-span-2">Size</h2>
      <div className="flex flex-col gap-4">
        <DemandView need={need} installedGiB={installedGiB} />
        <AdviceView
          advice={advice}
          log={logOfJob(need.table, sizing)}
          installedGiB={installedGiB}
          unseen={unseen}
          inside={machine.inside}
        />
        <p className="text-sm text-ink-2">
          {file.uses && <>The customer says: “{file.uses}” </>}
          {installedGiB > 0 && <>As found there are {capacity(installedGiB)}.</>}
        </p>
        <OnTo step="plan">On to Plan</OnTo>
      </div>
      <div className="flex min-w-0 flex-col gap-4">
        <UseMix need={need} form={form} />
        <LogView form={form} installedGiB={installedGiB} need={need} />
        <OtherFactors form={form} />
      </div>
    </div>
  )
}
