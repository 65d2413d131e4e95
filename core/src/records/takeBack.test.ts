import { expect, test } from 'vitest'
import { HISTORY_TEXT, type HistoryLine, takenBack } from '.'

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

test('a change that the history says all of can be taken back', () => {
  expect(takenBack(line({}))).toEqual({
    collection: 'jobs',
    recordId: line({}).recordId,
    fields: { dueOn: '2030-01-02', budget: null },
  })
})

test.each([
  ['one that made a record', { action: 'created' as const, changes: null }],
  ['one of before changes were kept', { changes: null }],
  ['a list, which is only named', { fields: ['accessories'], changes: {} }],
  ['a list beside a date', { fields: ['dueOn', 'accessories'] }],
  [
    'what nobody may set',
    {
      record: 'fit' as const,
      fields: ['finishedAt'],
      changes: { finishedAt: [null, 'x'] as [null, string] },
    },
  ],
  [
    'a text that was cut',
    {
      fields: ['complaint'],
      changes: { complaint: ['x'.repeat(HISTORY_TEXT + 1), ''] as [string, string] },
    },
  ],
  ['the shop’s settings', { record: 'shop' as const }],
])('not %s', (_, of) => {
  expect(takenBack(line(of))).toBeNull()
})
