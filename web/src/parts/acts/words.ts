import type { NextAct } from '@tembrix/core/things/records'

/** What is to be done next, and the step where it is done or the place (`to`); none for a closed job. */
export const ACTS: Record<NextAct, { words: string; step: string | null; to?: string }> = {
  ASK: { words: 'Ask what it is for', step: 'intake' },
  IDENTIFY: { words: 'Identify the machine', step: 'identify' },
  SIZE: { words: 'Ask how much memory it needs', step: 'size' },
  PLAN: { words: 'Plan', step: 'plan' },
  OFFER: { words: 'Offer a quote', step: 'quote' },
  GET_APPROVAL: { words: 'Ring: is the quote approved?', step: 'quote' },
  QUOTE_AGAIN: { words: 'Quote again', step: 'quote' },
  ORDER_PARTS: { words: 'Order the parts', step: null, to: '/orders' },
  AWAIT_PARTS: { words: 'Parts are ordered', step: null, to: '/orders' },
  CHASE_PARTS: { words: 'Late: ask where the parts are', step: null, to: '/orders' },
  FIT: { words: 'Fit', step: 'fit' },
  VERIFY: { words: 'Verify', step: 'verify' },
  HAND_OVER: { words: 'Ring: it is ready', step: 'handover' },
  COLLECT: { words: 'Signed: to be collected', step: 'handover' },
  NONE: { words: '–', step: null },
}
