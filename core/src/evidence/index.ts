export { agree, type Claim, type Entry, isKept, plainValue } from './claims'
export { type Completed, complete } from './complete'
export { DISPUTE_CODES, type Dispute, type DisputeCode, type Option } from './disputes'
export { seatsOf } from './seats'
export { isOfMachine, settled } from './settle'
export { UNKNOWN_CODES, type Unknown, type UnknownCode } from './unknown'
export {
  type Case,
  type Evidence,
  type Input,
  type Loose,
  type SlotEvidence,
  weigh,
} from './weigh'
