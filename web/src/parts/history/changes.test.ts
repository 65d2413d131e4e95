import { expect, test } from 'vitest'
import { changesIn } from './changes'

const MODULE = '00000000-0000-4000-8000-000000000001'
const OTHER = '00000000-0000-4000-8000-000000000002'
const names = new Map([
  [MODULE, '8 GB DDR4-2400 SO-DIMM'],
  [OTHER, '16 GB DDR4-3200 SO-DIMM'],
])

test.each<[string, Record<string, object>, string[]]>([
  [
    'a module that was moved',
    { found: { A1: [{ moduleId: MODULE, unit: 0 }, 0, 0], A2: [{ moduleId: MODULE, unit: 0 }] } },
    [
      'What was found, A1: 8 GB DDR4-2400 SO-DIMM → nothing',
      'What was found, A2: nothing → 8 GB DDR4-2400 SO-DIMM',
    ],
  ],
  [
    'another module in a slot',
    { placement: { B1: { moduleId: [MODULE, OTHER] } } },
    ['Slots, B1: 8 GB DDR4-2400 SO-DIMM → 16 GB DDR4-3200 SO-DIMM'],
  ],
  [
    'what came with the machine',
    { accessories: { _t: 'a', 1: ['a mouse'], _0: ['a bag', 0, 0], _1: ['a charger', 0, 0] } },
    ['What came with it: “a mouse” added, “a bag” and “a charger” removed'],
  ],
  [
    'one thing of a list for another',
    { accessories: { _t: 'a', 0: ['a mouse'], _0: ['a bag', 0, 0] } },
    ['What came with it: “a bag” → “a mouse”'],
  ],
  [
    'what an old module is taken for',
    { credits: { [MODULE]: [1250, 1500] } },
    ['Credits, 8 GB DDR4-2400 SO-DIMM: €12.50 → €15.00'],
  ],
  [
    'a limit within the record of the machine',
    { machine: { limits: { totalGiB: [16, 32] } } },
    ['Slots and limits, in all: 16 GB → 32 GB'],
  ],
  [
    'a step at the bench, without who and when',
    { ticks: { 'SEAT A1': { state: ['skipped', 'done'], at: ['x', 'y'] } } },
    ['Steps, seat A1, state: left out → done'],
  ],
  [
    'what was chosen among a few, as it is chosen',
    {
      machine: { formFactor: ['DIMM', 'SODIMM'], fastening: ['latches', 'latch-one-end'] },
      login: ['none', 'kept'],
      uses: { _t: 'a', 0: ['new'] },
    },
    [
      'Slots and limits, form factor: DIMM → SO-DIMM',
      'Slots and limits, what holds the modules: latches, at one end or both → a latch at one end',
      'Getting into the system: asks for no password → a password is kept for this job',
      'What it is used for: “new” added',
    ],
  ],
  [
    'a serial number by its module',
    { serials: { [`${MODULE} 0`]: ['S-1'] } },
    ['Serial numbers, 8 GB DDR4-2400 SO-DIMM: nothing → “S-1”'],
  ],
  [
    'the hours of a day',
    {
      hours: {
        _t: 'a',
        _5: [{ from: '09:30', to: '14:00' }, 0, 0],
        5: [{ from: '10:00', to: '14:00' }],
      },
    },
    ['Opening hours, Saturday, from: “09:30” → “10:00”'],
  ],
  ['a paper that is kept', { document: [null, { shopName: 'Kestrel Row' }] }, []],
  ['what points at a record that is not at hand', { planId: [null, 'gone'] }, []],
])('%s', (_, changes, words) => {
  expect(changesIn({ changes: changes as never }, (id) => names.get(id))).toEqual(words)
})
