import { PRICE_LIST_PIECE } from '@tembrix/core/things/records'
import { sql } from 'drizzle-orm'
import { expect, test } from 'vitest'
import { sampleStick } from '../../../test/sample'
import { useServer } from '../../../test/server'

const { get, post, db } = useServer()

const offer = (article: string, price: number, changes: object = {}) => ({
  module: { ...sampleStick, article },
  price,
  stock: 5,
  leadDays: 2,
  ...changes,
})

const list = (supplier: string, offers: number, complete = false) => ({
  supplier,
  name: 'spring.csv',
  mapping: { headings: ['Article', 'Price'], columns: { article: 'Article', price: 'Price' } },
  complete,
  offers,
})

/** Takes a list in as screens do: begun, sent in pieces, ended. */
async function taken(supplier: string, offers: object[], complete = false) {
  const { body } = await post('/price-lists', list(supplier, offers.length, complete))
  for (let at = 0; at < offers.length; at += PRICE_LIST_PIECE) {
    const piece = { at, offers: offers.slice(at, at + PRICE_LIST_PIECE) }
    expect((await post(`/price-lists/${body.id}/offers`, piece)).status).toBe(200)
  }
  return post(`/price-lists/${body.id}/end`, {})
}

const offersOf = async (supplier: string) => {
  const all = (await get(`/modules?shop=1&source=supplier&limit=1000&search=${supplier}`)).body as {
    supplier: string
    module: { article: string }
    price: number
    stock: number
    askedAt: string
  }[]
  return all
    .filter((one) => one.supplier === supplier)
    .sort((a, b) => a.module.article.localeCompare(b.module.article) || a.price - b.price)
}

test('a list adds, changes and, where it is complete, drops', async () => {
  const first = await taken('Ash', [offer('a', 1000), offer('b', 2000)])
  expect(first).toMatchObject({
    status: 200,
    body: { added: 2, changed: 0, unchanged: 0, dropped: 0, taken: 2 },
  })
  const second = await taken('Ash', [offer('A', 1100), offer('c', 3000)], true)
  // "A" is "a" by another spelling, and dearer; b is not sold any more.
  expect(second.body).toMatchObject({ added: 1, changed: 1, unchanged: 0, dropped: 1 })
  const sold = await offersOf('Ash')
  expect(sold.map(({ module, price, stock }) => [module.article, price, stock])).toEqual([
    ['A', 1100, 5],
    ['b', 2000, 0],
    ['c', 3000, 5],
  ])
  expect(sold.every(({ askedAt }) => askedAt !== null)).toBe(true)
  const again = await taken('Ash', [offer('c', 3000)])
  expect(again.body).toMatchObject({ added: 0, changed: 0, unchanged: 1 })
})

test('a kit and a single module of one article are two offers; another supplier’s are its own', async () => {
  const kit = { module: { ...sampleStick, article: 'k', kit: { id: 'k', size: 2 } } }
  await taken('Birch', [offer('k', 1000), offer('k', 1900, kit)])
  await taken('Cedar', [offer('k', 900)], true)
  expect((await offersOf('Birch')).map(({ price, stock }) => [price, stock])).toEqual([
    [1000, 5],
    [1900, 5],
  ])
})

test('a piece sent twice is taken in once; one that does not follow on is refused, and a bad offer named by its place', async () => {
  const { body: begun } = await post('/price-lists', list('Dogwood', 3))
  const address = `/price-lists/${begun.id}`
  const piece = { at: 0, offers: [offer('d', 1000), offer('e', 1000)] }
  const last = { at: 2, offers: [offer('f', 1000)] }
  expect((await post(`${address}/offers`, last)).body.error.code).toBe('out_of_order')
  expect((await post(`${address}/offers`, piece)).body).toMatchObject({ taken: 2, added: 2 })
  expect((await post(`${address}/offers`, piece)).body).toMatchObject({ taken: 2, added: 2 })
  expect((await post(`${address}/end`, {})).body.error.code).toBe('out_of_order')
  const bad = await post(`${address}/offers`, { at: 2, offers: [offer('f', -1)] })
  expect(bad.body.error.fields[0].path).toBe('offers.0.price')
  expect(await offersOf('Dogwood')).toHaveLength(2)
  await post(`${address}/offers`, last)
  const { body: ended } = await post(`${address}/end`, {})
  expect(ended).toMatchObject({ taken: 3, added: 3, endedAt: expect.any(String) })
  expect((await post(`${address}/end`, {})).body).toEqual(ended)
})

test('a complete list that was given up drops nothing', async () => {
  await taken('Elm', [offer('e', 1000), offer('f', 1000)])
  const { body: begun } = await post('/price-lists', list('Elm', 2, true))
  await post(`/price-lists/${begun.id}/offers`, { at: 0, offers: [offer('e', 900)] })
  expect((await offersOf('Elm')).map(({ price, stock }) => [price, stock])).toEqual([
    [900, 5],
    [1000, 5],
  ])
})

test('what a list names twice counts once, as it stands first, also where it is in another piece', async () => {
  const many = Array.from({ length: PRICE_LIST_PIECE }, (_, at) => offer(`g${at}`, 1000))
  const { body } = await taken('Gorse', [offer('g0', 700), ...many, offer('g9', 800)])
  expect(body).toMatchObject({ added: PRICE_LIST_PIECE, changed: 0, unchanged: 0 })
  const prices = new Map((await offersOf('Gorse')).map((one) => [one.module.article, one.price]))
  expect([prices.get('g0'), prices.get('g9')]).toEqual([700, 1000])
})

test('three thousand offers: all there, page by page, and a job asks only for what is of its kind', async () => {
  await taken(
    'Fir',
    Array.from({ length: 3000 }, (_, at) => offer(`x${at}`, 1000 + at)),
  )
  const seen = new Set<string>()
  let path: string | null =
    '/modules?shop=1&source=supplier&generation=DDR4&formFactor=SODIMM&search=fir&limit=700'
  let pages = 0
  while (path !== null) {
    const { body, next } = await get(path)
    for (const { id } of body as { id: string }[]) seen.add(id)
    path = next
    pages += 1
  }
  expect([seen.size, pages]).toEqual([3000, 5])
  expect((await get('/modules?shop=1&generation=DDR5&formFactor=DIMM')).body).toEqual([])
})

/** What the database has read and written of modules since it was opened, and how large their table is, bytes. */
async function workOf() {
  await db().execute(sql`select pg_stat_force_next_flush()`)
  const { rows } = await db().execute<{ read: number; moved: number; bytes: number }>(sql`
    select (seq_tup_read + idx_tup_fetch)::int as read, (n_tup_upd - n_tup_hot_upd)::int as moved,
      pg_relation_size('modules')::int as bytes
    from pg_stat_user_tables where relname = 'modules'`)
  return rows[0] as { read: number; moved: number; bytes: number }
}

test('a piece of a long list reads its own offers and no others, also of one that never came before', async () => {
  const many = Array.from({ length: 40 * PRICE_LIST_PIECE }, (_, at) => offer(`i${at}`, 1000))
  const { body } = await post('/price-lists', list('Ivy', many.length))
  let last = 0
  for (let at = 0; at < many.length; at += PRICE_LIST_PIECE) {
    const before = await workOf()
    await post(`/price-lists/${body.id}/offers`, {
      at,
      offers: many.slice(at, at + PRICE_LIST_PIECE),
    })
    last = (await workOf()).read - before.read
  }
  expect(last).toBeLessThan(10 * PRICE_LIST_PIECE)
})

test('a list that comes again with other prices is written where the last one was', async () => {
  const priced = (price: number) =>
    Array.from({ length: 500 }, (_, at) => offer(`j${at}`, price + at))
  for (const price of [1000, 1100]) await taken('Juniper', priced(price))
  const before = await workOf()
  for (const price of [1200, 1300, 1400]) await taken('Juniper', priced(price))
  const after = await workOf()
  expect(after.bytes).toBe(before.bytes)
  expect(after.moved - before.moved).toBeLessThan(50)
})
