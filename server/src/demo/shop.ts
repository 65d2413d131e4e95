import { STARTING_USES } from '@tembrix/core/judging/sizing'
import { STARTING_TERMS, type Terms } from '@tembrix/core/things/records'
import { THE_SHOP } from '../shop/settings'

const terms: Terms = {
  ...STARTING_TERMS,
  shopName: 'Tandem Lane Repairs',
  address: '7 Tandem Lane\nWheelbridge\n0555 0100',
  hourlyRate: 5400,
  depositPercent: 20,
  testHours: 4,
  warranty: { newParts: 24, usedParts: 12, work: 6 },
}

const OPEN = { from: '09:00', to: '17:30' }

/** The counter of a bicycle town, where computers are mended too. */
export const DEMO_SHOP = {
  id: THE_SHOP,
  uses: STARTING_USES,
  policy: 'balanced' as const,
  terms,
  hours: [OPEN, OPEN, OPEN, OPEN, OPEN, { from: '09:30', to: '13:00' }, null],
  people: [
    { id: '00000000-0000-4000-8000-000000000011', name: 'Mika', owner: true, bench: true },
    { id: '00000000-0000-4000-8000-000000000012', name: 'Rowan', owner: false, bench: true },
  ],
}
