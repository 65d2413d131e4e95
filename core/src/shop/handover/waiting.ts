import type { Message, WarrantyClaim } from '../../things/records'

/** The job and the customer that something waits for. */
interface Whose {
  jobId: string
  job: number
  customerName: string
  phone: string
  email: string
}

/** Claims nobody has answered, and messages that did not arrive, with whose they are. */
export interface WaitingFor {
  claims: (WarrantyClaim & Whose)[]
  messages: (Message & Whose)[]
}

/** Claims in the order in which they are asked after: those due on the day `today` (ISO date) or before it first. */
export function toChase<C extends Pick<WarrantyClaim, 'chaseOn'>>(
  claims: readonly C[],
  today: string,
): { claim: C; isDue: boolean }[] {
  return [...claims]
    .sort((a, b) => (a.chaseOn ?? '9999').localeCompare(b.chaseOn ?? '9999'))
    .map((claim) => ({ claim, isDue: claim.chaseOn !== null && claim.chaseOn <= today }))
}
