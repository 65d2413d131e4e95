import { randomUUID } from 'node:crypto'
import { expect, test } from 'vitest'
import { laptop, newJobBody } from '../../test/sample'
import { useServer } from '../../test/server'

const { get, post, patch, remove } = useServer()
const manual = { source: 'manual', note: 'page 12', by: 'Mika', at: null }
const model = {
  machine: { ...laptop, name: 'Heron 15' },
  sources: { totalGiB: manual },
  openingMinutes: 12,
  covers: [{ cover: 'bottom, ten screws', hides: 'both slots' }],
  cautions: ['The battery plug comes off first.'],
}

test('a model is stored, changed against its version, and has a history', async () => {
  const made = (await post('/models', model)).body
  expect(made).toMatchObject({ ...model, note: '', version: 1 })
  const changed = await patch(`/models/${made.id}`, { version: 1, openingMinutes: 15 })
  expect(changed.body).toMatchObject({ version: 2, openingMinutes: 15, covers: model.covers })
  expect((await patch(`/models/${made.id}`, { version: 1, note: 'late' })).status).toBe(409)
  const lines = (await get(`/models/${made.id}/history`)).body
  expect(lines.map(({ action }: { action: string }) => action)).toEqual(['changed', 'created'])
  expect((await get('/models')).body).toHaveLength(1)
})

test('where a slot is drawn is kept with it', async () => {
  const place = { left: 10, top: 20, width: 60, height: 12.5 }
  const slots = laptop.slots.map((slot) => ({ ...slot, place }))
  const made = (await post('/models', { machine: { ...laptop, slots } })).body
  expect(made.machine.slots[0].place).toEqual(place)
  const outside = [{ ...slots[0], place: { ...place, left: 101 } }, slots[1]]
  const bad = await post('/models', { machine: { ...laptop, slots: outside } })
  expect(bad.body.error.fields[0].path).toBe('machine.slots.0.place.left')
})

test('a machine of a model holds it; without one it goes, and its lists with it', async () => {
  const made = (await post('/models', model)).body
  const job = await post('/jobs', { ...newJobBody, machine: { machine: laptop, modelId: made.id } })
  expect(job.status).toBe(201)
  const held = await remove(`/models/${made.id}?version=1`)
  expect(held).toMatchObject({ status: 409, body: { error: { code: 'in_use' } } })
  const machineId = job.body.machineId
  expect((await patch(`/machines/${machineId}`, { version: 1, modelId: null })).status).toBe(200)
  const mapping = { headings: ['a'], columns: { article: 'a' } }
  const entry = { article: 'Q', kitSize: 1, capacityGiB: 8, slotsTested: 2, dataRate: 3200 }
  await post('/validated-lists', { modelId: made.id, name: 'list', mapping, entries: [entry] })
  expect((await remove(`/models/${made.id}?version=1`)).status).toBe(204)
  expect((await get(`/validated-lists?modelId=${made.id}`)).body).toEqual([])
})

test('a machine cannot be of a model that is not there', async () => {
  const gone = { machine: laptop, modelId: randomUUID() }
  expect((await post('/jobs', { ...newJobBody, machine: gone })).status).toBe(404)
  const job = (await post('/jobs', newJobBody)).body
  const bad = await patch(`/machines/${job.machineId}`, { version: 1, modelId: randomUUID() })
  expect(bad.status).toBe(404)
})

test('a validated list is stored whole and listed by its size', async () => {
  const made = (await post('/models', model)).body
  const entries = Array.from({ length: 20_000 }, (_, at) => ({
    article: `Q4-${at}-3200`,
    kitSize: null,
    capacityGiB: 8,
    slotsTested: 2,
    dataRate: 3200,
  }))
  const mapping = { headings: ['Article', 'Size'], columns: { article: 'Article' } }
  const list = { modelId: made.id, name: 'tested.csv', mapping, entries }
  const stored = await post('/validated-lists', list)
  expect(stored.status).toBe(201)
  const [line] = (await get(`/validated-lists?modelId=${made.id}`)).body
  expect(line).toMatchObject({ name: 'tested.csv', count: 20_000, mapping })
  expect(line.entries).toBeUndefined()
  expect((await get(`/validated-lists/${stored.body.id}`)).body.entries).toHaveLength(20_000)

  const bad = [{ ...entries[0], capacityGiB: 7 }]
  const refused = await post('/validated-lists', { ...list, entries: bad })
  expect(refused.body.error.fields[0].path).toBe('entries.0.capacityGiB')
  expect((await post('/validated-lists', { ...list, entries: [] })).status).toBe(400)
})
