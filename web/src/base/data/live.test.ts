import type { JobFile, Written } from '@tembrix/core/things/records'
import { expect, test } from 'vitest'
import { versionIn } from './live'

const file = {
  id: 'j',
  version: 5,
  customer: { id: 'c', version: 2 },
  machine: { id: 'm', version: 3 },
  modules: [{ id: 'x', version: 4 }],
  readings: [],
  photos: [],
  plans: [],
  quotes: [],
  // Under the job's own id, as there is one at most.
  fits: [{ id: 'j', version: 7 }],
  verifications: [],
  measurements: [],
  frames: [],
} as unknown as JobFile

const written = (
  record: Written['record'],
  recordId: string,
  action: Written['action'] = 'changed',
  jobId: string | null = 'j',
) => ({ record, recordId, action, jobId })

test.each<[string, ReturnType<typeof written>, number | undefined]>([
  ['the job', written('job', 'j'), 5],
  ['another job', written('job', 'k', 'changed', 'k'), undefined],
  ['its fit, which has its id', written('fit', 'j'), 7],
  ['its customer', written('customer', 'c', 'changed', null), 2],
  ['another customer', written('customer', 'd', 'changed', null), undefined],
  ['a module', written('module', 'x'), 4],
  ['a module it has not yet', written('module', 'y', 'created'), 0],
  ['a module removed elsewhere', written('module', 'x', 'removed'), 0],
  ['a module removed here too', written('module', 'y', 'removed'), undefined],
  ['a reading of another job', written('reading', 'r', 'created', 'k'), undefined],
  ['a price list', written('price-list', 'p', 'created', null), undefined],
])('the version a job holds of what was written: %s', (_, one, version) => {
  expect(versionIn(file, one)).toBe(version)
})
