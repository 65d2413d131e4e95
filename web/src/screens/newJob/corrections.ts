import { equalIgnoringWhitespace, type JobFile, type NewJob } from '@tembrix/core/things/records'
import { changing, type Write } from '../../base/data'

/** What a job that was stored before, its answer lost, does not yet hold of what was corrected since. */
export function corrections(
  file: JobFile,
  { customer, machine, complaint = '' }: Pick<NewJob, 'customer' | 'machine' | 'complaint'>,
): Write[] {
  const writes = [
    changing('jobs', file, { complaint }),
    ...('name' in customer ? [changing('customers', file.customer, customer)] : []),
    ...('machine' in machine ? [changing('machines', file.machine, machine)] : []),
  ]
  return writes.filter(({ before, fields }) => !equalIgnoringWhitespace(before, fields))
}
