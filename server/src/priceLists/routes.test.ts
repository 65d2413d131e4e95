import { expect, test } from 'vitest'
import { stick } from '../../test/sample'
import { useServer } from '../../test/server'

const { get, post } = useServer()

const offer = (article: string, price: number, changes: object = {}) => ({
  module: { ...stick, article },
  price,
  stock: 5,
  leadDays: 2,
  ...changes,
})

const list = (supplier: string, offers: object[], complete = false) => ({
  supplier,
  name: 'spring.csv',
  mapping: { headings: ['Article', 'Price'], columns: { article: 'Article', price: 'Price' } },
  complete,
  offers,
})

const offersOf = async (supplier: string) => {
  const all = (await get('/modules?shop=1')).body as {
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
  const first = await post('/price-lists', list('Ash', [offer('a', 1000), offer('b', 2000)]))
  expect(first).toMatchObject({
    status: 201,
    body: { added: 2, changed: 0, unchanged: 0, dropped: 0 },
  })
  const second = await post('/price-lists', list('Ash', [offer('A', 1100), offer('c', 3000)], true))
  // "A" is "a" by another spelling, and dearer; b is not sold any more.
  expect(second.body).toMatchObject({ added: 1, changed: 1, unchanged: 0, dropped: 1 })
  const sold = await offersOf('Ash')
  expect(sold.map(({ module, price, stock }) => [module.article, price, stock])).toEqual([
    ['A', 1100, 5],
    ['b', 2000, 0],
    ['c', 3000, 5],
  ])
  expect(sold.every(({ askedAt }) => askedAt !== null)).toBe(true)
  const again = await post('/price-lists', list('Ash', [offer('c', 3000)]))
  expect(again.body).toMatchObject({ added: 0, changed: 0, unchanged: 1 })
})

test('a kit and a single module of one article are two offers; another supplier’s are its own', async () => {
  const kit = { module: { ...stick, article: 'k', kit: { id: 'k', size: 2 } } }
  await post('/price-lists', list('Birch', [offer('k', 1000), offer('k', 1900, kit)]))
  await post('/price-lists', list('Cedar', [offer('k', 900)], true))
  expect((await offersOf('Birch')).map(({ price, stock }) => [price, stock])).toEqual([
    [1000, 5],
    [1900, 5],
  ])
})

test('sent twice it is taken in once; a bad offer is named by its place', async () => {
  const id = crypto.randomUUID()
  const sent = { ...list('Dogwood', [offer('d', 1000)]), id }
  expect((await post('/price-lists', sent)).status).toBe(201)
  expect(await post('/price-lists', sent)).toMatchObject({ status: 200, body: { added: 1 } })
  const bad = await post('/price-lists', list('Elm', [offer('e', -1)]))
  expect(bad.body.error.fields[0].path).toBe('offers.0.price')
  expect(await offersOf('Elm')).toEqual([])
})

test('ten thousand offers, and a job asks only for what is of its kind', async () => {
  const offers = Array.from({ length: 10_000 }, (_, at) => offer(`x${at}`, 1000 + at))
  const taken = await post('/price-lists', list('Fir', offers))
  expect(taken.body).toMatchObject({ added: 10_000 })
  const same = (await get('/modules?shop=1&generation=DDR4&formFactor=SODIMM')).body as object[]
  expect(same.length).toBeGreaterThanOrEqual(10_000)
  expect((await get('/modules?shop=1&generation=DDR5&formFactor=DIMM')).body).toEqual([])
})
