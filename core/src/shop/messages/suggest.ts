import type { Message, MessageReason, NextAct } from '../../things/records'

/** What there is to write about where a job stands, by what was written before. */
export function reasonFor(
  act: NextAct | undefined,
  written: readonly Pick<Message, 'reason'>[],
): MessageReason {
  switch (act) {
    case 'GET_APPROVAL':
      return written.some(({ reason }) => reason === 'quote') ? 'reminder' : 'quote'
    case 'QUOTE_AGAIN':
      return 'reminder'
    case 'ORDER_PARTS':
    case 'AWAIT_PARTS':
    case 'CHASE_PARTS':
      return 'parts'
    case 'HAND_OVER':
    case 'COLLECT':
      return 'ready'
    default:
      return 'other'
  }
}
