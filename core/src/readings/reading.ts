import { type Source, trustIn } from '../model'
import type {
  MachineFact,
  MachineFigures,
  ModuleFact,
  ModuleFigures,
  Problem,
  Where,
} from './facts'

export const FORMATS = [
  'label',
  'spd-ddr3',
  'spd-ddr4',
  'spd-ddr5',
  'smbios',
  'smbios-text',
  'cim-csv',
  'cim-json',
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
  /** Only where a checksum over the contents holds and nothing of them is missing. */
  verified: boolean
  source: Source
  /** Where the module is in the input, and where a figure is, if more can be said than that. */
  where: Where
  places: Readonly<Partial<Record<keyof ModuleFigures, Where>>>
}

/** What a readout says of the machine; `slotCount` counts soldered devices as well, as the tables do. */
export interface MachineReading extends Partial<MachineFigures> {
  /** Every slot the readout lists, with whether something is in it. */
  slots: (SlotName & { populated: boolean })[]
  places: Partial<Record<keyof MachineFigures, Where>>
}

export interface Reading {
  format: Format
  modules: ModuleReading[]
  machine: MachineReading | null
  problems: Problem[]
}

export function nothingRead(format: Format, ...problems: Problem[]): Reading {
  return { format, modules: [], machine: null, problems }
}

/** Shared by all modules of which no more is known than where they begin. */
const NO_PLACES = Object.freeze({})

export function emptyModule(source: Source, where: Where): ModuleReading {
  const places = NO_PLACES
  return { slot: null, module: {}, observed: null, verified: false, source, where, places }
}

export function emptyMachine(): MachineReading {
  return { slots: [], places: {} }
}

/** Notes a figure of a module being read; what is not known is left out. */
export function learn<What extends keyof ModuleFigures>(
  about: ModuleReading,
  what: What,
  value: ModuleFigures[What] | null | undefined,
  where?: Where,
): void {
  if (value === null || value === undefined) return
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
export function factsOf({ module, source, where, places }: ModuleReading): ModuleFact[] {
  const trust = trustIn(source, 'module')
  return Object.entries(module).map(([name, value]) => {
    const what = name as keyof ModuleFigures
    return { what, value, source, trust, where: places[what] ?? where } as ModuleFact
  })
}

/** The same of the machine. */
export function machineFactsOf({ places, ...machine }: MachineReading): MachineFact[] {
  const trust = trustIn('readout', 'machine')
  return Object.entries(places).map(([name, where]) => {
    const what = name as keyof MachineFigures
    return { what, value: machine[what], source: 'readout', trust, where } as MachineFact
  })
}
