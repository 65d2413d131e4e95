import { addressFault, isUndelivered } from '@tembrix/core/things/records'
import { HttpError, invalid, whoAsks } from '../base/http'
import type { Rules } from '../things/records'

/** What is written to customers: it goes out by the outbox, and stays in the job’s history. */
export const messageRules: Rules<'messages'> = {
  making: async (_, message) => ({
    ...message,
    state: 'queued' as const,
    by: whoAsks(),
    tries: 0,
    reference: '',
    sentAt: null,
    endedAt: null,
    why: '',
  }),
  changing: async (_, { channel, to, state }, { again, reached, ...patch }) => {
    if (!isUndelivered(state)) {
      throw new HttpError(409, 'under_way', 'This message is under way, or has arrived.')
    }
    if (reached) return { state: 'reached' as const }
    const message = addressFault(channel, patch.to ?? to)
    if (message) throw invalid([{ path: 'to', message }])
    const fresh = {
      state: 'queued' as const,
      tries: 0,
      why: '',
      reference: '',
      endedAt: null,
      sentAt: null,
    }
    return again ? { ...patch, ...fresh } : patch
  },
  removing: async (_, { state }) => {
    if (state !== 'queued')
      throw new HttpError(409, 'sent', 'This message is sent; it stays on the job.')
  },
}
