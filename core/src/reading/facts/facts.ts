import type {
  Buffering,
  ErrorLog,
  FormFactor,
  Generation,
  ModuleTimes,
  SpeedKind,
  SystemBits,
} from '../../things/model'

/** A place in what was read: a line of text (from 1), or bytes (from 0). */
export type Where = { line: number } | { byte: number; length: number }

/** A speed as far as it could be read; data rate in MT/s, timings in clocks, a profile's own voltage in V. */
export interface ReadSpeed {
  kind: SpeedKind
  dataRate: number
  cl?: number
  trcd?: number
  trp?: number
  tras?: number
  voltage?: number
}

/** What can be read about a module. Capacity in GiB, density in Gbit, voltages in V, height in mm. */
export interface ModuleFigures {
  capacityGiB: number
  generation: Generation
  formFactor: FormFactor
  buffering: Buffering
  ecc: boolean
  ranks: number
  deviceWidth: number
  voltages: number[]
  /** The standard speed and the memory profiles, as far as they were read; either may be missing. */
  speeds: ReadSpeed[]
  /** The times behind the standard speed, where the contents hold them. */
  times: ModuleTimes
  /** How many such modules are packaged together. */
  kit: { size: number }
  dieGbit: number
  partNumber: string
  serial: string
  /** Four hexadecimal digits: the maker's bank and code. */
  makerCode: string
  /** The maker as a readout names it. */
  maker: string
  /** Year and week, as `2024-W07`. */
  madeWeek: string
  heightMm: number
}

export const ECC_KINDS = ['none', 'parity', 'single-bit', 'multi-bit', 'crc'] as const
export type EccKind = (typeof ECC_KINDS)[number]

/** Rate that a running system reports of a module: `configuredDataRate` in MT/s. */
export interface RunningRate {
  configuredDataRate: number
  /** Whether the printed figure was the data rate, the clock (half of it), or could be either. */
  clockOrRate: 'rate' | 'clock' | 'ambiguous'
  /** The figure as printed, and every data rate it may stand for. */
  printed: number
  readings: number[]
}

/** Figures of a running system: its memory in use, GiB, and its processor. */
export interface SystemFigures {
  totalGiB: number
  availableGiB: number
  /** The page file or swap space there is, and how much of it is in use. */
  pageFileGiB: number
  pageFileUsedGiB: number
  /** Whether the system sizes its page file itself. */
  pageFileAutomatic: boolean
  /** Memory that the system can use of what is installed. */
  usableGiB: number
  /** Width of the running system. */
  systemBits: SystemBits
  /** Hardware errors that it has logged. */
  errorLog: ErrorLog
  /** The processor's name. */
  processor: string
  /** Running memory as shown: its rate in MHz or MT/s, its CL, and the channels of 64 bits at work. */
  shownRate: number
  cl: number
  channels: number
}

/** What was wrong with an input, or could not be told from it. */
export const PROBLEM_CODES = [
  'NOTHING_READ',
  'NOT_A_LABEL',
  'CAPACITY_MISSING',
  'ORGANISATION_MISSING',
  'RATE_MISSING',
  'FORM_MISSING',
  'RATE_AMBIGUOUS',
  'RATE_UNKNOWN',
  'BIN_UNKNOWN',
  'TYPE_UNKNOWN',
  'DENSITY_NOT_MADE',
  'CAPACITY_NOT_MADE',
  'CONTRADICTS_ITSELF',
  'FORM_UNSUPPORTED',
  'TRUNCATED',
  'TRAILING_BYTES',
  'CHECKSUM_WRONG',
  'MEMORY_TYPE_UNKNOWN',
  'FIELD_UNKNOWN',
  'TABLE_BROKEN',
  'NO_MEMORY_IN_TABLE',
  'FIELD_NOT_UNDERSTOOD',
  'SUBCHANNELS_SEPARATE',
  'MALFORMED_JSON',
  'CUT_SHORT',
  'ROWS_MISSING',
  'LINE_NOT_UNDERSTOOD',
  'STANDARD_SPEED_OPEN',
  'KIT_SIZE_UNCLEAR',
  'PROFILE_FROM_EXTENSION',
  'PROFILE_UNREADABLE',
  'SECOND_CHECKSUM_WRONG',
  'UNEVEN_RANKS',
  'LETTERS_MENDED',
  'RIGHTS_MISSING',
  'WELL_FORMED_UNKNOWN',
] as const
export type ProblemCode = (typeof PROBLEM_CODES)[number]

export interface Problem {
  code: ProblemCode
  where: Where | null
}
