import { expect, test } from 'vitest'
import { STARTING_MACHINES } from '../../things/machines'
import {
  type Handover,
  type HandoverDocument,
  type JobFile,
  NOT_HANDED_OVER,
  NOTHING_SIZED,
  type Quote,
  JobFile as Schema,
  UNFITTED,
  UNVERIFIED,
} from '../../things/records'
import { withoutPerson } from '.'

const at = '2030-01-20T10:00:00.000Z'
const ID = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`
const stored = (n: number) => ({ id: ID(n), version: 1, createdAt: at, updatedAt: at })
const SECRET = 'Quillfeather'

const document: HandoverDocument = {
  shopName: 'Tandem Lane Repairs',
  address: '',
  customerName: SECRET,
  machineName: 'Heron 15',
  serialNumber: SECRET,
  on: '2030-01-20',
  sections: [{ section: 'asked', paragraphs: [`${SECRET} asked for more.`] }],
  board: [],
  runs: [],
  measured: [{ test: 'copy', before: '9', now: '18', change: '100 %', forecast: '' }],
  tests: [],
  setup: [],
  fitted: [{ slot: 'A', text: '8 GB', serial: SECRET, state: 'new', shop: null, makerUntil: null }],
  removed: [{ text: '4 GB', serial: SECRET, to: 'customer' }],
  work: null,
  currency: 'EUR',
  toPay: 9000,
  paid: 9000,
  accessories: [`bag of ${SECRET}`],
  open: [{ code: 'UNPAID', text: SECRET, reason: SECRET }],
}
const handover: Handover = {
  ...stored(5),
  jobId: ID(1),
  ...NOT_HANDED_OVER,
  wording: { asked: [[SECRET]] },
  returned: [SECRET],
  reasons: { UNPAID: SECRET },
  payments: [{ id: ID(6), amount: 9000, method: 'cash', at, by: 'Mika' }],
  signed: { name: SECRET, at, by: 'Mika', drawn: `data:image/png;base64,${SECRET}` },
  collected: { name: SECRET, at, by: 'Mika' },
  document,
}
const quote: Quote = {
  ...stored(7),
  jobId: ID(1),
  number: 1,
  options: [
    {
      id: ID(8),
      planId: ID(2),
      title: SECRET,
      wording: SECRET,
      minutes: null,
      credits: {},
      extras: [{ id: ID(9), text: SECRET, amount: 100 }],
    },
  ],
  depositPercent: null,
  validUntil: null,
  note: SECRET,
  offered: { at, by: 'Mika' },
  approval: { name: SECRET, optionId: ID(8), at, takenBy: 'Mika' },
  ended: { as: 'withdrawn', at, by: 'Mika', why: SECRET },
  document: {
    shopName: '',
    address: '',
    customerName: SECRET,
    machineName: 'Heron 15',
    currency: 'EUR',
    taxPercent: 20,
    pricesIncludeTax: true,
    validUntil: '2030-01-31',
    note: SECRET,
    returnTerms: '',
    options: [
      {
        id: ID(8),
        title: SECRET,
        wording: SECRET,
        lines: [{ kind: 'extra', text: SECRET, quantity: 1, amount: 100 }],
        net: 100,
        tax: 0,
        total: 100,
        credit: 0,
        toPay: 100,
        deposit: 0,
        placement: {},
        profile: false,
      },
    ],
  },
}

const file = {
  ...stored(1),
  number: 7,
  customerId: ID(3),
  machineId: ID(4),
  planId: ID(2),
  followsId: null,
  leadId: null,
  lead: null,
  machines: 1,
  complaint: SECRET,
  uses: SECRET,
  budget: 5000,
  dueOn: null,
  stage: 'closed',
  found: {},
  rulings: {},
  sizing: NOTHING_SIZED,
  policy: null,
  condition: SECRET,
  withoutWork: null,
  ownSettings: { found: true, what: SECRET },
  accessories: [SECRET],
  backup: 'made',
  login: 'customer',
  followUpOn: '2030-02-01',
  customer: { ...stored(3), name: SECRET, phone: SECRET, email: '', note: SECRET },
  machine: {
    ...stored(4),
    customerId: ID(3),
    serialNumber: SECRET,
    note: SECRET,
    machine: STARTING_MACHINES[0]?.machine,
    modelId: null,
    sources: {},
  },
  modules: [],
  readings: [{ name: SECRET }],
  photos: [{ caption: SECRET }],
  plans: [
    { ...stored(2), jobId: ID(1), name: SECRET, placement: null, profile: false, manual: null },
  ],
  quotes: [quote],
  fits: [
    {
      ...stored(1),
      jobId: ID(1),
      ...UNFITTED,
      note: SECRET,
      serials: { x: SECRET },
      replaced: [
        {
          id: ID(3),
          round: 1,
          slot: 'B',
          moduleId: ID(2),
          unit: 0,
          serial: SECRET,
          why: SECRET,
          at,
          by: 'Mika',
        },
      ],
      ticks: { open: { state: 'skipped', at, by: 'Mika', reason: SECRET } },
    },
  ],
  verifications: [{ ...stored(1), jobId: ID(1), ...UNVERIFIED, accepted: { speed: SECRET } }],
  handovers: [handover],
  claims: [
    {
      ...stored(9),
      jobId: ID(1),
      moduleId: ID(2),
      unit: 0,
      what: SECRET,
      invoice: 'D-1',
      reference: '',
      state: 'noted',
      text: '8 GB',
      slot: 'B',
      serial: SECRET,
      against: '',
      chaseOn: null,
      replacement: SECRET,
    },
  ],
  measurements: [],
  frames: [],
  messages: [{ text: SECRET }],
} as unknown as JobFile

test('nothing of the person is left, and what is left is a job still: its sums, its results', () => {
  const bare = withoutPerson(file)
  expect(JSON.stringify(bare)).not.toContain(SECRET)
  expect(Schema.safeParse(bare).error).toBeUndefined()
  expect(bare.handovers[0]?.document).toMatchObject({ toPay: 9000, measured: document.measured })
  expect(bare.handovers[0]?.payments).toEqual(handover.payments)
  expect(bare.quotes[0]?.document?.options[0]).toMatchObject({ toPay: 100 })
  expect(withoutPerson(bare)).toEqual(bare)
})
