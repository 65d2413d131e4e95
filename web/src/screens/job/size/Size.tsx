import { JobChange } from '@tembrix/core/records'
import { adviseSpending } from '@tembrix/core/sizing'
import { Link } from 'react-router'
import { capacity } from '../../../base/ui'
import { useJob, useJobForm, useNeed } from '../file'
import { Advice } from './Advice'
import { DemandView } from './DemandView'
import { LogView } from './LogView'
import { Surroundings } from './Surroundings'
import { UseMix } from './UseMix'

/** How much memory this customer needs, from what they do and from what was measured, and whether it is memory they need. */
export function Size() {
  const { file, now } = useJob()
  const form = useJobForm('jobs', file, JobChange.shape)
  const need = useNeed()
  const { sizing } = file
  const installedGiB = now.evaluation.capacity.installedGiB
  const advice = adviseSpending({
    installedGiB,
    demand: need.demand,
    log: sizing.log,
    disk: sizing.disk,
    slow: sizing.slow,
  })
  return (
    <div className="flex flex-col gap-4">
      <h2 className="text-lg font-semibold">Size</h2>
      <DemandView need={need} installedGiB={installedGiB} />
      <Advice advice={advice} log={sizing.log} installedGiB={installedGiB} />
      <UseMix need={need} form={form} />
      <LogView form={form} installedGiB={installedGiB} />
      <Surroundings form={form} />
      <p className="text-sm text-ink-2">
        {file.uses && <>The customer says: “{file.uses}” </>}
        {installedGiB > 0 && <>As found there are {capacity(installedGiB)}. </>}
        <Link to="../plan" className="underline">
          On to Plan
        </Link>
      </p>
    </div>
  )
}
