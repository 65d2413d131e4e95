import type { Evidence } from '../../reading/evidence'
import type { JobFile } from '../../things/records'

/** Work that can be done while parts are awaited: open conflicts and questions, and measuring the machine as it came. */
export function meanwhile(
  {
    measurements,
  }: { measurements: readonly Pick<JobFile['measurements'][number], 'configuration'>[] },
  { disputes, questions }: Pick<Evidence, 'disputes' | 'questions'>,
): ('SETTLE' | 'MEASURE')[] {
  const isOpen = disputes.length + questions.length > 0
  const isMeasured = measurements.some(({ configuration }) => configuration === 'before')
  return [...(isOpen ? (['SETTLE'] as const) : []), ...(isMeasured ? [] : (['MEASURE'] as const))]
}
