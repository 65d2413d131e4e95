import { expect, test } from 'vitest'
import { type CounterState, type NextAct, NOTHING_SIZED, type Stage } from '../../things/records'
import type { PlannedPart } from '../orders'
import {
  type CounterFacts,
  canBeWorkedOn,
  counterFacts,
  counterStanding,
  dayGroup,
  inOrderOfWork,
} from '.'

const TODAY = '2030-02-10'
const NOTHING_BOUGHT = { units: 0, ordered: 0, here: 0, lastOn: null }
const job = (of: Partial<CounterFacts>): CounterFacts => ({
  stage: 'plan',
  asked: true,
  identified: true,
  sized: true,
  planned: false,
  supply: NOTHING_BOUGHT,
  quotes: [],
  fit: null,
  signed: false,
  collected: false,
  ...of,
})
const quote = (of: Partial<CounterFacts['quotes'][number]> = {}, number = 1) => ({
  number,
  validUntil: '2030-02-15',
  approved: false,
  ended: null,
  ...of,
})
const approved = [quote({ approved: true })]

test.each<[string, Partial<CounterFacts>, CounterState, NextAct]>([
  ['just taken in', { asked: false, identified: false, sized: false }, 'workshop', 'ASK'],
  ['asked, not identified', { identified: false, sized: false }, 'workshop', 'IDENTIFY'],
  ['identified, not sized', { sized: false }, 'workshop', 'SIZE'],
  ['sized', {}, 'workshop', 'PLAN'],
  ['planned', { planned: true }, 'workshop', 'OFFER'],
  ['a draft', { quotes: [quote({ validUntil: null })] }, 'workshop', 'OFFER'],
  ['offered', { quotes: [quote()] }, 'approval', 'GET_APPROVAL'],
  [
    'offered till yesterday',
    { quotes: [quote({ validUntil: '2030-02-09' })] },
    'approval',
    'QUOTE_AGAIN',
  ],
  ['declined', { quotes: [quote({ ended: 'declined' })] }, 'approval', 'QUOTE_AGAIN'],
  ['approved, all in the shop', { quotes: approved }, 'bench', 'FIT'],
  [
    'approved, from a supplier, one of two ordered',
    { quotes: approved, supply: { units: 2, ordered: 1, here: 0, lastOn: null } },
    'parts',
    'ORDER_PARTS',
  ],
  [
    'all ordered, one of two here',
    { quotes: approved, supply: { units: 2, ordered: 2, here: 1, lastOn: TODAY } },
    'parts',
    'AWAIT_PARTS',
  ],
  [
    'the last was to come yesterday',
    { quotes: approved, supply: { units: 2, ordered: 2, here: 1, lastOn: '2030-02-09' } },
    'parts',
    'CHASE_PARTS',
  ],
  [
    'all here',
    { quotes: approved, supply: { units: 2, ordered: 2, here: 2, lastOn: null } },
    'bench',
    'FIT',
  ],
  [
    'an approval with a later draft stands',
    { quotes: [...approved, quote({ validUntil: null }, 2)] },
    'bench',
    'FIT',
  ],
  [
    'begun',
    {
      quotes: approved,
      supply: { ...NOTHING_BOUGHT, units: 1 },
      fit: { begun: true, finished: false },
    },
    'bench',
    'FIT',
  ],
  ['fitted', { quotes: approved, fit: { begun: true, finished: true } }, 'bench', 'VERIFY'],
  [
    'verified',
    { stage: 'handover', quotes: approved, fit: { begun: true, finished: true } },
    'ready',
    'HAND_OVER',
  ],
  ['nothing was to be fitted', { stage: 'handover' }, 'ready', 'HAND_OVER'],
  ['signed', { stage: 'handover', signed: true }, 'ready', 'COLLECT'],
  ['collected', { stage: 'closed', signed: true, collected: true }, 'closed', 'NONE'],
])('%s', (_, of, state, act) => {
  expect(counterStanding(job(of), TODAY)).toEqual({ state, act })
})

test('late and due today come first, but not what is ready; then by what is due first', () => {
  const line = (
    number: number,
    state: CounterState,
    dueOn: string | null,
    stage: Stage = 'fit',
    followUpOn: string | null = null,
  ) => ({ number, state, dueOn, stage, followUpOn })
  const lines = [
    line(1, 'ready', '2030-02-01'),
    line(2, 'bench', null),
    line(3, 'bench', '2030-02-12'),
    line(4, 'approval', '2030-02-09'),
    line(5, 'parts', TODAY),
    line(6, 'workshop', '2030-02-11'),
    line(7, 'bench', null),
  ]
  expect(lines.map((one) => dayGroup(one, TODAY))).toEqual([
    'ready',
    'bench',
    'bench',
    'overdue',
    'today',
    'workshop',
    'bench',
  ])
  expect(inOrderOfWork(lines, TODAY).map(({ number }) => number)).toEqual([4, 5, 3, 2, 7, 6, 1])
  const closed = line(8, 'closed', '2030-02-01')
  expect(dayGroup(closed, TODAY)).toBeNull()
  const groups = ([state, due, ask]: readonly [CounterState, string | null, string]) =>
    dayGroup(line(9, state, due, 'fit', ask), TODAY)
  expect(
    (
      [
        ['approval', null, TODAY],
        ['ready', '2030-02-01', '2030-02-09'],
        ['approval', '2030-02-09', TODAY],
        ['approval', null, '2030-02-11'],
      ] as const
    ).map(groups),
  ).toEqual(['today', 'today', 'overdue', 'approval'])
})

const part = (place: PlannedPart['place'], dueOn: string | null = null): PlannedPart => ({
  slot: 'A',
  moduleId: 'm',
  unit: 0,
  place,
  ordered:
    place === 'on-its-way'
      ? {
          moduleId: 'm',
          unit: 0,
          pieceId: null,
          dueOn,
          order: { id: 'o', number: 1, supplier: '', sent: true },
          wrong: [],
        }
      : null,
})
const shown = (of: object = {}) =>
  ({
    stage: 'plan',
    complaint: '',
    uses: 'office',
    found: { A: { moduleId: 'own', unit: 0 } },
    sizing: { ...NOTHING_SIZED, wantedGiB: 16 },
    machine: { machine: { soldered: [] } },
    quotes: [],
    fits: [],
    handovers: [],
    ...of,
  }) as unknown as Parameters<typeof counterFacts>[0]

test('a job’s own page has the facts that the counter has', () => {
  const facts = counterFacts(shown(), null, [])
  expect(facts).toMatchObject({ asked: true, identified: true, sized: true, planned: false })
  const bare = counterFacts(shown({ uses: ' ', found: {}, sizing: NOTHING_SIZED }), {}, [])
  expect(bare).toMatchObject({ asked: false, identified: false, sized: false, planned: true })
})

test('of the parts only those of suppliers are awaited: to be ordered, on their way, here', () => {
  const places = ['machine', 'customer', 'shelf', 'here', 'to-order'] as const
  const { supply } = counterFacts(shown(), {}, [
    ...places.map((place) => part(place)),
    part('on-its-way', '2030-02-12'),
    part('on-its-way', '2030-02-11'),
  ])
  expect(supply).toEqual({ units: 4, ordered: 3, here: 1, lastOn: '2030-02-12' })
})

test('a job can be worked on unless it waits for somebody, for parts, or is done', () => {
  const states = ['workshop', 'approval', 'parts', 'bench', 'ready', 'closed'] as const
  expect(states.filter((state) => canBeWorkedOn({ state }))).toEqual(['workshop', 'bench'])
})
