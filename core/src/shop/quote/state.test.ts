import { expect, test } from 'vitest'
import { stick } from '../../../test/builders'
import {
  type Assignment,
  piecesById,
  type Quote,
  type QuoteDocument,
  type QuotedOption,
} from '../../things/records'
import { agreedTo, heldBeside, isAgreed, refusalOf, stateOf } from '.'

type Version = Parameters<typeof refusalOf>[0]
const TODAY = '2030-02-10'
const offer = (validUntil = '2030-02-15') =>
  ({ validUntil, options: [{ id: 'one' } as QuotedOption] }) as QuoteDocument
const approval: Quote['approval'] = {
  name: 'Ada Quill',
  optionId: 'one',
  at: '2030-02-09T10:00:00.000Z',
  takenBy: '',
}
const ended = (as: 'declined' | 'withdrawn') => ({
  as,
  at: '2030-02-09T11:00:00Z',
  by: '',
  why: '',
})
const version = (number: number, of: Partial<Version> = {}): Version => ({
  number,
  document: null,
  approval: null,
  ended: null,
  ...of,
})
const offered = (number: number, of: Partial<Version> = {}) =>
  version(number, { document: offer(), ...of })

test.each<[string, Version[], string[]]>([
  ['a draft', [version(1)], ['drafted']],
  ['an offer in time, on its last day too', [offered(1, { document: offer(TODAY) })], ['offered']],
  ['an offer the day after', [offered(1, { document: offer('2030-02-09') })], ['expired']],
  [
    'an approved one does not run out',
    [offered(1, { document: offer('2030-02-09'), approval })],
    ['approved'],
  ],
  ['an offer with a later draft', [offered(1), version(2)], ['replaced', 'drafted']],
  [
    'an approval with a later draft stands',
    [offered(1, { approval }), version(2)],
    ['approved', 'drafted'],
  ],
  [
    'an approval with a later one',
    [offered(1, { approval }), offered(2, { approval })],
    ['replaced', 'approved'],
  ],
  [
    'an approval stands again once the later one is withdrawn',
    [offered(1, { approval }), offered(2, { approval, ended: ended('withdrawn') })],
    ['approved', 'withdrawn'],
  ],
  [
    'one declined stays so',
    [offered(1, { ended: ended('declined') }), version(2)],
    ['declined', 'drafted'],
  ],
])('%s', (_, versions, states) => {
  expect(versions.map((one) => stateOf(one, versions, TODAY))).toEqual(states)
})

test('what is agreed to is the last approval nobody took back', () => {
  const [first, second] = [
    offered(1, { approval }),
    offered(2, { approval, ended: ended('withdrawn') }),
  ]
  expect(agreedTo([first, second, version(3)])).toBe(first)
  expect(agreedTo([second])).toBeUndefined()
})

const codeOf = (
  ...[of, patch, fitted = false]: [Version, Parameters<typeof refusalOf>[1], boolean?]
) => refusalOf(of, patch, fitted)?.code ?? null
const given = { offered: { at: '2030-02-09T10:00:00Z', by: 'Mika' }, document: offer() }

test('a draft changes and is offered or approved with its document', () => {
  expect(codeOf(version(1), { note: 'x' })).toBeNull()
  expect(codeOf(version(1), given)).toBeNull()
  expect(codeOf(version(1), { ...given, approval })).toBeNull()
  expect(refusalOf(version(1), { approval }, false)).toMatchObject({
    code: 'not_offered',
    field: 'document',
  })
  expect(codeOf(version(1), { ended: ended('declined') })).toBe('not_offered')
})

test('what was offered is approved, declined or withdrawn, and not changed', () => {
  for (const as of ['declined', 'withdrawn'] as const) {
    expect(codeOf(offered(1), { ended: ended(as) })).toBeNull()
  }
  expect(codeOf(offered(1), { approval })).toBeNull()
  expect(codeOf(offered(1), { note: 'cheaper' })).toBe('offered')
  expect(codeOf(offered(1), { ...given, approval })).toBe('offered')
  expect(codeOf(offered(1), { approval: { ...approval, optionId: 'two' } })).toBe('no_such_option')
})

test('what was approved is only withdrawn, and not once it is fitted', () => {
  const approved = offered(1, { approval })
  expect(codeOf(approved, { note: 'cheaper' })).toBe('approved')
  expect(codeOf(approved, { approval })).toBe('approved')
  expect(codeOf(approved, { ended: ended('declined') })).toBe('approved')
  expect(codeOf(approved, { ended: ended('withdrawn') })).toBeNull()
  expect(codeOf(approved, { ended: ended('withdrawn') }, true)).toBe('fitted')
  expect(codeOf({ ...approved, ended: ended('withdrawn') }, { note: 'x' })).toBe('ended')
})

test('an approval after the last day of an offer is refused once that day is over everywhere', () => {
  const agreed = (at: string) => codeOf(offered(1), { approval: { ...approval, at } })
  expect(agreed('2030-02-15T23:59:00Z')).toBeNull()
  // Somewhere it is still the fifteenth.
  expect(agreed('2030-02-16T11:59:00Z')).toBeNull()
  expect(agreed('2030-02-16T12:00:00Z')).toBe('expired')
  const late = { ...given, document: offer('2030-02-07'), approval }
  expect(refusalOf(version(1), late, false)).toMatchObject({
    code: 'expired',
    field: 'approval.at',
  })
})

test('what is planned is agreed to when modules, profile and what is set by hand are', () => {
  const placement = { A2: { moduleId: 'm', unit: 0 } }
  const manual = { dataRate: 6000, timings: null }
  const offeredAs = { placement, profile: true, manual }
  expect(isAgreed(offeredAs, placement, { profile: true, manual })).toBe(true)
  expect(isAgreed(offeredAs, placement, { profile: true, manual: null })).toBe(false)
  expect(isAgreed(offeredAs, placement, { profile: false, manual })).toBe(false)
  expect(isAgreed(offeredAs, {}, { profile: true, manual })).toBe(false)
  const asked = { profile: true, manual }
  expect(isAgreed(offeredAs, placement, asked, 2)).toBe(false)
  expect(isAgreed({ ...offeredAs, machines: 2 }, placement, asked, 2)).toBe(true)
  expect(isAgreed({ ...offeredAs, machines: 3 }, placement, asked, 2)).toBe(false)
  const older = { placement, profile: true }
  expect(isAgreed(older, placement, { profile: true, manual })).toBe(true)
})

test('plans beside what was chosen hold the pieces of the shelf that it does not take', () => {
  const pieces = piecesById([
    { id: 'a', source: 'shelf', module: stick(), price: 0 },
    { id: 'b', source: 'shelf', module: stick(), price: 0 },
    { id: 'own', source: 'customer', module: stick(), price: null },
  ])
  const at = (moduleId: string) => ({ moduleId, unit: 0 })
  const plans: { placement: Assignment | null }[] = [
    { placement: { A2: at('a') } },
    { placement: { A2: at('b'), B2: at('own') } },
    { placement: { B2: at('b') } },
    { placement: null },
  ]
  expect(heldBeside({ A2: at('a') }, plans, pieces)).toBe(1)
  expect(heldBeside({ A2: at('own') }, plans, pieces)).toBe(2)
  expect(heldBeside({ A2: at('a'), B2: at('b') }, plans, pieces)).toBe(0)
})
