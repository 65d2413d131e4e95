import { expect, test } from 'vitest'
import { fittedEver, openAfter, toChase, type Visit } from '.'

type Signed = NonNullable<Visit['signed']>

const part = (of: Partial<Signed['fitted'][number]> = {}): Signed['fitted'][number] => ({
  slot: 'B',
  text: '8 GB',
  serial: 'S-1',
  state: 'new',
  shop: { months: 24, from: '2029-01-10', until: '2031-01-10' },
  makerUntil: null,
  ...of,
})
const visit = (number: number, fitted: Signed['fitted'] | null, machineId = 'm'): Visit =>
  ({
    job: { number },
    machineId,
    signed: fitted && { on: '2029-01-10', fitted, removed: [], measured: [], open: [] },
    claims: [],
  }) as unknown as Visit

test('modules fitted at any visit are told with their warranty; what the customer had is not ours', () => {
  const all = fittedEver([visit(1, [part(), part({ slot: 'A', state: 'stayed' })])], '2030-02-02')
  expect(all).toMatchObject([
    { part: { slot: 'B' }, by: { shop: '2031-01-10', maker: null }, outSince: null },
  ])
  expect(fittedEver([visit(1, [part()])], '2031-01-11')[0]?.by.shop).toBeNull()
})

test('a module is out since a later visit of the same machine put another into its slot', () => {
  const [second, first] = fittedEver([visit(2, [part({ serial: 'S-2' })]), visit(1, [part()])], '')
  expect([second?.outSince, first?.outSince]).toEqual([null, 2])
  const stayed = [visit(2, [part({ state: 'stayed' })]), visit(1, [part()])]
  expect(fittedEver(stayed, '')[0]?.outSince).toBeNull()
  const other = [visit(2, [part()], 'another machine'), visit(1, [part()])]
  expect(fittedEver(other, '')[1]?.outSince).toBeNull()
})

test('a visit that nobody signed fitted nothing', () => {
  expect(fittedEver([visit(1, null)], '2030-01-01')).toEqual([])
})

test('what was left open: points with their reasons, and claims nobody has answered', () => {
  const open = [{ code: 'TEST_SHORT' as const, text: '', reason: 'in a hurry' }]
  const claims = ['sent', 'refused', 'replaced'].map((state) => ({ state }))
  const left = openAfter({ signed: { open }, claims } as never)
  expect(left).toEqual({ points: open, claims: [{ state: 'sent' }] })
})

test('claims are asked after on their day, the longest due first; one without a day comes last', () => {
  const claims = [null, '2030-03-01', '2030-02-10'].map((chaseOn) => ({ chaseOn }))
  expect(toChase(claims, '2030-02-10').map(({ claim, isDue }) => [claim.chaseOn, isDue])).toEqual([
    ['2030-02-10', true],
    ['2030-03-01', false],
    [null, false],
  ])
})
