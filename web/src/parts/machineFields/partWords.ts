import type { Machine, RatingRow, Slot } from '@tembrix/core/things/model'
import type { Sourced } from '@tembrix/core/things/records'
import { capacity, choiceWords } from '../../base/format'

export const PART_NAMES: Record<Sourced, string> = {
  generation: 'Generation',
  formFactor: 'Form factor',
  slots: 'Slots',
  soldered: 'Soldered memory',
  order: 'Filling order',
  totalGiB: 'Limit in all',
  slotGiB: 'Limit of a slot',
  dieGbit: 'Chip density',
  osGiB: 'What the system uses',
  systemBits: 'System',
  processor: 'Processor',
  dataRates: 'Speeds',
  firmwareDataRate: 'Firmware limit',
  interleave: 'Spread over channels',
  profiles: 'Memory profiles',
  syncCeiling: 'Synchronous up to',
  clocks: 'Clocks',
  fastening: 'What holds the modules',
  ecc: 'ECC',
  voltages: 'Voltages',
  refusesX4: 'Unbuffered ×4 modules',
}

/** A part of a machine's record in a few words. */
export function partInWords(part: Sourced, value: unknown): string {
  if (value === null || value === undefined) return 'none known'
  switch (part) {
    case 'slots':
      return (value as Pick<Machine, 'slots'>).slots.map(({ id }) => id).join(' ') || 'none'
    case 'order':
      return (value as Slot[])
        .filter(({ order }) => order !== null)
        .toSorted((a, b) => (a.order as number) - (b.order as number))
        .map(({ id }) => id)
        .join(', ')
    case 'soldered':
      return (
        (value as Machine['soldered'])
          .map(({ channel, module }) => `${capacity(module.capacityGiB)} on ${channel}`)
          .join(', ') || 'nothing'
      )
    case 'dataRates':
      return (value as RatingRow[])
        .map((row) => `${row.modulesPerChannel}×${row.ranks}R ${row.dataRate}`)
        .join(', ')
    case 'totalGiB':
    case 'slotGiB':
    case 'osGiB':
      return capacity(Number(value))
    case 'dieGbit':
      return `${value} Gbit`
    case 'firmwareDataRate':
    case 'syncCeiling':
      return `${value} MT/s`
    case 'systemBits':
      return `${value}-bit`
    case 'refusesX4':
      return value ? 'refused' : 'taken'
    case 'profiles':
      return value ? 'can be set' : 'cannot be set'
    case 'voltages':
      return `${(value as number[]).join(', ')} V`
    default:
      return choiceWords(part, String(value)) ?? String(value)
  }
}
