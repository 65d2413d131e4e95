import type { Message } from '@tembrix/core/things/records'

export type Outgoing = Pick<Message, 'id' | 'channel' | 'to' | 'subject' | 'text'>

export type Status = { is: 'under way' } | { is: 'delivered' } | { is: 'bounced'; why: string }

/** What carries mails and text messages. Both calls may take their time, fail, and be given up by `signal`. */
export interface Gateway {
  /** Takes a message and says what it calls it; the same one again (by its id) goes out once. */
  send: (message: Outgoing, signal: AbortSignal) => Promise<{ reference: string }>
  /** What has become of one it took. */
  status: (reference: string, signal: AbortSignal) => Promise<Status>
}

/** It would not take a message, or is not there; it is tried again later. */
export class GatewayFailed extends Error {}
