import { expect, test } from 'vitest'
import type { HistoryLine } from '../../things/records'
import { differenceOf, KEPT_TEXT, takenBack } from '.'

const line = (of: Partial<HistoryLine>): HistoryLine => ({
  id: 1,
  at: '2030-01-01T00:00:00.000Z',
  jobId: null,
  record: 'job',
  recordId: '00000000-0000-4000-8000-000000000001',
  action: 'changed',
  fields: ['dueOn', 'budget'],
  by: '',
  changes: { dueOn: ['2030-01-02', null], budget: [null, 5000] },
  ...of,
})
const MODULE = '00000000-0000-4000-8000-000000000002'
const job = { stage: 'quote', dueOn: null, budget: 5000, complaint: 'slow' }

test('a change that the history says all of is taken back', () => {
  expect(takenBack(line({}), job)).toEqual({
    collection: 'jobs',
    recordId: line({}).recordId,
    fields: { dueOn: '2030-01-02', budget: null },
  })
})

test('slots and lists come back whole', () => {
  const was = { found: { A1: { moduleId: MODULE, unit: 0 } }, accessories: ['a bag', 'a charger'] }
  const is = { found: { A2: { moduleId: MODULE, unit: 0 } }, accessories: ['a charger', 'a mouse'] }
  const changes = {
    found: differenceOf(was.found, is.found) ?? null,
    accessories: differenceOf(was.accessories, is.accessories) ?? null,
  }
  const told = line({ fields: ['found', 'accessories'], changes })
  expect(takenBack(told, is)?.fields).toEqual(was)
  // Somebody has put the module elsewhere since.
  expect(takenBack(told, { ...is, found: { B1: { moduleId: MODULE, unit: 0 } } })).toBeNull()
})

test.each<[string, Partial<HistoryLine>, object]>([
  ['one that made a record', { action: 'created', changes: null }, job],
  ['one of before changes were kept', { changes: null }, job],
  ['one of a list too long to keep', { fields: ['accessories'], changes: {} }, job],
  ['a date beside a list too long to keep', { fields: ['dueOn', 'accessories'] }, job],
  ['one that changed nothing', { fields: [], changes: {} }, job],
  ['one whose field was changed since', {}, { ...job, budget: 7000 }],
  [
    'one within what is no longer there',
    { record: 'plan', fields: ['manual'], changes: { manual: { timings: { cl: [16, 18] } } } },
    { manual: null },
  ],
  [
    'one of a list that is no longer there',
    { fields: ['accessories'], changes: { accessories: { _t: 'a', _0: ['a bag', 0, 0] } } },
    { accessories: null },
  ],
  [
    'what nobody may set',
    { record: 'fit', fields: ['finishedAt'], changes: { finishedAt: [null, 'x'] } },
    { finishedAt: 'x' },
  ],
  [
    'a text that was cut',
    {
      fields: ['complaint'],
      changes: { complaint: [`${'x'.repeat(KEPT_TEXT)}…`, 'slow'] },
    },
    job,
  ],
  [
    'an approval',
    { record: 'quote', fields: ['approval'], changes: { approval: [null, { name: 'Isa' }] } },
    { approval: { name: 'Isa' } },
  ],
  [
    'the closing of a job',
    { fields: ['stage'], changes: { stage: ['handover', 'closed'] } },
    { stage: 'closed' },
  ],
  ['the shop’s settings', { record: 'shop' }, job],
])('not %s', (_, of, now) => {
  expect(takenBack(line(of), now as Record<string, unknown>)).toBeNull()
})
