import { configureStore } from '@reduxjs/toolkit'
import { createApi } from '@reduxjs/toolkit/query'
import fc from 'fast-check'
import { expect, test } from 'vitest'
import { keepCurrent } from './current'

const TAGS = ['orders', 'jobs'] as const

/** A store over one number that is read as it was when asked for, and answered when let go. */
function reading() {
  let stored = 0
  const asked: (() => void)[] = []
  const read = () => {
    const data = stored
    return new Promise<{ data: number }>((resolve) => asked.push(() => resolve({ data })))
  }
  const api = createApi({
    baseQuery: read,
    invalidationBehavior: 'immediately',
    tagTypes: TAGS,
    endpoints: (build) => ({
      jobs: build.query<number, void>({ query: () => 'jobs', providesTags: ['jobs'] }),
      write: build.mutation<null, void>({
        queryFn: () => {
          stored += 1
          return { data: null }
        },
        invalidatesTags: ['jobs'],
      }),
    }),
  })
  const store = configureStore({
    reducer: { [api.reducerPath]: api.reducer },
    middleware: (standard) => standard().concat(keepCurrent(api), api.middleware),
  })
  return {
    api,
    store,
    jobs: () => api.endpoints.jobs.select()(store.getState()),
    /** Writes elsewhere, and hears of it. */
    written: (tag: (typeof TAGS)[number] = 'jobs') => {
      stored += 1
      store.dispatch(api.util.invalidateTags([tag]))
    },
    /** Writes here, and hears of it as of any other. */
    own: async () => {
      await store.dispatch(api.endpoints.write.initiate())
      store.dispatch(api.util.invalidateTags(['jobs']))
    },
    waiting: () => asked.length,
    answer: async () => {
      asked.shift()?.()
      await new Promise((resolve) => setTimeout(resolve))
    },
    stored: () => stored,
  }
}

test('what is written while it is read for the first time is read once more', async () => {
  const { api, store, jobs, written, answer, waiting } = reading()
  store.dispatch(api.endpoints.jobs.initiate())
  written()
  expect(waiting()).toBe(1)
  await answer()
  expect(jobs().data).toBe(0)
  await answer()
  expect(jobs().data).toBe(1)
  expect(waiting()).toBe(0)
})

test('what is written again while it is read for the first writing is read once more', async () => {
  const { api, store, jobs, written, answer, waiting } = reading()
  store.dispatch(api.endpoints.jobs.initiate())
  await answer()
  written()
  written()
  await answer()
  await answer()
  expect(jobs().data).toBe(2)
  expect(waiting()).toBe(0)
})

test('what a write of its own changes is read once more where it was being read, else once', async () => {
  const { api, store, jobs, answer, waiting } = reading()
  store.dispatch(api.endpoints.jobs.initiate())
  await answer()
  store.dispatch(api.endpoints.jobs.initiate(undefined, { forceRefetch: true }))
  await store.dispatch(api.endpoints.write.initiate())
  await answer()
  await answer()
  expect([jobs().data, waiting()]).toEqual([1, 0])
  await store.dispatch(api.endpoints.write.initiate())
  await answer()
  expect([jobs().data, waiting()]).toEqual([2, 0])
})

test('what shows nothing of what was written, or is asked for twice, is read once', async () => {
  const { api, store, written, answer, waiting } = reading()
  store.dispatch(api.endpoints.jobs.initiate())
  store.dispatch(api.endpoints.jobs.initiate(undefined, { forceRefetch: true }))
  written('orders')
  await answer()
  expect(waiting()).toBe(0)
})

test('whatever the order of writes and answers, the last one is shown in the end', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.array(fc.constantFrom('written', 'own', 'answer', 'read'), { maxLength: 12 }),
      async (acts) => {
        const { api, store, jobs, written, own, answer, waiting, stored } = reading()
        store.dispatch(api.endpoints.jobs.initiate())
        for (const act of acts) {
          if (act === 'written') written()
          else if (act === 'answer') await answer()
          else if (act === 'own') await own()
          else store.dispatch(api.endpoints.jobs.initiate(undefined, { forceRefetch: true }))
        }
        while (waiting() > 0) await answer()
        expect(jobs().data).toBe(stored())
      },
    ),
  )
})
