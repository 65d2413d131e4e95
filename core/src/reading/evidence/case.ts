import type { Recorded } from '../../things/machines'
import type { Source } from '../../things/model'
import type { Rulings } from '../../things/records'
import type { Observation, Reading, RunningRate, Subject, SystemFigures } from '../facts'
import type { Belief } from './believe'
import type { Believable, Plain } from './meaning'
import type { MadeModule } from './moduleBelieved'

/** An input of the job: what it gave, and the slots a person gave its modules. */
export interface Input {
  id: string
  reading: Reading
  /** By the module's place in the reading; a further piece of a kit as `0.1`. Null: none of this machine's. */
  seats: Readonly<Record<string, string | null>>
}

/** All that is known on a job: the record with its sources, what was read, and what was settled. */
export interface EvidenceCase extends Recorded {
  inputs: readonly Input[]
  rulings: Rulings
  /** Slots that hold a module on the board already, whoever put it there. */
  filled?: readonly string[]
  /** What the machine as found should run at (MT/s), so that a lower rate that this explains is no contradiction. */
  runsAt: number | null
}

/** How a module was seen to run, and in which reading: the rate, and the voltage (V) where it is said. */
export interface SeenRunning {
  input: string
  rate: RunningRate | null
  volts: number | null
}

export interface SlotEvidence {
  slot: string
  beliefs: Belief[]
  /** The module as all of it together says; null where that makes none yet. */
  made: MadeModule | null
  running: SeenRunning | null
  /** Whether it was seen by contents whose checksum holds. */
  verified: boolean
}

/** A module that was read without saying which slot it is in. */
export interface Loose {
  input: string
  /** What `Input.seats` names it by. */
  key: string
  about: Subject
  made: MadeModule | null
  running: SeenRunning | null
  /** The slots it may be in: of a reported one by its channel, and not those known to be empty; of one in the hand all, the likelier first. */
  slots: string[]
}

/** Modules of one reading that are in some of these slots, and nothing tells which. */
export interface SlotQuestion {
  input: string
  keys: string[]
  slots: string[]
  /** Whether the modules are alike, so that it does not matter which is in which. */
  alike: boolean
}

/** What is known of a slot's filling: seen with a module, said to be empty, or nobody has said. */
export type SlotState = 'filled' | 'empty' | 'unknown'

export const DISPUTE_CODES = [
  'SLOT_EMPTY',
  'SLOT_COUNT',
  'SOLDERED',
  'MAXIMUM',
  'MODULE_NOT_OF_MACHINE',
  'MODULE_FIGURE',
  'RATE_OR_CLOCK',
  'RATED_AGAINST_CONFIGURED',
  'LABEL_DENSITY',
] as const
export type DisputeCode = (typeof DISPUTE_CODES)[number]

/** One possible truth, and who says so. */
export interface PossibleValue {
  value: Plain
  claims: Observation[]
}

/** A contradiction to settle: what may be true, and the ways to find out, the best first. */
export interface Dispute {
  code: DisputeCode
  /** What a ruling on it is kept under. */
  key: string
  subject: string
  what: Believable | 'configured' | 'empty'
  options: PossibleValue[]
  ways: Source[]
  where: { input: string; where: Observation['where'] } | null
}

export const UNKNOWN_CODES = [
  'GENERATION',
  'SLOT_COUNT',
  'SOLDERED',
  'CONTENT_OF_SLOTS',
  'LOOSE_MODULE',
  'MODULE_FORM',
  'MODULE_CAPACITY',
  'MODULE_FIGURES',
  'STANDARD_SPEED',
  'TOTAL_LIMIT',
  'SLOT_LIMIT',
  'RATES',
  'FILLING_ORDER',
  'FIRMWARE',
  'VOLTAGE',
  'SYSTEM_WIDTH',
  'SYSTEM_USES_LESS',
] as const
export type UnknownCode = (typeof UNKNOWN_CODES)[number]

/** Something the plan needs and nobody has made sure of; `what` names the figures or slots. */
export interface Unknown {
  code: UnknownCode
  what: string[]
}

export interface Evidence {
  machine: Belief[]
  slots: SlotEvidence[]
  states: Record<string, SlotState>
  /** Slots that a report calls empty and a label or contents call filled: nothing goes into them unasked. */
  contested: string[]
  loose: Loose[]
  questions: SlotQuestion[]
  soldered: Subject[]
  /** The letter and number of every slot, where a report that lists them all has such names. */
  lettering: string[]
  system: Partial<SystemFigures> | null
  disputes: Dispute[]
  unknown: Unknown[]
}
