import type { TestConditions } from '@tembrix/core/bench/measure'
import type { Work } from '@tembrix/core/judging/forecast'
import type { ChosenUse, Level } from '@tembrix/core/judging/sizing'
import type { Configuration, Machine } from '@tembrix/core/things/model'
import type {
  ClaimState,
  Sizing,
  Stage,
  TwoChanges,
  Verification,
} from '@tembrix/core/things/records'
import type { ArticleName } from '../shop/supplier'
import { heron, heron15, kestrel, machine } from './machine'
import { ALL_IN_ONE, LAPTOP, OLD_LAPTOP_LABEL } from './readouts'

/** A job of the demonstration. Slots name the customer's modules, or the shop's as `shelf:` or `supplier:`. */
export interface DemoJob {
  customer: { name: string; phone: string; email?: string; note?: string }
  machine: Machine
  serialNumber?: string
  note?: string
  complaint: string
  uses: string
  accessories?: string[]
  /** The quote was given to the customer, who has not said yet. */
  offered?: true
  /** So many machines more like it, by their serial numbers. */
  like?: string[]
  /** When the customer is asked again, days from today. */
  askAgain?: number
  /** A fitted module, by its slot, that turned out bad after it was handed over. */
  claim?: { slot: string; what: string; invoice: string; state: ClaimState }
  /** The work at the bench has begun. */
  begun?: true
  budget?: number
  stage: Stage
  /** Days from today; past ones are negative. */
  due?: number
  changed: number
  found: Record<string, ArticleName>
  planned?: Record<string, `own:${string}` | `shelf:${ArticleName}` | `supplier:${ArticleName}`>
  profile?: boolean
  /** Further plans kept beside the first. */
  beside?: { name: string; planned: NonNullable<DemoJob['planned']>; profile?: boolean }[]
  /** What the need rests on; what is left out is not known. */
  sizing?: Partial<Sizing>
  /** What was seen after fitting; what is left out nobody looked at. */
  seen?: Partial<Verification['seen']>
  /** The two changes it is made of, where they were measured one by one. */
  changes?: TwoChanges
  /** Runs by test and configuration. */
  measured?: {
    test: string
    unit: string
    better: 'higher' | 'lower'
    bandwidth?: 'copy'
    work?: Work
    conditions?: TestConditions
    /** Session by session. */
    runs: Partial<Record<Configuration, number[][]>>
  }[]
  /** Something whose frames were logged so many times before and after. */
  frames?: { test: string; logs: number }
  /** What was read on it, by name. */
  read?: Record<string, string>
}

const use = (id: string, level: Level, weight: number, atOnce = true): ChosenUse => ({
  use: id,
  level,
  weight,
  together: atOnce ? 'at once' : null,
})

const oldLaptop: Machine = (() => {
  const base = heron('Heron 14, third series')
  return {
    ...base,
    generation: 'DDR3',
    voltages: [1.35],
    limits: {
      ...base.limits,
      totalGiB: 16,
      slotGiB: 8,
      dieGbit: 4,
      osGiB: 4,
      firmwareDataRate: null,
      dataRates: [{ modulesPerChannel: 1, ranks: 1, dataRate: 1600 }],
    },
  }
})()

export const DEMO_JOBS: DemoJob[] = [
  {
    customer: { name: 'Ottoline Varga', phone: '0555 0142', email: 'ottoline@orchard.example' },
    machine: heron15(),
    serialNumber: 'H15-20817',
    complaint: 'Flying through the model of the orchard jerks; so do the evening’s games.',
    uses: 'Terrain model of the orchard, light games, browser. Should serve three more years.',
    budget: 14000,
    stage: 'plan',
    due: 2,
    changed: 0.1,
    found: { A: 'laptop16' },
    planned: { A: 'own:A', B: 'shelf:laptop16' },
    sizing: {
      uses: [use('drawing', 'light', 40), use('games', 'light', 30), use('browsing', 'light', 30)],
      integratedGraphics: true,
      disk: 'solid-state',
      slow: ['pictures'],
      years: 3,
      log: {
        name: 'orchard-evening.csv',
        installedGiB: 16,
        count: 690,
        spanSeconds: 10_335,
        peakGiB: 9.6,
        p99GiB: 9.1,
        tightShare: 0,
        cutOff: false,
        pagingShare: null,
      },
    },
    read: { 'listing of the running system': LAPTOP },
  },
  {
    customer: { name: 'Choir of Saint Aldwin', phone: '0555 0177', note: 'Ask for the librarian.' },
    machine: kestrel(),
    complaint: 'Loading the audio library takes minutes; sometimes a project does not open at all.',
    uses: 'Recording and cutting the choir, large sample libraries, two programs at once.',
    budget: 28000,
    stage: 'quote',
    due: 4,
    changed: 1,
    sizing: {
      uses: [
        use('audio', 'heavy', 70),
        use('browsing', 'light', 10),
        use('office', 'usual', 20, false),
      ],
      disk: 'solid-state',
      slow: ['opening', 'crashing'],
    },
    found: { A2: 'five16', B2: 'five16' },
    planned: { A2: 'supplier:five32fast', B2: 'supplier:five32fast' },
    profile: true,
    beside: [
      {
        name: 'Own kept, two added',
        planned: {
          A1: 'supplier:five16',
          A2: 'own:A2',
          B1: 'supplier:five16',
          B2: 'own:B2',
        },
      },
    ],
  },
  {
    customer: { name: 'Bram Ketteler', phone: '0555 0119' },
    machine: machine('laptop-soldered-1', { name: 'Dunlin 13 Slim' }),
    complaint: 'Nesting the patterns on the cloth stops for seconds at a time.',
    uses: 'Tailor’s pattern cutting, orders by e-mail.',
    budget: 8000,
    stage: 'plan',
    due: 1,
    changed: 0.3,
    sizing: {
      uses: [use('drawing', 'light', 60), use('office', 'usual', 30), use('browsing', 'light', 10)],
      integratedGraphics: true,
      disk: 'solid-state',
    },
    found: { SLOT: 'laptop4' },
    planned: { SLOT: 'supplier:laptop16' },
  },
  {
    customer: { name: 'Ines Morrow', phone: '0555 0108' },
    machine: machine('laptop-soldered', { name: 'Tern 12' }),
    complaint: 'Too slow with many browser tabs. Hopes for more memory.',
    uses: 'Browsing, video calls.',
    stage: 'identify',
    changed: 0.5,
    found: {},
  },
  {
    customer: { name: 'Tobias Wren', phone: '0555 0163' },
    machine: kestrel(),
    note: 'Brought a third stick along and fitted it himself.',
    complaint: 'Slower since a third module went in.',
    uses: 'Games, some video cutting.',
    stage: 'plan',
    due: -1,
    changed: 2,
    sizing: {
      uses: [use('games', 'heavy', 80), use('video', 'light', 20, false)],
      integratedGraphics: true,
      disk: 'solid-state',
      slow: ['pictures'],
    },
    found: { A1: 'five8', A2: 'five16', B2: 'five16' },
  },
  {
    customer: { name: 'Cornelia Ashby', phone: '0555 0190' },
    machine: machine('all-in-one-4', { name: 'Gannet 24 All-in-one' }),
    note: 'The hatch at the back opens with two screws.',
    complaint: 'The pottery’s shop runs on it and it freezes at the till.',
    uses: 'Till, stock list, music.',
    budget: 6000,
    stage: 'identify',
    due: 3,
    changed: 0.8,
    found: { A0: 'laptop4' },
    read: { 'listing of the running system': ALL_IN_ONE },
  },
  {
    customer: { name: 'Yusuf Adair', phone: '0555 0133' },
    machine: machine('workstation-8', { name: 'Albatross W8' }),
    complaint: 'Renders of large models run out of memory.',
    uses: 'Bridge models, simulation overnight.',
    budget: 90000,
    stage: 'fit',
    due: 0,
    changed: 0.2,
    sizing: {
      uses: [use('drawing', 'heavy', 60), use('machines', 'usual', 40)],
      disk: 'solid-state',
      slow: ['crashing', 'long-work'],
    },
    found: { A1: 'server16', C1: 'server16' },
    planned: {
      A1: 'supplier:server32',
      B1: 'supplier:server32',
      C1: 'supplier:server32',
      D1: 'supplier:server32',
    },
  },
  {
    customer: { name: 'Petra Lindgard', phone: '0555 0185' },
    machine: machine('desktop-2', { name: 'Wagtail Mini Tower' }),
    note: 'Spinning disk. Peak use over two days: 3.1 GB of 8. A solid-state disk is the better spend.',
    complaint: 'Takes ages to start. Asked for 32 GB.',
    uses: 'Letters, browser, photos of the grandchildren.',
    budget: 12000,
    stage: 'size',
    due: 5,
    changed: 3,
    sizing: {
      uses: [
        use('office', 'usual', 40),
        use('browsing', 'light', 40),
        use('photos', 'light', 20, false),
      ],
      disk: 'spinning',
      slow: ['starting', 'opening'],
      log: {
        name: 'two-days.csv',
        installedGiB: 8,
        count: 5760,
        spanSeconds: 172_770,
        peakGiB: 3.1,
        p99GiB: 2.9,
        tightShare: 0,
        cutOff: false,
        pagingShare: null,
      },
    },
    found: { A1: 'desktop4', B1: 'desktop4' },
  },
  {
    customer: { name: 'Marlo Quince', phone: '0555 0151' },
    machine: machine('desktop-2', { name: 'Wagtail Mini Tower' }),
    note: 'After the upgrade 16 of 32 GB are seen. Seat, slot or stick still to be told apart.',
    complaint: 'Beehive records and cameras; upgrade done, half of it missing.',
    uses: 'Four cameras recording, spreadsheets.',
    stage: 'verify',
    due: -2,
    changed: 0.4,
    found: { A1: 'desktop8', B1: 'desktop8' },
    planned: { A1: 'supplier:desktop16kit', B1: 'supplier:desktop16kit' },
    seen: { totalGiB: 16, slots: { A1: 16, B1: 0 }, rate: 1333 },
  },
  {
    customer: { name: 'Saskia Thornbury', phone: '0555 0127' },
    machine: oldLaptop,
    note: '32-bit system: it uses about 4 GB, whatever is fitted.',
    complaint: 'Would like to keep the old machine for the archive scanner.',
    uses: 'Scanner software from long ago.',
    stage: 'intake',
    changed: 0.05,
    found: {},
    read: { 'label, typed': OLD_LAPTOP_LABEL },
  },
  {
    customer: { name: 'Emil Farrow', phone: '0555 0170' },
    machine: heron15(),
    serialNumber: 'H15-19044',
    changes: { first: 'larger modules', second: 'two instead of one' },
    sizing: {
      uses: [use('photos', 'light', 80), use('office', 'light', 20)],
      disk: 'solid-state',
      slow: ['long-work'],
    },
    frames: { test: 'Photo wall scrolled', logs: 6 },
    measured: [
      {
        test: 'Copy bandwidth',
        unit: 'GB/s',
        better: 'higher',
        bandwidth: 'copy',
        runs: {
          before: [
            [13.2, 13.9, 14.1, 13.8, 14.0],
            [13.1, 14.1, 14.2, 14.0, 14.2],
          ],
          first: [[14.2, 14.0, 14.3, 14.1, 13.9]],
          second: [[25.6, 25.9, 25.4, 25.8, 25.5]],
          after: [
            [26.1, 25.7, 26.4, 26.0, 26.3],
            [25.8, 25.6, 26.0, 25.7, 25.9],
          ],
        },
      },
      {
        test: 'Photo export',
        unit: 's',
        better: 'lower',
        work: 'photos',
        conditions: { power: 'mains, balanced', running: 'nothing' },
        runs: {
          before: [
            [212, 209, 215, 211, 214],
            [210, 213, 211, 212, 209],
          ],
          first: [[210, 207, 213, 211, 209]],
          second: [[203, 202, 206, 204, 201]],
          after: [
            [200, 198, 203, 199, 201],
            [201, 199, 198, 202, 200],
          ],
        },
      },
      {
        test: 'Letter opened',
        unit: 's',
        better: 'lower',
        work: 'office',
        runs: {
          before: [
            [1.42, 1.39, 1.41, 1.4, 1.41],
            [1.4, 1.41, 1.4, 1.39, 1.4],
            [1.41, 1.4, 1.42, 1.4, 1.41],
          ],
          after: [
            [1.4, 1.41, 1.39, 1.41, 1.4],
            [1.41, 1.4, 1.4, 1.42, 1.4],
            [1.4, 1.4, 1.41, 1.39, 1.4],
          ],
        },
      },
    ],
    seen: { totalGiB: 32, slots: { A: 16, B: 16 }, rate: 2666, ways: 2 },
    complaint: 'Photo export slow.',
    uses: 'Photo catalogue at night.',
    accessories: ['charger', 'sleeve'],
    stage: 'handover',
    due: 0,
    changed: 0.6,
    found: { A: 'laptop8' },
    planned: { A: 'supplier:laptop16kit', B: 'supplier:laptop16kit' },
  },
  {
    customer: { name: 'Juno Castell', phone: '0555 0156' },
    machine: heron('Heron 14'),
    complaint: 'The weaving patterns take for ever to redraw.',
    uses: 'A pattern program, browser, music beside it.',
    budget: 9000,
    stage: 'quote',
    offered: true,
    due: 6,
    changed: 0.7,
    found: { A: 'laptop4' },
    planned: { A: 'supplier:laptop8', B: 'supplier:laptop8' },
    askAgain: 2,
  },
  {
    customer: { name: 'Abel Norcott', phone: '0555 0161' },
    machine: machine('desktop-2', { name: 'Wagtail Mini Tower' }),
    complaint: 'The parish map has become too large for its memory.',
    uses: 'Maps, spreadsheets.',
    budget: 15000,
    stage: 'fit',
    accessories: ['power lead'],
    due: 4,
    changed: 0.9,
    found: { A1: 'desktop4', B1: 'desktop4' },
    planned: { A1: 'supplier:desktop16kit', B1: 'supplier:desktop16kit' },
  },
  {
    customer: { name: 'Isobel Tansley', phone: '0555 0189' },
    machine: heron('Heron 14'),
    complaint: 'Stops when the accounts and the mail are open.',
    uses: 'Accounts, e-mail.',
    stage: 'fit',
    begun: true,
    due: 1,
    changed: 0.1,
    found: { A: 'laptop4' },
    planned: { A: 'own:A', B: 'supplier:laptop8' },
  },
  {
    customer: { name: 'Greta Hallow', phone: '0555 0114' },
    machine: kestrel(),
    complaint: 'Profile on, but the rate is the base rate.',
    uses: 'Compiling.',
    stage: 'closed',
    changed: 21,
    found: { A2: 'five16', B2: 'five16' },
    planned: { A2: 'supplier:five16fast', B2: 'supplier:five16fast' },
    profile: true,
  },
  {
    customer: { name: 'Anselm Doyley', phone: '0555 0196' },
    machine: heron('Heron 14'),
    complaint: 'Two tabs and it stops.',
    uses: 'Village newsletter.',
    stage: 'closed',
    changed: 34,
    found: { A: 'laptop4' },
    claim: {
      slot: 'B',
      what: 'Does not start every third time with it; starts every time without it.',
      invoice: 'R-2210',
      state: 'sent',
    },
    planned: { A: 'supplier:laptop8', B: 'supplier:laptop8' },
  },
  {
    customer: {
      name: 'Wheelbridge Reading Room',
      phone: '0555 0172',
      email: 'desk@readingroom.example',
    },
    machine: machine('desktop-2', { name: 'Wagtail Mini Tower' }),
    serialNumber: 'WR-01',
    complaint: 'Six public machines, all too slow with the catalogue and a browser open.',
    uses: 'Catalogue, browser, forms.',
    stage: 'fit',
    due: 6,
    changed: 0.6,
    found: { A1: 'desktop4' },
    planned: { A1: 'supplier:desktop8', B1: 'supplier:desktop8' },
    like: ['WR-02', 'WR-03', 'WR-04', 'WR-05', 'WR-06'],
  },
]
