import { configureStore } from '@reduxjs/toolkit'
import { STARTING_MACHINES } from '@tembrix/core/things/machines'
import type { Machine } from '@tembrix/core/things/model'
import { type JobFile, NOTHING_SIZED } from '@tembrix/core/things/records'
import { expect, test } from 'vitest'
import { api, changed, type State } from '../../../../base/data'
import { outboxReducer } from '../../../../base/data/outbox'
import { jobSelector } from './view'

const machine = STARTING_MACHINES.find(({ id }) => id === 'laptop-2')?.machine as Machine
const stamps = { version: 1, createdAt: '2026-03-01T10:00:00Z', updatedAt: '2026-03-01T10:00:00Z' }
const plan = (id: string) => ({
  ...stamps,
  id,
  jobId: 'j',
  name: id,
  placement: null,
  profile: false,
  manual: null,
})
const file = {
  ...stamps,
  id: 'j',
  found: {},
  rulings: {},
  sizing: NOTHING_SIZED,
  planId: 'second',
  complaint: '',
  customer: { ...stamps, id: 'c', name: 'Runa' },
  machine: { ...stamps, id: 'm', machine, sources: {} },
  modules: [],
  readings: [],
  photos: [],
  plans: [plan('first'), plan('second')],
  quotes: [],
  fits: [],
  verifications: [],
  measurements: [],
  frames: [],
} as unknown as JobFile

async function opened() {
  const store = configureStore({
    reducer: { [api.reducerPath]: api.reducer, outbox: outboxReducer },
    middleware: (standard) => standard().concat(api.middleware),
  })
  await store.dispatch(api.util.upsertQueryData('job', 'j', file))
  const select = jobSelector('j')
  return { store, view: () => select(store.getState() as unknown as State) }
}

const target = { jobId: 'j', collection: 'plans', recordId: 'second', version: 1 } as const

test('what was typed lies over what was read, and the plan on the board is the job’s', async () => {
  const { store, view } = await opened()
  expect(view()).toMatchObject({ plan: { id: 'second', profile: false }, unseen: ['A', 'B'] })
  store.dispatch(changed(target, { profile: true }, plan('second')))
  expect(view().plan.profile).toBe(true)
  expect(view().planned.settings.profile).toBe(true)
  expect(view().file.plans).toHaveLength(2)
})

test('a change leaves every part as it is that does not rest on it', async () => {
  const { store, view } = await opened()
  const before = view()
  expect(view()).toBe(before)
  const jobsOwn = { jobId: 'j', collection: 'jobs', recordId: 'j', version: 1 } as const
  store.dispatch(changed(jobsOwn, { complaint: 'Freezes' }, file))
  const after = view()
  expect(after.file.complaint).toBe('Freezes')
  for (const part of ['machine', 'pieces', 'now', 'planned', 'cost', 'evidence', 'unseen'] as const)
    expect(after[part], part).toBe(before[part])
  store.dispatch(changed(target, { profile: true }, plan('second')))
  expect(view().planned).not.toBe(after.planned)
  for (const part of ['machine', 'pieces', 'now', 'evidence'] as const)
    expect(view()[part], part).toBe(before[part])
})
