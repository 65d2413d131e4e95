import type { Collection } from '@tembrix/core/things/records'
import { expect, test } from 'vitest'
import {
  ALONG,
  type Change,
  keepUndoHistory,
  recordUndo,
  redone,
  restoreUndoHistory,
  type UndoHistory,
  undone,
  undoReducer,
} from './undo'
import { changing, inverse, making, removing, type Write } from './writes'

const plan = { id: 'p', version: 3, name: 'A', profile: false, createdAt: 'x', updatedAt: 'x' }
const holding =
  (...records: { id: string; version: number }[]) =>
  (_: Collection, id: string) =>
    records.find((one) => one.id === id)

const after = (...steps: (Write[] | Change)[]): UndoHistory =>
  steps
    .map((step) => (Array.isArray(step) ? { writes: step } : step))
    .reduce(
      (state, step) => undoReducer(state, recordUndo({ jobId: 'j', step })),
      {} as UndoHistory,
    )

test('a deed is taken back the last write first, against the records as they are now', () => {
  const deed = [
    making('modules', { jobId: 'j' } as never, 'm'),
    changing('plans', plan, { name: 'B' }),
    removing('plans', { ...plan, id: 'q' }),
  ]
  const now = holding({ id: 'm', version: 1 }, { ...plan, version: 4, name: 'B' } as typeof plan)
  expect(inverse(deed, now)).toEqual([
    {
      action: 'create',
      collection: 'plans',
      recordId: 'q',
      fields: { name: 'A', profile: false },
    },
    {
      action: 'change',
      collection: 'plans',
      recordId: 'p',
      version: 4,
      before: { name: 'B' },
      fields: { name: 'A' },
    },
    {
      action: 'remove',
      collection: 'modules',
      recordId: 'm',
      version: 1,
      fields: { id: 'm', version: 1 },
    },
  ])
})

test('what others ticked since stays when a tick is taken back', () => {
  const fit = { id: 'j', version: 2, ticks: { a: 1 } }
  const deed = [changing('fits', fit, { ticks: { a: 1, b: 1 } as never })]
  const now = holding({ id: 'j', version: 5, ticks: { a: 1, b: 1, c: 1 } } as never)
  expect(inverse(deed, now)).toMatchObject([{ version: 5, fields: { ticks: { a: 1, c: 1 } } }])
})

test('what is gone, or there again, needs no taking back', () => {
  expect(inverse([changing('plans', plan, { name: 'B' })], holding())).toEqual([])
  expect(inverse([removing('plans', plan)], holding(plan))).toEqual([])
})

test('what is typed on in one field is one deed; other fields and switches are their own', () => {
  const typed = (name: string) => [changing('plans', plan, { name })]
  const of = (deeds: UndoHistory) => deeds.j?.past ?? []
  expect(of(after(typed('B'), typed('Be'), typed('Bes')))).toMatchObject([
    { writes: [{ before: { name: 'A' }, fields: { name: 'Bes' } }] },
  ])
  const flip = [changing('plans', plan, { profile: true })]
  expect(of(after(typed('B'), flip, flip, typed('Be')))).toHaveLength(4)
  expect(
    of(after(typed('B'), [changing('plans', { ...plan, id: 'q' }, { name: 'C' })])),
  ).toHaveLength(2)
})

test('back and again', () => {
  const one = { writes: [changing('plans', plan, { profile: true })] }
  const two = { writes: [removing('plans', plan)] }
  const back = undoReducer(after(one, two), undone({ jobId: 'j', off: 1, step: one }))
  expect(back.j).toEqual({ past: [one], future: [one] })
  expect(undoReducer(back, redone({ jobId: 'j', off: 1, step: two })).j).toEqual({
    past: [one, two],
    future: [],
  })
  expect(undoReducer(after(one, two), undone({ jobId: 'j', off: 2, step: null })).j).toEqual({
    past: [],
    future: [],
  })
})

class SmallStorage {
  held = new Map<string, string>()
  constructor(readonly room: number) {}
  getItem = (key: string) => this.held.get(key) ?? null
  removeItem = (key: string) => void this.held.delete(key)
  setItem = (key: string, value: string) => {
    if (value.length > this.room) throw new Error('full')
    this.held.set(key, value)
  }
}

test('deeds are there after the page was loaded again, the later ones where not all have room', () => {
  const deeds = after(
    ...Array.from({ length: 8 }, (_, at) => [changing('plans', plan, { profile: at % 2 === 0 })]),
  )
  const large = new SmallStorage(1e6) as unknown as Storage
  keepUndoHistory(large, deeds)
  expect(restoreUndoHistory(large)).toEqual(deeds)
  const small = new SmallStorage(JSON.stringify(deeds).length / 2) as unknown as Storage
  keepUndoHistory(small, deeds)
  const left = restoreUndoHistory(small).j?.past ?? []
  expect(left.length).toBeGreaterThan(0)
  expect(left).toEqual(deeds.j?.past.slice(-left.length))
  const none = new SmallStorage(2) as unknown as Storage
  keepUndoHistory(none, deeds)
  expect(restoreUndoHistory(none)).toEqual({})
})

test('a value inside a record typed on is one deed, with what is noted along', () => {
  const machine = { id: 'm', version: 1, machine: { name: 'A' }, sources: {} }
  const named = (name: string) => ({ ...machine, machine: { name } })
  const typed = (name: string, from: string): Change => ({
    writes: [changing('machines', named(from), { machine: { name } } as never)],
    typing: 'machine.name',
  })
  const along: Change = {
    writes: [changing('machines', machine, { sources: { name: 'sticker' } } as never)],
    typing: ALONG,
  }
  const all = after(typed('B', 'A'), along, typed('Be', 'B'), along).j?.past
  expect(all).toMatchObject([
    {
      writes: [
        {
          before: { machine: { name: 'A' }, sources: {} },
          fields: { machine: { name: 'Be' }, sources: { name: 'sticker' } },
        },
      ],
    },
  ])
  const other = { ...typed('C', 'Be'), typing: 'machine.processor' }
  expect(after(typed('B', 'A'), other).j?.past).toHaveLength(2)
})
