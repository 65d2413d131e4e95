import type { JobFile, ModelRecord, ModuleRecord } from '@tembrix/core/things/records'
import { describe, expect, test } from 'vitest'
import { restore, store } from './keep'
import {
  acted,
  changed,
  created,
  drafted,
  dropped,
  emptyOutbox,
  FAILS_AT_MOST,
  failed,
  held,
  insisted,
  linkOf,
  nextEntry,
  type Outbox,
  outboxReducer,
  recordMovedOn,
  released,
  removed,
  sending,
  sent,
  unreachable,
  yielded,
} from './outbox'
import { applyAnswer, overlay, overlayModels } from './overlay'
import { changing, expecting, making, removing } from './writes'

const plan = { jobId: 'j', collection: 'plans', recordId: 'p', version: 3 } as const
const otherPlan = { ...plan, recordId: 'other' }
const job = { jobId: 'j', collection: 'jobs', recordId: 'j', version: 5 } as const
const storedPlan = { id: 'p', name: 'A', profile: false }
const at = (moduleId: string) => ({ moduleId, unit: 0 })
const tick = (by: string) => ({ state: 'done' as const, at: '2026-03-01T10:00:00Z', by })
const piece = {
  source: 'customer' as const,
  module: {
    article: 'p',
    generation: 'DDR4' as const,
    formFactor: 'DIMM' as const,
    buffering: 'unbuffered' as const,
    ecc: false,
    capacityGiB: 8,
    ranks: 1,
    deviceWidth: 8 as const,
    voltages: [1.2],
    speeds: [{ kind: 'standard' as const, dataRate: 3200, cl: 22, trcd: 22, trp: 22, tras: 52 }],
  },
}
const refused = (id: string, why: string) => held({ id, held: { kind: 'refused', why } })

type Action = Parameters<typeof outboxReducer>[1]
const after = (...actions: Action[]): Outbox => actions.reduce(outboxReducer, emptyOutbox)
const idOf = (outbox: Outbox, at = 0) => outbox.entries[at]?.id as string

describe('writes on their way', () => {
  test('changes of one record go as one until they are sent off', () => {
    const two = after(changed(plan, { profile: true }, {}), changed(plan, { name: 'B' }, {}))
    expect(two.entries).toMatchObject([{ version: 3, fields: { profile: true, name: 'B' } }])
    const sentOff = [sending(idOf(two)), changed(plan, { name: 'C' }, {})].reduce(
      outboxReducer,
      two,
    )
    expect(sentOff.entries.map(({ fields }) => fields.name)).toEqual(['B', 'C'])
  })

  test('a change goes out behind what was created meanwhile, which it may name', () => {
    const module = { jobId: 'j', collection: 'modules', recordId: 'm' } as const
    const { entries } = after(
      changed(job, { found: { B: at('n') } }, {}),
      created(module, piece),
      changed(job, { found: { B: at('n'), A: at('m') } }, {}),
    )
    expect(entries.map(({ action, fields }) => [action, fields.found])).toEqual([
      ['change', { B: at('n') }],
      ['create', undefined],
      ['change', { B: at('n'), A: at('m') }],
    ])
  })

  test('a write whose answer was lost goes again as it was; what is changed since goes by itself', () => {
    const one = after(changed(plan, { name: 'B' }, {}))
    const lost = [sending(idOf(one)), unreachable()].reduce(outboxReducer, one)
    const more = [changed(plan, { name: 'C' }, {}), changed(plan, { profile: true }, {})].reduce(
      outboxReducer,
      lost,
    )
    expect(more.entries.map(({ fields }) => fields)).toEqual([
      { name: 'B' },
      { name: 'C', profile: true },
    ])
    // The same for one that was made: the server answers with what it has, and the change follows.
    const reading = { jobId: 'j', collection: 'readings', recordId: 'r' } as const
    const made = after(created(reading, { jobId: 'j', name: 'pasted' }))
    const both = [
      sending(idOf(made)),
      unreachable(),
      changed({ ...reading, version: 0 }, { name: 'typed' }, {}),
      sent({ id: idOf(made), answer: { version: 1, name: 'pasted' } }),
    ].reduce(outboxReducer, made)
    expect(both.entries).toMatchObject([
      { action: 'change', version: 1, fields: { name: 'typed' } },
    ])
  })

  test('one that was refused takes a better value into itself', () => {
    const one = after(changed(plan, { name: '' }, storedPlan))
    const id = idOf(one)
    const better = [
      sending(id),
      refused(id, 'no name'),
      changed(plan, { name: 'B' }, storedPlan),
    ].reduce(outboxReducer, one)
    expect(better.entries).toMatchObject([{ fields: { name: 'B' }, base: { name: 'A' } }])
    expect(nextEntry(better)).toBeDefined()
  })

  test('a later change goes out against what the earlier one made of the record', () => {
    const first = after(changed(plan, { name: 'B' }, storedPlan))
    const both = [
      sending(idOf(first)),
      changed(plan, { name: 'C' }, { ...storedPlan, name: 'B' }),
    ].reduce(outboxReducer, first)
    const answer = { version: 4, name: 'B', profile: true }
    const left = outboxReducer(both, sent({ id: idOf(first), answer }))
    expect(left.entries).toMatchObject([{ version: 4, fields: { name: 'C' } }])
    expect(linkOf(left)).toBe('waiting')
  })

  test('what the server stores in another form is no change of somebody else’s', () => {
    const fit = { jobId: 'j', collection: 'fits', recordId: 'f', version: 2 } as const
    const begun = '2026-03-01T10:00:00Z'
    const first = after(changed(fit, { runningSince: begun }, { runningSince: null }))
    const both = [
      sending(idOf(first)),
      changed(fit, { runningSince: null, seconds: 60 }, { runningSince: begun, seconds: 0 }),
    ].reduce(outboxReducer, first)
    const answer = { version: 3, runningSince: '2026-03-01T10:00:00.000Z', seconds: 0 }
    const left = outboxReducer(both, sent({ id: idOf(first), answer }))
    expect(left.entries).toMatchObject([
      { version: 3, fields: { runningSince: null, seconds: 60 } },
    ])
    expect(nextEntry(left)).toBeDefined()
  })

  test('each write is fitted to what the one before it makes of the record, not to an older answer', () => {
    const shown = { ...storedPlan, name: 'C', version: 3 }
    const sentOff = after(changed(plan, { name: 'B' }, storedPlan))
    const typedOn = [
      sending(idOf(sentOff)),
      changed(plan, { name: 'C' }, { ...storedPlan, name: 'B' }),
      acted('j', 'the end', [changing('plans', shown, { name: 'D' })]),
      sent({ id: idOf(sentOff), answer: { ...storedPlan, name: 'B', version: 4 } }),
    ].reduce(outboxReducer, sentOff)
    expect(typedOn.entries).toMatchObject([
      { fields: { name: 'C' }, base: { name: 'B' }, version: 4 },
      { fields: { name: 'D' }, base: { name: 'C' }, version: 4 },
    ])
    expect(typedOn.entries.filter(({ held }) => held)).toEqual([])
    const last = outboxReducer(
      typedOn,
      sent({ id: idOf(typedOn), answer: { ...storedPlan, name: 'C', version: 5 } }),
    )
    expect(last.entries).toMatchObject([{ fields: { name: 'D' }, base: { name: 'C' }, version: 5 }])
    expect(linkOf(last)).toBe('waiting')
  })

  test('a clock started twice at one screen is stopped, whichever start was stored', () => {
    const fit = { jobId: 'j', collection: 'fits', recordId: 'j', version: 1 } as const
    const still = { id: 'j', runningSince: null }
    const [first, second] = ['2026-03-01T10:00:00.000Z', '2026-03-01T10:00:01.000Z']
    const started = after(changed(fit, { runningSince: first }, still))
    const { entries } = [
      sending(idOf(started)),
      changed(fit, { runningSince: second }, still),
      acted('j', 'the end', [
        changing('fits', { id: 'j', version: 1, runningSince: second } as never, {
          runningSince: null,
        }),
      ]),
      sent({ id: idOf(started), answer: { id: 'j', runningSince: first, version: 2 } }),
    ].reduce(outboxReducer, started)
    expect(entries.map(({ fields, held }) => [fields.runningSince, held])).toEqual([
      [first, undefined],
      [null, undefined],
    ])
  })

  test('a refused write holds up its own record only, and a better value frees it', () => {
    const both = after(changed(plan, { name: '' }, storedPlan), changed(job, { uses: 'bees' }, {}))
    const torn = outboxReducer(both, refused(idOf(both), 'no name'))
    expect(nextEntry(torn)?.collection).toBe('jobs')
    const better = outboxReducer(torn, changed(plan, { name: 'B' }, storedPlan))
    expect(nextEntry(better)?.collection).toBe('plans')
  })

  test('two conflicts hold their own records, and a third write goes on', () => {
    const three = after(
      changed(plan, { name: 'B' }, storedPlan),
      changed(job, { complaint: 'mine' }, { complaint: 'old' }),
      changed({ ...job, collection: 'customers', recordId: 'c' }, { phone: '1' }, { phone: '' }),
    )
    const torn = [
      recordMovedOn({ id: idOf(three, 0), stored: { ...storedPlan, version: 9, name: 'C' } }),
      recordMovedOn({ id: idOf(three, 1), stored: { version: 9, complaint: 'theirs' } }),
    ].reduce(outboxReducer, three)
    expect(torn.entries.map((entry) => entry.held?.kind)).toEqual([
      'conflict',
      'conflict',
      undefined,
    ])
    expect(nextEntry(torn)?.collection).toBe('customers')
    expect(linkOf(torn)).toBe('conflict')
  })

  test('what others changed beside it needs no person: both go together', () => {
    const fit = { jobId: 'j', collection: 'fits', recordId: 'f', version: 2 } as const
    const one = after(
      changed(fit, { ticks: { a: tick('a') }, note: 'mine' }, { ticks: {}, note: '' }),
    )
    const stored = { version: 5, ticks: { b: tick('b') }, note: '', seconds: 9 }
    const both = outboxReducer(one, recordMovedOn({ id: idOf(one), stored }))
    expect(nextEntry(both)).toMatchObject({
      version: 5,
      fields: { ticks: { a: tick('a'), b: tick('b') }, note: 'mine' },
      base: { ticks: { b: tick('b') }, note: '' },
    })
  })

  test('a record begun at two screens keeps what either put in', () => {
    const fit = { jobId: 'j', collection: 'fits', recordId: 'f' } as const
    const begun = after(
      created(fit, { jobId: 'j' }),
      changed({ ...fit, version: 0 }, { ticks: { a: tick('a') } }, { ticks: {} }),
    )
    const answer = { version: 3, ticks: { b: tick('b') } }
    const sentOff = outboxReducer(begun, sent({ id: idOf(begun), answer }))
    expect(sentOff.entries).toMatchObject([
      { version: 3, fields: { ticks: { a: tick('a'), b: tick('b') } } },
    ])
  })

  test('a conflict waits for a person: mine, or what is stored with what only I changed', () => {
    const fields = { name: 'B', profile: true }
    const one = after(changed(plan, fields, storedPlan))
    const id = idOf(one)
    const stored = { id: 'p', version: 9, name: 'C', profile: false }
    const torn = outboxReducer(one, recordMovedOn({ id, stored }))
    expect(torn.entries[0]?.held).toEqual({ kind: 'conflict', stored, clashes: ['name'] })
    expect([linkOf(torn), nextEntry(torn)]).toEqual(['conflict', undefined])
    expect(nextEntry(outboxReducer(torn, insisted(id)))).toMatchObject({ version: 9, fields })
    const given = nextEntry(outboxReducer(torn, yielded(id)))
    expect(given).toMatchObject({ version: 9, fields: { profile: true } })
    expect(given?.fields).not.toHaveProperty('name')
    expect(linkOf(outboxReducer(torn, dropped(id)))).toBe('saved')
  })

  test('what is typed while it is in conflict is in conflict, unless it is what is stored', () => {
    const one = after(changed(plan, { name: 'B' }, storedPlan))
    const id = idOf(one)
    const stored = { id: 'p', version: 9, name: 'C', profile: false }
    const torn = outboxReducer(one, recordMovedOn({ id, stored }))
    const typed = outboxReducer(torn, changed(plan, { name: 'Be' }, { name: 'B' }))
    expect(typed.entries).toMatchObject([
      {
        fields: { name: 'Be' },
        base: { name: 'A' },
        held: { kind: 'conflict', clashes: ['name'] },
      },
    ])
    const alike = outboxReducer(torn, changed(plan, { name: 'C' }, { name: 'B' }))
    expect(nextEntry(alike)).toMatchObject({ version: 9, fields: { name: 'C' } })
    const gone = outboxReducer(one, held({ id, held: { kind: 'gone' } }))
    expect(outboxReducer(gone, changed(plan, { name: 'D' }, { name: 'B' })).entries).toHaveLength(2)
  })

  test('a removal of what was changed since is asked about', () => {
    const one = after(removed(plan))
    const id = idOf(one)
    const torn = outboxReducer(one, recordMovedOn({ id, stored: { ...storedPlan, version: 7 } }))
    expect([linkOf(torn), nextEntry(torn)]).toEqual(['conflict', undefined])
    expect(nextEntry(outboxReducer(torn, insisted(id)))).toMatchObject({
      action: 'remove',
      version: 7,
    })
    expect(outboxReducer(torn, yielded(id)).entries).toEqual([])
  })

  test('one that the server fails on lets other jobs pass, and is set aside after some tries', () => {
    const other = { jobId: 'k', collection: 'jobs', recordId: 'k', version: 1 } as const
    const both = after(
      changed(plan, { name: 'B' }, storedPlan),
      changed(other, { complaint: 'x' }, {}),
    )
    const id = idOf(both)
    let now = outboxReducer(both, failed({ id, why: 'broken' }))
    expect([nextEntry(now)?.jobId, linkOf(now)]).toEqual(['k', 'waiting'])
    for (let tries = 1; tries < FAILS_AT_MOST; tries += 1) {
      expect(now.entries[0]?.held).toBeUndefined()
      now = outboxReducer(now, failed({ id, why: 'broken' }))
    }
    expect(now.entries[0]?.held).toEqual({ kind: 'refused', why: 'broken' })
    expect(nextEntry(outboxReducer(now, released(id)))?.id).toBe(id)
    expect(outboxReducer(now, released(id)).entries[0]).not.toHaveProperty('held')
  })

  test('what was refused for naming what was not stored yet goes again once it is', () => {
    const module = { jobId: 'j', collection: 'modules', recordId: 'm' } as const
    const both = after(created(module, piece), changed(job, { found: { A: at('m') } }, {}))
    const torn = outboxReducer(both, refused(idOf(both, 1), 'no such module'))
    const freed = outboxReducer(torn, sent({ id: idOf(both), answer: { version: 1 } }))
    expect(nextEntry(freed)?.fields).toEqual({ found: { A: at('m') } })
  })

  test('a server that is away is said to be away until it answers', () => {
    const one = after(changed(plan, { name: 'B' }, {}))
    const away = outboxReducer(one, unreachable())
    expect(linkOf(away)).toBe('away')
    expect(linkOf(outboxReducer(away, sending(idOf(one))))).toBe('away')
    expect(linkOf(outboxReducer(away, sent({ id: idOf(one), answer: { version: 4 } })))).toBe(
      'saved',
    )
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
      created({ jobId: 'j', collection: 'modules', recordId: 'x' }, piece),
      changed(job, { uses: 'bees' }, {}),
      changed(plan, { name: 'B' }, {}),
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
    const made = after(created(reading, { jobId: 'j', name: 'pasted', text: '8GB' }))
    expect(overlay(file, made.entries).readings).toMatchObject([
      { id: 'r', name: 'pasted', base64: null, seats: {} },
    ])
    const seated = [changed({ ...reading, version: 0 }, { seats: { 0: 'A' } }, {})].reduce(
      outboxReducer,
      made,
    )
    expect(overlay(file, seated.entries).readings[0]?.seats).toEqual({ 0: 'A' })
    const stored = structuredClone(file)
    const [entry] = seated.entries
    if (!entry) throw new Error('no entry')
    applyAnswer(stored, entry, { id: 'r', version: 1, name: 'pasted', seats: { 0: 'A' } })
    expect(overlay(stored, []).readings).toMatchObject([{ id: 'r', version: 1 }])
    const gone = after(removed({ ...reading, version: 1 }))
    expect(overlay(stored, gone.entries).readings).toEqual([])
  })

  test('the shop’s own records lie under no job', () => {
    const model = { id: 'm', openingMinutes: 5 } as ModelRecord
    const target = { jobId: '', collection: 'models', recordId: 'm', version: 1 } as const
    const outbox = after(changed(target, { openingMinutes: 9 }, {}))
    expect(overlayModels([model], outbox.entries)[0]?.openingMinutes).toBe(9)
    expect(overlay(file, outbox.entries)).toBe(file)
  })

  test('is the same before and after an answer is taken in', () => {
    const outbox = after(changed(plan, { name: 'B' }, {}))
    const entry = outbox.entries[0]
    if (!entry) throw new Error('no entry')
    const stored = structuredClone(file)
    applyAnswer(stored, entry, { id: 'p', version: 4, name: 'B' })
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
    changed(plan, { name: 'B' }, {}),
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
    // As it was kept before entries knew what their fields had been.
    const [entry] = unsent.entries
    const { base: _, ...older } = entry ?? { base: {} }
    keep.setItem('tembrix.outbox.one', JSON.stringify({ entries: [older], drafts: {} }))
    expect(restore(keep, 'one', () => false).entries).toMatchObject([{ ...older, base: {} }])
    keep.setItem('tembrix.outbox.one', '{"entries":')
    expect(restore(keep, 'one', () => false).entries).toEqual([])
  })
})

test('what is no field of a kind does not compile', () => {
  const quote = { jobId: 'j', collection: 'quotes', recordId: 'q', version: 1 } as const
  // @ts-expect-error: it is the approval
  expect(changed(quote, { aproval: null }, {}).payload.fields).toEqual({ aproval: null })
  // @ts-expect-error: a plan has no complaint
  expect(changed(plan, { complaint: '' }, {}).payload.fields).toEqual({ complaint: '' })
})

describe('acts', () => {
  const board = { ...storedPlan, version: 3 }
  const theJob = { id: 'j', version: 5, stage: 'quote' }
  const approval = () =>
    acted('j', 'the approval', [
      changing('plans', board, { profile: true }),
      changing('jobs', theJob, { stage: 'fit' }),
      expecting('quotes', { id: 'q', version: 2 }),
    ])

  test('nothing joins an act, and it goes out with its first write', () => {
    const outbox = after(changed(plan, { name: 'B' }, storedPlan), approval())
    expect(outbox.entries.map(({ act }) => act?.name)).toEqual([
      undefined,
      'the approval',
      'the approval',
      'the approval',
    ])
    const more = outboxReducer(outbox, changed(job, { stage: 'verify' }, theJob))
    expect(more.entries).toHaveLength(5)
    const first = outboxReducer(
      more,
      sent({ id: idOf(more), answer: { ...storedPlan, version: 4 } }),
    )
    expect(nextEntry(first)).toMatchObject({ collection: 'plans', version: 4 })
    expect(outboxReducer(first, sending(idOf(first))).entries.map(({ tried }) => tried)).toEqual([
      true,
      true,
      true,
      undefined,
    ])
  })

  test('an act waits for a held write of any of its records, and others pass it', () => {
    const outbox = after(changed(job, { budget: 1 }, theJob), approval())
    const waiting = [refused(idOf(outbox), 'No.'), changed(otherPlan, { name: 'C' }, {})].reduce(
      outboxReducer,
      outbox,
    )
    expect(nextEntry(waiting)).toMatchObject({ recordId: 'other' })
  })

  test('what it was decided on has moved on: asked, and done all the same', () => {
    const outbox = after(approval())
    const id = idOf(outbox, 2)
    const moved = outboxReducer(outbox, recordMovedOn({ id, stored: { id: 'q', version: 3 } }))
    expect(moved.entries[2]?.held).toMatchObject({ kind: 'conflict', clashes: [] })
    expect(nextEntry(moved)).toBeUndefined()
    const insists = outboxReducer(moved, insisted(id))
    expect(insists.entries.map(({ held, version }) => [held, version])).toEqual([
      [undefined, 3],
      [undefined, 5],
      [undefined, 3],
    ])
    expect(outboxReducer(moved, yielded(id)).entries).toEqual([])
  })

  test('what it was decided on as it still is stops nothing', () => {
    const outbox = after(approval())
    const same = outboxReducer(
      outbox,
      recordMovedOn({ id: idOf(outbox, 2), stored: { id: 'q', version: 2 } }),
    )
    expect(same.entries[2]?.held).toBeUndefined()
  })

  test('given up, tried again or yielded in one of its writes, it is so in all', () => {
    const outbox = after(approval())
    const set = outboxReducer(outbox, refused(idOf(outbox, 1), 'No.'))
    expect(outboxReducer(set, dropped(idOf(outbox, 1))).entries).toEqual([])
    expect(nextEntry(outboxReducer(set, released(idOf(outbox))))).toBeDefined()
    const clash = outboxReducer(
      outbox,
      recordMovedOn({ id: idOf(outbox, 1), stored: { id: 'j', version: 6, stage: 'closed' } }),
    )
    expect(outboxReducer(clash, yielded(idOf(outbox, 1))).entries).toEqual([])
  })

  test('what is made again after it was removed is there', () => {
    const read = { ...file, plans: [{ ...board, placement: null, manual: null }] } as JobFile
    const { entries } = after(
      removed(plan),
      acted('j', 'back', [making('plans', { jobId: 'j', name: 'A' }, 'p')]),
    )
    expect(overlay(read, entries).plans).toMatchObject([{ id: 'p', name: 'A' }])
    expect(overlay(read, entries.slice(0, 1)).plans).toEqual([])
    const twice = after(acted('j', 'out', [removing('plans', board)]))
    expect(overlay(read, twice.entries).plans).toEqual([])
  })
})

test('an answer that comes after something newer was read is not taken', () => {
  const entry = after(changed(job, { complaint: 'older' }, {})).entries[0]
  const read = { ...file, version: 7, complaint: 'newer' } as JobFile
  if (!entry) throw new Error('nothing waits')
  applyAnswer(read, entry, { id: 'j', version: 6, complaint: 'older' })
  expect(read).toMatchObject({ version: 7, complaint: 'newer' })
  applyAnswer(read, entry, { id: 'j', version: 8, complaint: 'newest' })
  expect(read).toMatchObject({ version: 8, complaint: 'newest' })
})

test('what was made and then changed while a job was being read is taken into it, answer after answer', () => {
  const reading = { jobId: 'j', collection: 'readings', recordId: 'r' } as const
  const made = after(created(reading, { jobId: 'j', name: 'pasted' }))
  const entry = made.entries[0]
  if (!entry) throw new Error('nothing waits')
  const answers = [
    { id: 'r', version: 1, name: 'pasted' },
    { id: 'r', version: 2, name: 'pasted twice' },
  ]
  // Kept answers are frozen, as is all that the store holds.
  const read = structuredClone(file)
  for (const answer of answers) applyAnswer(read, entry, Object.freeze(answer))
  expect(read.readings).toEqual([answers[1]])
  expect(answers[0]).toEqual({ id: 'r', version: 1, name: 'pasted' })
})
