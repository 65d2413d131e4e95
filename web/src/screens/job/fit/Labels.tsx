import { useShopQuery } from '../../../base/data'
import { useJob } from '../file'
import { JobPaper, JobSheet } from '../sheet'
import { labelsPaper } from './labelsPaper'
import { useFit } from './useFit'

/** Labels to print: the job's ticket, a bag for each removed module, one for each that goes to the shelf. */
export function Labels() {
  return (
    <JobSheet step="fit" back="Back to the bench">
      <Sheet />
    </JobSheet>
  )
}

function Sheet() {
  const view = useJob()
  const fitting = useFit()
  const { data: shop } = useShopQuery()
  if (!shop) return null
  const address = `${location.origin}/jobs/${view.file.id}`
  return <JobPaper paper={labelsPaper(view, fitting, shop.terms, address)} />
}
