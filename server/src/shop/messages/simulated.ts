import type { Channel } from '@tembrix/core/things/records'
import { type Gateway, GatewayFailed, type Outgoing, type Status } from './gateway'

/** How long one takes to arrive or to come back, ms. */
const TAKES: Record<Channel, number> = { mail: 6000, text: 3000 }

/**
 * A stand-in for a mail and text gateway: what it takes arrives after some seconds. Mail to an address that
 * begins with `bounce`, and texts to a number that ends in 0000, come back; to one that begins with `busy`, or
 * ends in 1111, it takes nothing. What it says follows from the reference alone, so that it knows after a restart.
 */
export function simulatedGateway(now: () => number = Date.now): Gateway {
  return {
    send: async (message) => {
      if (isOf(message, /^busy/, '1111')) throw new GatewayFailed('The gateway takes nothing now.')
      const how = isOf(message, /^bounce/, '0000') ? 'back' : 'well'
      return { reference: `${message.channel}-${how}-${now().toString(36)}` }
    },
    status: async (reference): Promise<Status> => {
      const [channel, how, taken] = reference.split('-') as [Channel, string, string]
      if (now() - Number.parseInt(taken, 36) < TAKES[channel]) return { is: 'under way' }
      if (how === 'well') return { is: 'delivered' }
      const why = channel === 'mail' ? 'There is no such mailbox.' : 'The number cannot be reached.'
      return { is: 'bounced', why }
    },
  }
}

const isOf = ({ channel, to }: Outgoing, mail: RegExp, digits: string): boolean =>
  channel === 'mail' ? mail.test(to) : to.replace(/\D/g, '').endsWith(digits)
