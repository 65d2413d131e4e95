import { type Source, trustIn } from '../../things/model'
import type { Fact, MachineFigures, ModuleFigures, Problem, Where } from './facts'
import { realSerial } from './tradeWords'

export const FORMATS = [
  'label',
  'spd-ddr3',
  'spd-ddr4',
  'spd-ddr5',
  'smbios',
  'smbios-text',
  'cim-csv',
  'cim-json',
  'cim-list',
  'cim-table',
  'hardware-tree',
  'decoded',
  'page',
  'clocks',
  'system',
  'mixed',
  'unknown',
] as const
export type Format = (typeof FORMATS)[number]

/** A slot as a readout names it; `channel` (A, B …) and `number` where they can be told from the name. */
export interface SlotName {
  locator: string
  bank: string | null
  channel: string | null
  number: number | null
}

/** What a running system says about the rate: `configuredDataRate` in MT/s. */
export interface Observed {
  configuredDataRate: number
  /** Whether the printed figure was the data rate, the clock (half of it), or could be either. */
  clockOrRate: 'rate' | 'clock' | 'ambiguous'
  /** The figure as printed, and every data rate it may stand for. */
  printed: number
  readings: number[]
}

export interface ModuleReading {
  slot: SlotName | null
  module: Partial<ModuleFigures>
  observed: Observed | null
  /** What it runs on as found, V. */
  observedVolts: number | null
  /** Only where a checksum over the contents holds and nothing of them is missing. */
  verified: boolean
  source: Source
  /** Where the module is in the input, and where a figure is, if more can be said than that. */
  where: Where
  /** Figures that a wrong checksum leaves unverified though the rest holds. */
  unverified: readonly (keyof ModuleFigures)[]
  places: Readonly<Partial<Record<keyof ModuleFigures, Where>>>
}

/** What a readout says of the machine; `slotCount` counts soldered devices as well, as the tables do. */
export interface MachineReading extends Partial<MachineFigures> {
  /** Where it is from: a report of the running machine where nothing is said. */
  source?: Source
  /** Every slot the readout lists, with whether something is in it. */
  slots: (SlotName & { populated: boolean })[]
  places: Partial<Record<keyof MachineFigures, Where>>
}

/** Figures of a running system: its memory in use, GiB, and its processor; left out where it does not say. */
export interface SystemReading {
  totalGiB?: number
  availableGiB?: number
  /** The page file or swap space there is, and how much of it is in use. */
  pageFileGiB?: number
  pageFileUsedGiB?: number
  /** Whether the system sizes its page file itself. */
  pageFileAutomatic?: boolean
  /** The processor's name. */
  processor?: string
  /** Running memory as shown: its rate in MHz or MT/s, its CL, and the channels of 64 bits at work. */
  shownRate?: number
  cl?: number
  channels?: number
}

/** A stretch of lines (from 1, both included) and what it was taken for; `unknown` for what nothing was read from. */
export interface Part {
  format: Format
  from: number
  to: number
}

export interface Reading {
  format: Format
  modules: ModuleReading[]
  machine: MachineReading | null
  system: SystemReading | null
  problems: Problem[]
  /** Of a text: all its lines but blank ones. */
  parts: Part[]
}

/** What one print form gave, before it is put beside the others of a text. */
export type PartReading = Pick<Reading, 'format' | 'modules' | 'machine' | 'problems'> & {
  system?: SystemReading | null
}

export function nothingRead(format: Format, ...problems: Problem[]): Reading {
  return wholeReading({ format, modules: [], machine: null, problems })
}

/** The reading of an input that is all of one form. */
export function wholeReading(part: PartReading, parts: Part[] = []): Reading {
  return { ...part, system: part.system ?? null, parts }
}

/** Shared by all modules of which no more is known than where they begin. */
const NO_PLACES = Object.freeze({})
const NONE: readonly [] = Object.freeze([]) as readonly []

export function emptyModule(source: Source, where: Where): ModuleReading {
  return {
    slot: null,
    module: {},
    observed: null,
    observedVolts: null,
    verified: false,
    source,
    where,
    unverified: NONE,
    places: NO_PLACES,
  }
}

export function emptyMachine(): MachineReading {
  return { slots: [], places: {} }
}

/** Notes a figure of a module being read; what is not known is left out, and so is a serial number that is none. */
export function learn<What extends keyof ModuleFigures>(
  about: ModuleReading,
  what: What,
  value: ModuleFigures[What] | null | undefined,
  where?: Where,
): void {
  if (value === null || value === undefined) return
  if (what === 'serial' && realSerial(value as string) === undefined) return
  about.module[what] = value
  if (!where) return
  if (about.places === NO_PLACES) about.places = {}
  ;(about.places as Partial<Record<What, Where>>)[what] = where
}

/** Notes a figure of a machine being read. */
export function learnMachine<What extends keyof MachineFigures>(
  about: MachineReading,
  what: What,
  value: MachineFigures[What] | null | undefined,
  where: Where,
): void {
  if (value === null || value === undefined) return
  about[what] = value as never
  about.places[what] = where
}

/** What was read about a module as facts, each with its source, trust and place in the input. */
export function factsOf({ module, source, where, places, unverified }: ModuleReading): Fact[] {
  return Object.entries(module).map(([name, value]) => {
    const what = name as keyof ModuleFigures
    const from = unverified.includes(what) ? 'unverified-contents' : source
    return {
      what,
      value,
      source: from,
      trust: trustIn(from, 'module'),
      where: places[what] ?? where,
    } as Fact
  })
}
