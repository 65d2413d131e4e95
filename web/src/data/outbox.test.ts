import type { JobFile, ModelRecord, ModuleRecord } from '@tembrix/core/records'
import * as records from '@tembrix/core/records'
import { describe, expect, test } from 'vitest'
import { restore, store } from './keep'
import {
  type Collection,
  changed,
  conflicted,
  created,
  drafted,
  dropped,
  emptyOutbox,
  insisted,
  linkOf,
  mayJoin,
  nextEntry,
  type Outbox,
  outboxReducer,
  refused,
  removed,
  sending,
  sent,
  unreachable,
} from './outbox'
import { absorb, overlay, overlayModels } from './overlay'

const plan = { jobId: 'j', collection: 'plans', recordId: 'p', version: 3 } as const
const job = { jobId: 'j', collection: 'jobs', recordId: 'j', version: 5 } as const

type Action = Parameters<typeof outboxReducer>[1]
const after = (...actions: Action[]): Outbox => actions.reduce(outboxReducer, emptyOutbox)
const idOf = (outbox: Outbox, at = 0) => outbox.entries[at]?.id as string

describe('writes on their way', () => {
  test('changes of one record go as one until they are sent off', () => {
    const two = after(changed(plan, { profile: true }), changed(plan, { name: 'B' }))
    expect(two.entries).toMatchObject([{ version: 3, fields: { profile: true, name: 'B' } }])
    const sentOff = [sending(idOf(two)), changed(plan, { name: 'C' })].reduce(outboxReducer, two)
    expect(sentOff.entries.map(({ fields }) => fields.name)).toEqual(['B', 'C'])
  })

  test('a change goes out behind what was created meanwhile, which it may name', () => {
    const module = { jobId: 'j', collection: 'modules', recordId: 'm' } as const
    const { entries } = after(
      changed(job, { found: { B: 'n' } }),
      created(module, { source: 'customer' }),
      changed(job, { found: { B: 'n', A: 'm' } }),
    )
    expect(entries.map(({ action, fields }) => [action, fields.found])).toEqual([
      ['change', { B: 'n' }],
      ['create', undefined],
      ['change', { B: 'n', A: 'm' }],
    ])
  })

  test('a write whose answer was lost goes again as it was; what is changed since goes by itself', () => {
    const one = after(changed(plan, { name: 'B' }))
    const lost = [sending(idOf(one)), unreachable()].reduce(outboxReducer, one)
    const more = [changed(plan, { name: 'C' }), changed(plan, { profile: true })].reduce(
      outboxReducer,
      lost,
    )
    expect(more.entries.map(({ fields }) => fields)).toEqual([
      { name: 'B' },
      { name: 'C', profile: true },
    ])
    // The same for one that was made: the server answers with what it has, and the change follows.
    const reading = { jobId: 'j', collection: 'readings', recordId: 'r' } as const
    const made = after(created(reading, { name: 'pasted' }))
    const both = [
      sending(idOf(made)),
      unreachable(),
      changed({ ...reading, version: 0 }, { name: 'typed' }),
      sent({ id: idOf(made), version: 1 }),
    ].reduce(outboxReducer, made)
    expect(both.entries).toMatchObject([
      { action: 'change', version: 1, fields: { name: 'typed' } },
    ])
  })

  test('one that was refused, or met a conflict, takes a better value into itself', () => {
    const one = after(changed(plan, { name: '' }))
    const id = idOf(one)
    for (const answer of [refused({ id, why: 'no name' }), conflicted(id)]) {
      const better = [sending(id), answer, changed(plan, { name: 'B' })].reduce(outboxReducer, one)
      expect(better.entries).toMatchObject([{ fields: { name: 'B' } }])
    }
  })

  test('a later change goes out against the version the earlier one made', () => {
    const first = after(changed(plan, { name: 'B' }))
    const both = [sending(idOf(first)), changed(plan, { name: 'C' })].reduce(outboxReducer, first)
    const left = outboxReducer(both, sent({ id: idOf(first), version: 4 }))
    expect(left.entries).toMatchObject([{ version: 4, fields: { name: 'C' } }])
    expect(linkOf(left)).toBe('waiting')
  })

  test('a refused write holds up its own record only, and a better value frees it', () => {
    const both = after(changed(plan, { name: '' }), changed(job, { uses: 'bees' }))
    const held = outboxReducer(both, refused({ id: idOf(both), why: 'no name' }))
    expect(nextEntry(held)?.collection).toBe('jobs')
    expect(nextEntry(outboxReducer(held, changed(plan, { name: 'B' })))?.collection).toBe('plans')
  })

  test('a conflict waits for the user: insisting takes the new version, giving up drops the write', () => {
    const one = after(changed(plan, { name: 'B' }))
    const id = idOf(one)
    const torn = outboxReducer(one, conflicted(id))
    expect([linkOf(torn), nextEntry(torn)]).toEqual(['conflict', undefined])
    expect(nextEntry(outboxReducer(torn, insisted({ id, version: 9 })))).toMatchObject({
      version: 9,
    })
    expect(linkOf(outboxReducer(torn, dropped(id)))).toBe('saved')
  })

  test('a server that is away is said to be away until it answers', () => {
    const one = after(changed(plan, { name: 'B' }))
    const away = outboxReducer(one, unreachable())
    expect(linkOf(away)).toBe('away')
    expect(linkOf(outboxReducer(away, sending(idOf(one))))).toBe('away')
    expect(linkOf(outboxReducer(away, sent({ id: idOf(one), version: 4 })))).toBe('saved')
  })
})

const file = {
  id: 'j',
  version: 5,
  uses: '',
  found: {},
  customer: { id: 'c' },
  machine: { id: 'm' },
  modules: [] as ModuleRecord[],
  readings: [],
  photos: [],
  plans: [{ id: 'p', version: 3, name: 'A' }],
} as unknown as JobFile

describe('a job with its outbox over it', () => {
  test('shows what waits, module and all, and leaves the stored one alone', () => {
    const outbox = after(
      created({ jobId: 'j', collection: 'modules', recordId: 'x' }, { source: 'customer' }),
      changed(job, { uses: 'bees' }),
      changed(plan, { name: 'B' }),
    )
    const view = overlay(file, outbox.entries)
    expect(view).toMatchObject({
      uses: 'bees',
      modules: [{ id: 'x', source: 'customer' }],
      plans: [{ name: 'B' }],
    })
    expect(file.uses).toBe('')
    expect(overlay(file, [])).toBe(file)
  })

  test('readings come, change and go with the outbox; the server’s answer takes their place', () => {
    const reading = { jobId: 'j', collection: 'readings', recordId: 'r' } as const
    const made = after(created(reading, { name: 'pasted', text: '8GB' }))
    expect(overlay(file, made.entries).readings).toMatchObject([
      { id: 'r', name: 'pasted', base64: null, seats: {} },
    ])
    const seated = [changed({ ...reading, version: 0 }, { seats: { 0: 'A' } })].reduce(
      outboxReducer,
      made,
    )
    expect(overlay(file, seated.entries).readings[0]?.seats).toEqual({ 0: 'A' })
    const stored = structuredClone(file)
    const [entry] = seated.entries
    if (!entry) throw new Error('no entry')
    absorb(stored, entry, { id: 'r', version: 1, name: 'pasted', seats: { 0: 'A' } })
    expect(overlay(stored, []).readings).toMatchObject([{ id: 'r', version: 1 }])
    const gone = after(removed({ ...reading, version: 1 }))
    expect(overlay(stored, gone.entries).readings).toEqual([])
  })

  test('the shop’s own records lie under no job', () => {
    const model = { id: 'm', openingMinutes: 5 } as ModelRecord
    const target = { jobId: '', collection: 'models', recordId: 'm', version: 1 } as const
    const outbox = after(changed(target, { openingMinutes: 9 }))
    expect(overlayModels([model], outbox.entries)[0]?.openingMinutes).toBe(9)
    expect(overlay(file, outbox.entries)).toBe(file)
  })

  test('is the same before and after an answer is taken in', () => {
    const outbox = after(changed(plan, { name: 'B' }))
    const entry = outbox.entries[0]
    if (!entry) throw new Error('no entry')
    const stored = structuredClone(file)
    absorb(stored, entry, { id: 'p', version: 4, name: 'B' })
    expect(overlay(stored, []).plans[0]?.name).toBe(overlay(file, outbox.entries).plans[0]?.name)
    expect(stored.plans[0]?.version).toBe(4)
  })
})

function memory() {
  const items = new Map<string, string>()
  return {
    get length() {
      return items.size
    },
    key: (at: number) => [...items.keys()][at] ?? null,
    getItem: (key: string) => items.get(key) ?? null,
    setItem: (key: string, value: string) => void items.set(key, value),
    removeItem: (key: string) => void items.delete(key),
  }
}

describe('what the browser keeps', () => {
  const unsent = after(
    changed(plan, { name: 'B' }),
    drafted({ key: 'jobs/j', field: 'dueOn', value: 'soon' }),
  )

  test('comes back to the same tab, with what could not be accepted yet', () => {
    const keep = memory()
    store(keep, 'one', unsent)
    const back = restore(keep, 'one', () => false)
    expect([back.entries, back.drafts]).toEqual([unsent.entries, unsent.drafts])
    expect(back.sending).toBeNull()
  })

  test('is taken over from a tab that is gone, and left to one that is open', () => {
    const keep = memory()
    store(keep, 'one', unsent)
    expect(restore(keep, 'two', (tab) => tab === 'one').entries).toEqual([])
    expect(restore(keep, 'two', () => false).entries).toEqual(unsent.entries)
    expect(restore(keep, 'three', (tab) => tab === 'two').entries).toEqual([])
  })

  test('leaves nothing behind once all is sent, and survives being spoilt', () => {
    const keep = memory()
    store(keep, 'one', unsent)
    store(keep, 'one', emptyOutbox)
    expect(keep.length).toBe(0)
    keep.setItem('tembrix.outbox.one', '{"entries":')
    expect(restore(keep, 'one', () => false).entries).toEqual([])
  })
})

const keys = ({ shape }: { shape: object }) => Object.keys(shape)

test.each<[Collection, { shape: object }, { shape: object }]>([
  ['customers', records.NewCustomer, records.CustomerPatch],
  ['machines', records.NewMachineRecord, records.MachinePatch],
  ['modules', records.NewModuleRecord, records.ModulePatch],
  ['jobs', records.NewJob, records.JobPatch],
  ['plans', records.NewPlan, records.PlanPatch],
  ['quotes', records.NewQuote, records.QuotePatch],
  ['fits', records.NewFit, records.FitPatch],
  ['verifications', records.NewVerification, records.VerificationPatch],
  ['measurements', records.NewMeasurement, records.MeasurementPatch],
  ['frames', records.NewFrameLog, records.FrameLogPatch],
  ['readings', records.NewReadingRecord, records.ReadingPatch],
  ['models', records.NewModelRecord, records.ModelPatch],
])(
  '%s: a change joins a create only where the create takes all it may set',
  (collection, made, patch) => {
    const lost = keys(patch).filter((key) => key !== 'version' && !keys(made).includes(key))
    expect(lost.length > 0 && mayJoin({ action: 'create', collection })).toBe(false)
  },
)
