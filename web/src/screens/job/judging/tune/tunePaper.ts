import {
  isCutShort,
  type LadderCase,
  type Tried,
  type TuneSettings,
} from '@tembrix/core/judging/tune'
import { deepEqual } from '@tembrix/core/things/model'
import { BESIDES, type TuneBesides } from '@tembrix/core/things/records'
import { CHOICES, day, speed, tidy, today } from '../../../../base/format'
import { code, type Paper, type PaperRow, strong } from '../../../../parts/papers'
import { BESIDE_WORDS } from './words'

interface About {
  shop: { shopName: string; address: string }
  number: number
  customerName: string
  machineName: string
  set: TuneSettings
  rated: TuneSettings
  /** The memory voltage of the profile it rests on, volts; null without one. */
  volts: number | null
  tried: readonly Tried[]
  besides: TuneBesides | null
  /** Minutes below which a test was cut short. */
  least: LadderCase['least']
}

/** What was set by hand, for the customer: the values, how they were tested, and the way back. */
export function tunePaper(about: About): Paper {
  const { shop, number, customerName, machineName, set, rated, volts, tried, besides, least } =
    about
  const memory =
    volts === null ? [] : [row('Memory voltage', `${tidy(volts)} V`, `${tidy(volts)} V`)]
  return {
    title: 'How your memory is set',
    file: `Job ${number} memory settings`,
    from: shop,
    about: [['for ', strong(customerName), ` · ${machineName}`]],
    beside: [['Job ', code(String(number))], day(today())],
    blocks: [
      {
        is: 'table',
        look: 'grid',
        columns: [
          { name: 'In the BIOS/UEFI setup', share: 2 },
          { name: 'as set by us', share: 1 },
          { name: 'as rated', share: 1 },
        ],
        rows: [
          ...ROWS.map(([name, of]) => row(name, of(set), of(rated))),
          ...memory,
          ...besideRows(besides),
        ],
      },
      {
        is: 'part',
        blocks: [
          { is: 'heading', text: 'How it was tested' },
          {
            is: 'list',
            items: tried
              .filter(({ settings }) => deepEqual(settings, set))
              .map((one) => testWords(one, isCutShort(one, least))),
          },
          {
            is: 'text',
            text: 'A test that passes shows that no error came in that time; it cannot show that none ever will.',
          },
        ],
      },
      {
        is: 'part',
        blocks: [
          { is: 'heading', text: 'If it ever becomes unsteady' },
          {
            is: 'text',
            text: 'Set the values as rated, or switch hand-set values off in the setup. If the computer no longer starts, bring it to us, or clear the setup as its maker describes, switched off and unplugged. A firmware update or a cleared setup turns these values off by itself; it then runs at what the firmware sets.',
          },
          {
            is: 'text',
            text: 'If the drive is encrypted, keep its recovery key at hand before anything in the setup is changed. The instructions of your computer’s maker come before this sheet.',
          },
        ],
      },
    ],
  }
}

/** Values beside speed and timings that were set, beside those that were found. */
const besideRows = (besides: TuneBesides | null): PaperRow[] =>
  BESIDES.flatMap((one) => {
    const noted = besides?.[one]
    if (!noted || noted.set === '' || noted.set === noted.found) return []
    return [row(BESIDE_WORDS[one].name, noted.set, noted.found || '–')]
  })

const row = (name: string, set: string, rated: string): PaperRow => ({
  cells: [name, [code(set)], rated],
})

const ROWS: readonly [string, (settings: TuneSettings) => string][] = [
  ['Speed', ({ dataRate }) => speed(dataRate)],
  ['CL', ({ timings }) => String(timings.cl)],
  ['tRCD', ({ timings }) => String(timings.trcd)],
  ['tRP', ({ timings }) => String(timings.trp)],
  ['tRAS', ({ timings }) => String(timings.tras)],
]

function testWords({ test, outcome, minutes }: Tried, isCut: boolean): string {
  const time = minutes >= 90 ? `${tidy(minutes / 60, 1)} hours` : `${tidy(minutes, 0)} minutes`
  const kind = test === 'long' ? 'soak' : 'short memory'
  return `A ${kind} test of ${time}: ${isCut ? 'cut short, so it tells nothing' : CHOICES.outcome[outcome]}.`
}
