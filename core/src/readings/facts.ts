import type { Buffering, FormFactor, Generation, Source, Trust } from '../model'

/** A place in what was read: a line of text (from 1), bytes (from 0), or an item of a JSON list (from 0). */
export type Where = { line: number } | { byte: number; length: number } | { item: number }

/** A speed as far as it could be read; timings in clocks. */
export interface ReadSpeed {
  kind: 'standard'
  dataRate: number
  cl?: number
  trcd?: number
  trp?: number
  tras?: number
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
  speeds: ReadSpeed[]
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

/** What can be read about the machine. */
export interface MachineFigures {
  slotCount: number
  maximumGiB: number
  ecc: EccKind
}

export const ECC_KINDS = ['none', 'parity', 'single-bit', 'multi-bit', 'crc'] as const
export type EccKind = (typeof ECC_KINDS)[number]

type FactOf<Figures> = {
  [What in keyof Figures]: {
    what: What
    value: Figures[What]
    source: Source
    trust: Trust
    where: Where
  }
}[keyof Figures]

export type ModuleFact = FactOf<ModuleFigures>
export type MachineFact = FactOf<MachineFigures>

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
] as const
export type ProblemCode = (typeof PROBLEM_CODES)[number]

export interface Problem {
  code: ProblemCode
  where: Where | null
}
