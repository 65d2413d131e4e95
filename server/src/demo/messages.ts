import { subHours } from 'date-fns'
import type { Transaction } from '../base/database'
import { create, messageKind } from '../things/store'
import type { DemoJob } from './jobs'

/** What was written to the customer of a job whose quote was given to them. */
export async function seedMessage(
  tx: Transaction,
  jobId: string,
  { customer, machine }: DemoJob,
): Promise<void> {
  const at = subHours(new Date(), 22).toISOString()
  await create(tx, messageKind, {
    jobId,
    channel: 'text',
    to: customer.phone,
    subject: '',
    text: `Tandem Lane Repairs: your quote for ${machine.name} is ready. Please tell us whether we may go ahead.`,
    reason: 'quote',
    state: 'delivered',
    by: 'Mika',
    tries: 1,
    reference: 'text-well-demo',
    sentAt: at,
    endedAt: at,
    why: '',
  })
}
