import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import express from 'express'
import { describe, expect, test } from 'vitest'
import { useServer } from '../../../test/server'
import { answerError } from '../../base/http'
import { simulatedSupplier } from './simulated'
import { within } from './within'

const server = useServer()
const { get, post, raw } = server

const behaviour = (name: string) =>
  raw('/supplier/behaviour', {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ behaviour: name }),
  })

describe('searching', () => {
  test('finds by words, generation and form, the cheapest first', async () => {
    const { body } = await get('/supplier/search?text=16%203200&generation=DDR4&formFactor=SODIMM')
    expect(body.supplier).toBe('Marrowby Parts')
    const modules = body.offers.map(({ module }: { module: object }) => module)
    expect(modules.length).toBeGreaterThanOrEqual(2)
    for (const module of modules) {
      expect(module).toMatchObject({ generation: 'DDR4', formFactor: 'SODIMM', capacityGiB: 16 })
    }
    const prices = body.offers.map(({ price }: { price: number }) => price)
    expect(prices).toEqual([...prices].sort((a, b) => a - b))
  })

  test('finds nothing where it sells nothing', async () => {
    expect((await get('/supplier/search?text=nothing')).body.offers).toEqual([])
    // The form factor is searched for too, and a blank before a unit is no matter.
    const sodimms = (await get('/supplier/search?text=16gb%20sodimm')).body.offers
    expect(sodimms.length).toBeGreaterThan(0)
    expect((await get('/supplier/search?text=16%20GB%20SO-DIMM')).body.offers).toEqual(sodimms)
  })

  test('says so when the supplier fails, and works again after', async () => {
    await behaviour('failing')
    const failed = await get('/supplier/search?text=16')
    expect(failed).toMatchObject({ status: 502, body: { error: { code: 'supplier_failed' } } })
    await behaviour('steady')
    expect((await get('/supplier/search?text=16')).status).toBe(200)
    expect((await behaviour('cheerful')).status).toBe(400)
  })
})

test('one that answers too late is given up', async () => {
  const app = express().get('/', async (_request, response) => {
    const never = new AbortController()
    response.json(
      await within(30, never.signal, (signal) => {
        return new Promise((_, reject) => {
          signal.addEventListener('abort', () => reject(signal.reason))
        })
      }),
    )
  })
  app.use(answerError)
  const listening = createServer(app)
  await new Promise<void>((resolve) => listening.listen(0, '127.0.0.1', resolve))
  const { port } = listening.address() as AddressInfo
  const answer = await fetch(`http://127.0.0.1:${port}/`)
  expect(answer.status).toBe(504)
  expect(await answer.json()).toMatchObject({ error: { code: 'supplier_slow' } })
  listening.close()
})

test('prices change from day to day, not within a day', async () => {
  const { signal } = new AbortController()
  const query = { text: 'Quillen Q4-16-3200' }
  const priceOn = async (day: string) => {
    const [offer] = await simulatedSupplier(() => day).search(query, signal)
    return offer?.price
  }
  expect(await priceOn('2030-01-01')).toBe(await priceOn('2030-01-01'))
  const week = await Promise.all([1, 2, 3, 4, 5, 6, 7].map((day) => priceOn(`2030-01-0${day}`)))
  expect(new Set(week).size).toBeGreaterThan(1)
})

test('what was taken up is asked about again; what is not sold any more is out of stock', async () => {
  const { offers } = (await get('/supplier/search?text=Q4-16-3200')).body
  const [offer] = offers
  const take = (module: object) =>
    post('/modules', { source: 'supplier', supplier: 'Marrowby Parts', module, price: 1, stock: 1 })
  const old = (await take(offer.module)).body
  const gone = (await take({ ...offer.module, article: 'Quillen, long gone' })).body
  const asked = await post('/supplier/ask', { ids: [old.id, gone.id] })
  expect(asked.body).toEqual({ asked: 2, sold: 1 })
  const { price, stock, leadDays } = offer
  expect((await get(`/modules/${old.id}`)).body).toMatchObject({
    price,
    stock,
    leadDays,
    version: 2,
  })
  expect((await get(`/modules/${gone.id}`)).body).toMatchObject({ price: 1, stock: 0 })
})
