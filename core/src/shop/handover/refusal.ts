import type { Handover, HandoverPatch, Job, JobChange } from '../../things/records'

/** Why a change to a hand over is refused: a code, a sentence, and the field where one is at fault. */
export interface HandoverRefusal {
  code: 'signed' | 'collected' | 'not_signed'
  message: string
  field: string | null
}

/**
 * What forbids a change to a hand over; null where nothing does. What was signed stays as it is but for
 * what is paid or given back since, and for who collects it; once it is collected only payments come in.
 */
export function handoverRefusal(
  { signed, collected }: Pick<Handover, 'signed' | 'collected'>,
  patch: Omit<HandoverPatch, 'version'>,
): HandoverRefusal | null {
  const { payments: _paid, returned, collected: collecting, ...rest } = patch
  const changes = Object.values(rest).some((value) => value !== undefined)
  if (signed && changes) {
    const message = 'The report is signed; a change needs a new visit.'
    return { code: 'signed', message, field: null }
  }
  if (collected && (collecting || returned)) {
    return { code: 'collected', message: 'It has been collected already.', field: null }
  }
  if (collecting && !signed && !patch.signed) {
    const message = 'It is signed for before it is collected.'
    return { code: 'not_signed', message, field: 'collected' }
  }
  return null
}

/** Why a job cannot end without work; null where it can: what was signed for ends by being collected. */
export const endingRefusal = (signed: boolean): string | null =>
  signed ? 'The report is signed: the job ends by being collected.' : null

/** Whether a change would open a job that is closed: what comes later is a new visit. */
export const reopens = ({ stage }: Pick<Job, 'stage'>, change: JobChange): boolean =>
  stage === 'closed' && change.stage !== undefined && change.stage !== 'closed'
