import type { Setup } from './setup'

/** How a machine stands on the bench. */
export interface BenchState {
  /** Anything but shut down fully: asleep and hibernated count as running. */
  running: boolean
  /** The customer's own system runs, and not the setup or the shop's medium. */
  inSystem: boolean
  /** The last start came up: the setup can be reached. */
  starts: boolean
  /** A cable of it is plugged in. */
  plugged: boolean
  /** Whether a battery can still feed the board. */
  battery: 'none' | 'live' | 'off'
  /** The power button was held since the last power was cut. */
  drained: boolean
  /** Against static: a strap is on, bare metal was touched, or neither. */
  grounded: 'strap' | 'touch' | null
  /** It lies on its display. */
  lying: boolean
  /** How many of the removals on the way in are off, from the outermost. */
  opened: number
  /** Every seat was looked at since a module last moved. */
  seated: boolean
  /** A test passed since a module or a setting of the memory last changed. */
  tested: boolean
  /** The customer agreed that the test runs in their system. */
  riskAgreed: boolean
  /** The customer's drive is unplugged. */
  driveOut: boolean
  /** The setup holds its values: it was not cleared, or they were put back. */
  restored: boolean
}

/** A condition of the machine that a step needs. */
export type SafetyCondition =
  | 'off'
  | 'unplugged'
  | 'batteryOff'
  | 'drained'
  | 'grounded'
  | 'lying'
  | 'standing'
  | 'open'
  | 'closed'
  | 'seated'
  | 'startable'
  | 'unstrapped'
  | 'powered'
  | 'running'
  | 'testable'
  | 'tested'
  | 'restored'
  | 'driveIn'
  | 'inSystem'

export const MET: Record<SafetyCondition, (state: BenchState, setup: Setup) => boolean> = {
  off: ({ running }) => !running,
  unplugged: ({ plugged }) => !plugged,
  batteryOff: ({ battery }) => battery !== 'live',
  drained: ({ drained }) => drained,
  grounded: ({ grounded }) => grounded !== null,
  lying: ({ lying }, { laysDown }) => lying || !laysDown,
  standing: ({ lying }) => !lying,
  open: ({ opened }, { way }) => opened === way.length,
  closed: ({ opened }) => opened === 0,
  seated: ({ seated }) => seated,
  startable: ({ opened }, { mayStayOff }) => opened <= mayStayOff,
  unstrapped: ({ grounded }) => grounded !== 'strap',
  powered: ({ plugged }) => plugged,
  running: ({ running }) => running,
  testable: (state, { testFrom }) =>
    testFrom === 'medium' ||
    testFrom === 'setup' ||
    (testFrom === 'drive' && state.driveOut) ||
    (state.riskAgreed && state.inSystem),
  tested: ({ tested, riskAgreed }) => tested || riskAgreed,
  restored: ({ restored }) => restored,
  driveIn: ({ driveOut }) => !driveOut,
  inSystem: ({ running, inSystem }) => running && inSystem,
}
