import { expect, test } from 'vitest'
import type { Module } from '../../things/model'
import type { ShopModule } from '../../things/records'
import { badModule, replacementsFor, replaceWith, type ToReplace } from '.'

const module = (of: Partial<Module> = {}): Module => ({
  article: 'Q4-8',
  generation: 'DDR4',
  formFactor: 'SODIMM',
  buffering: 'unbuffered',
  ecc: false,
  capacityGiB: 8,
  ranks: 1,
  deviceWidth: 8,
  voltages: [1.2],
  speeds: [{ kind: 'standard', dataRate: 2666, cl: 19, trcd: 19, trp: 19, tras: 43 }],
  kit: null,
  ...of,
})
const piece = (id: string, of: Partial<ShopModule> = {}): ShopModule =>
  ({
    id,
    source: 'shelf',
    module: module(),
    price: 1000,
    serialNumber: '',
    orderedFor: null,
    fittedJobId: null,
    keptFor: null,
    bad: null,
    ...of,
  }) as ShopModule
const article = piece('article', { source: 'supplier', price: 2000 })
const orderedFor = { jobId: 'job', moduleId: 'article', unit: 0 }
const came = piece('came', { orderedFor, fittedJobId: 'job', serialNumber: 'CAME-1' })
const fit = { replaced: [], serials: {} }
const job = (of: Partial<ToReplace> = {}): ToReplace => ({
  jobId: 'job',
  machines: 1,
  planned: { A: { moduleId: 'own', unit: 0 }, B: { moduleId: 'article', unit: 0 } },
  pieces: new Map<string, Pick<ShopModule, 'source' | 'module'>>([
    ['own', { source: 'customer', module: module() }],
    ['article', article],
  ]),
  shop: [article, came],
  fit,
  ordered: [{ moduleId: 'article', unit: 0 }],
  ...of,
})
const bad = (of?: Partial<ToReplace>) => {
  const found = badModule(job(of), 'article 0')
  if (!found) throw new Error('no such module')
  return found
}
const noted = { id: 'r1', why: 'errors under test', at: '2030-02-10T09:00:00.000Z', by: 'Mika' }
const fitted = { ...noted, areMovesDone: true }

test('a bad module is the piece that came for it, with its serial number', () => {
  expect(bad()).toMatchObject({ slot: 'B', piece: { id: 'came' }, serial: 'CAME-1', isOwn: false })
  expect(bad({ fit: { ...fit, serials: { 'article 0': 'NOTED-1' } } }).serial).toBe('NOTED-1')
  expect(bad({ shop: [article] }).piece).toBeNull()
  expect(badModule(job(), 'own 0')).toMatchObject({ slot: 'A', isOwn: true })
  expect(badModule(job(), 'other 0')).toBeNull()
})

test('the same article is offered first, from the shelf before the supplier’s, then others that do as much; used ones last', () => {
  const same = piece('same', { price: 900 })
  const faster = piece('faster', {
    price: 500,
    module: module({ article: 'F', speeds: [{ ...module().speeds[0], dataRate: 3200 } as never] }),
  })
  const used = piece('used', { price: 500, condition: 'used' })
  const shop = [used, faster, article, same, came]
  expect(replacementsFor(job({ shop }), bad()).map(({ piece: { id } }) => id)).toEqual([
    'same',
    'article',
    'faster',
    'used',
  ])
})

test.each([
  ['put aside as bad', piece('no', { bad: { at: '', by: '', why: '' } })],
  ['kept for another job', piece('no', { keptFor: { jobId: 'other', number: 3 } })],
  ['of another capacity', piece('no', { module: module({ capacityGiB: 16 }) })],
  ['of another form', piece('no', { module: module({ formFactor: 'DIMM' }) })],
  [
    'slower',
    piece('no', {
      module: module({ speeds: [{ ...module().speeds[0], dataRate: 2400 } as never] }),
    }),
  ],
  ['out of the house', piece('no', { fittedJobId: 'other' })],
  [
    'one of another kit',
    piece('no', { module: module({ article: 'K', kit: { id: 'k', size: 2 } }) }),
  ],
])('a piece is no replacement: %s', (_, one) => {
  expect(replacementsFor(job({ shop: [one] }), bad())).toEqual([])
})

test('a supplier’s article is ordered as a unit that neither a plan nor an order nor a bad one has', () => {
  const [first] = replacementsFor(job({ shop: [article] }), bad())
  expect(first).toMatchObject({ moduleId: 'article', unit: 1 })
  const replaced = [{ ...noted, round: 1, slot: 'B', moduleId: 'article', unit: 1, serial: '' }]
  const again = job({ shop: [article], fit: { ...fit, replaced } })
  expect(replacementsFor(again, bad())[0]).toMatchObject({ unit: 2 })
})

test('without work at the bench only the plan changes', () => {
  const other = { moduleId: 'same', unit: 0 }
  const before = replaceWith(job({ fit: undefined }), bad(), other, fitted)
  expect(before).toEqual({ placement: { ...job().planned, B: other }, replaced: null })
})

test('once all modules are in, a bad one is replaced in a round of its own', () => {
  const other = { moduleId: 'same', unit: 0 }
  const once = replaceWith(job(), bad(), other, fitted)
  expect(once.replaced).toMatchObject([
    { round: 1, slot: 'B', moduleId: 'article', unit: 0, serial: 'CAME-1' },
  ])
  const held = job({ fit: { ...fit, replaced: once.replaced ?? [] } })
  expect(replaceWith(held, bad(), other, fitted).replaced?.at(-1)?.round).toBe(2)
})

test('while modules are still to go in, a bad one is replaced within the round, so that no step of it is lost', () => {
  const other = { moduleId: 'same', unit: 0 }
  const open = { ...noted, areMovesDone: false }
  const first = replaceWith(job(), bad(), other, open)
  expect(first.replaced?.map(({ round }) => round)).toEqual([0])
  const second = job({ fit: { ...fit, replaced: [{ ...first.replaced?.[0], round: 1 } as never] } })
  expect(replaceWith(second, bad(), other, open).replaced?.map(({ round }) => round)).toEqual([
    1, 1,
  ])
})
