import { expect, test } from 'vitest'
import { type EarlierVisit, stoodBySince } from '.'

const term = (until: string) => ({ months: 12, from: '2029-01-20', until })
const part = (changes: Partial<EarlierVisit['fitted'][number]>) => ({
  slot: 'A',
  text: '8 GB DDR4-2666',
  serial: '',
  state: 'new' as const,
  shop: term('2031-01-20'),
  makerUntil: '2034-01-20',
  ...changes,
})
const visit = (number: number, ...fitted: EarlierVisit['fitted']): EarlierVisit => ({
  jobId: crypto.randomUUID(),
  number,
  on: '2029-01-20',
  fitted,
})
const today = '2030-06-01'

test('what we fitted is under our warranty on the return visit, and its maker’s', () => {
  const visits = [visit(7, part({ serial: 'SHELF-77' }))]
  expect(stoodBySince(visits, { slot: 'B', serial: 'shelf 77' }, today)).toEqual({
    shop: '2031-01-20',
    maker: '2034-01-20',
    number: 7,
  })
})

test('another serial number in the slot is another module; without any, the slot tells', () => {
  const visits = [visit(7, part({ serial: 'SHELF-77' })), visit(3, part({ slot: 'B' }))]
  expect(stoodBySince(visits, { slot: 'A', serial: 'OTHER-1' }, today)).toBeNull()
  expect(stoodBySince(visits, { slot: 'A', serial: '' }, today)).toBeNull()
  expect(stoodBySince(visits, { slot: 'B', serial: '' }, today)?.number).toBe(3)
})

test('the latest visit counts; a term that is over stands for nothing; the customer’s own is nobody’s', () => {
  const visits = [
    visit(9, part({ serial: 'S1', shop: term('2030-01-20'), makerUntil: null })),
    visit(7, part({ serial: 'S1' })),
  ]
  expect(stoodBySince(visits, { slot: 'A', serial: 'S1' }, today)).toEqual({
    shop: null,
    maker: null,
    number: 9,
  })
  const own = [visit(7, part({ state: 'own', serial: 'S1' }))]
  expect(stoodBySince(own, { slot: 'A', serial: 'S1' }, today)).toBeNull()
})
