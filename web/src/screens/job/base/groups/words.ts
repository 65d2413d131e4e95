import type { CounterState, LikeMachine } from '@tembrix/core/things/records'

const STATE_WORDS: Record<CounterState, string> = {
  workshop: 'in the workshop',
  approval: 'waiting for approval',
  parts: 'waiting for parts',
  bench: 'on the bench',
  ready: 'ready',
  closed: 'collected',
}

/** Which machine it is, and how far. */
export const machineWords = ({ number, serialNumber, state }: LikeMachine): string =>
  `${serialNumber || `job ${number}`}, ${STATE_WORDS[state]}`
