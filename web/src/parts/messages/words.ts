import type { Channel, Message, MessageReason } from '@tembrix/core/things/records'
import { dayAndTime } from '../../base/format'

export const REASON_NAMES: Record<MessageReason, string> = {
  quote: 'The quote is ready',
  parts: 'Waiting for a part',
  ready: 'Ready to collect',
  reminder: 'The quote is still open',
  other: 'Something else',
}

export const CHANNEL_NAMES: Record<Channel, string> = { mail: 'Mail', text: 'Text message' }

/** How far a message is, in a sentence. */
export function stateWords({
  state,
  endedAt,
  why,
  tries,
}: Pick<Message, 'state' | 'endedAt' | 'why' | 'tries'>): string {
  const at = endedAt ? ` ${dayAndTime(endedAt)}` : ''
  switch (state) {
    case 'queued':
      return tries === 0 ? 'waits to be sent' : `not taken yet (${why}), tried again soon`
    case 'sent':
      return 'sent, under way'
    case 'delivered':
      return `delivered${at}`
    case 'bounced':
      return `came back${at}: ${why}`
    case 'failed':
      return `not sent: ${why}`
    case 'reached':
      return `did not arrive (${why}); the customer was reached otherwise`
  }
}
