import { useEffect } from 'react'
import { useSearchParams } from 'react-router'
import { useJob, useShop } from '../../base/file'
import { JobPaper, JobSheet } from '../../base/sheet'
import { labelsPaper } from './labelsPaper'
import { useFit } from './useFit'

/**
 * Labels to print: the job's ticket, one for the machine, a bag for each removed module, one for each that goes to the
 * shelf. Of a job that has just begun (`?new`) they are printed at once.
 */
export function LabelsSheet() {
  const isNew = useSearchParams()[0].has('new')
  return isNew ? (
    <JobSheet step="identify" back="On to Identify">
      <Sheet atOnce />
    </JobSheet>
  ) : (
    <JobSheet step="fit" back="Back to the bench">
      <Sheet />
    </JobSheet>
  )
}

function Sheet({ atOnce = false }: { atOnce?: boolean }) {
  const view = useJob()
  const fitting = useFit()
  const { terms } = useShop()
  useEffect(() => {
    if (atOnce) window.print()
  }, [atOnce])
  const address = `${location.origin}/jobs/${view.file.id}`
  return <JobPaper paper={labelsPaper(view, fitting, terms, address)} />
}
