import type { Machine, Source } from '@tembrix/core/things/model'
import type { Cover, Sourced, Sources } from '@tembrix/core/things/records'
import { heron15 as heronFifteen, kestrel, machine } from './machine'

/** A model in the demonstration shop's records. */
export interface DemoModel {
  machine: Machine
  sources: Sources
  openingMinutes: number
  covers: Cover[]
  cautions: string[]
  note?: string
}

function from(source: Source, note: string, ...parts: Sourced[]): Sources {
  const origin = { source, note, by: 'Mika', at: '2026-02-11T09:20:00.000Z' }
  return Object.fromEntries(parts.map((part) => [part, origin]))
}

const heron15 = heronFifteen()

export const DEMO_MODELS: DemoModel[] = [
  {
    machine: {
      ...heron15,
      slots: heron15.slots.map((slot, at) => ({
        ...slot,
        place: { left: 40, top: at === 0 ? 14 : 52, width: 52, height: 32 },
      })),
    },
    sources: {
      ...from('opened', 'job of last autumn', 'slots', 'soldered', 'order', 'formFactor'),
      ...from('manual', 'service booklet, page 12', 'totalGiB', 'slotGiB', 'generation'),
      ...from('readout', '', 'firmwareDataRate'),
    },
    openingMinutes: 12,
    covers: [
      {
        cover: 'bottom, ten screws, two long ones at the hinge',
        hides: 'both slots, battery plug',
      },
    ],
    cautions: [
      'Battery plug off before anything else is touched.',
      'Does not start with the first slot empty.',
    ],
  },
  {
    machine: kestrel(),
    sources: {
      ...from('lettering', '', 'slots', 'order'),
      ...from('manual', 'board manual, memory table', 'totalGiB', 'slotGiB', 'dataRates'),
      ...from('manual', 'spec sheet of the processor', 'syncCeiling', 'generation', 'profiles'),
    },
    openingMinutes: 5,
    covers: [{ cover: 'left side panel, two thumb screws', hides: 'all four slots' }],
    cautions: ['The cooler overhangs slot A1: low modules only.'],
  },
  {
    machine: machine('all-in-one-4', { name: 'Gannet 24 All-in-one' }),
    sources: from('manual', 'spec sheet', 'totalGiB', 'generation', 'formFactor'),
    openingMinutes: 10,
    covers: [
      { cover: 'hatch at the back, two screws', hides: 'all four slots' },
      { cover: 'the display, glued', hides: 'disk and power supply' },
    ],
    cautions: ['The display is glued and the power supply carries mains voltage: leave both shut.'],
  },
  {
    machine: machine('desktop-2', { name: 'Wagtail Mini Tower' }),
    sources: from('opened', '', 'slots', 'soldered'),
    openingMinutes: 6,
    covers: [{ cover: 'left side panel, one screw', hides: 'both slots behind the disk cage' }],
    cautions: [],
  },
]

/** The board maker's list of the demonstration, as the maker gives it away. */
export const DEMO_LIST = {
  model: 'Kestrel Tower',
  name: 'Kestrel memory list, 2nd edition',
  mapping: {
    headings: ['Order code', 'Kit', 'Module size', 'Slots tested', 'Speed'],
    columns: {
      article: 'Order code',
      kitSize: 'Kit',
      capacityGiB: 'Module size',
      slotsTested: 'Slots tested',
      dataRate: 'Speed',
    },
  },
} as const
