/** Where a job stands, in order. */
export const STAGES = [
  'intake',
  'identify',
  'size',
  'plan',
  'quote',
  'fit',
  'verify',
  'handover',
  'closed',
] as const

/** Where a job is: being looked at and planned, waiting for a yes or for parts, at the bench, ready, or gone. */
export const COUNTER_STATES = ['workshop', 'approval', 'parts', 'bench', 'ready', 'closed'] as const
export type CounterState = (typeof COUNTER_STATES)[number]

export const NEXT_ACTS = [
  'ASK',
  'IDENTIFY',
  'SIZE',
  'PLAN',
  'OFFER',
  'GET_APPROVAL',
  'QUOTE_AGAIN',
  'ORDER_PARTS',
  'AWAIT_PARTS',
  'CHASE_PARTS',
  'FIT',
  'VERIFY',
  'HAND_OVER',
  'COLLECT',
  'NONE',
] as const
export type NextAct = (typeof NEXT_ACTS)[number]
