import type { Made } from '@tembrix/core/bench/diagnose'
import { expect, test } from 'vitest'
import { VERDICT_PROMISES, type VerdictFacts } from './verdictPromises'

const trial = (changes: Partial<Made>): Made => ({
  arrangement: { A2: 'good 0' },
  reseat: false,
  profile: false,
  depth: 'test',
  action: null,
  outcome: { kind: 'PASS' },
  ...changes,
})

const bare: VerdictFacts = {
  warrantyUntil: null,
  ours: null,
  today: '2026-11-25',
  trials: [],
  others: ['good 0'],
  name: (module) => `the ${module.split(' ')[0]} one`,
}

test('an exchange is spoken of only under a warranty that still runs', () => {
  const said = (warrantyUntil: string | null) =>
    VERDICT_PROMISES.exchange({ ...bare, warrantyUntil })
  expect(said('2027-03-01')).toContain('until 1 Mar 2027')
  expect(said('2026-11-25')).toContain('under warranty')
  expect(said('2026-11-24')).toBe('')
  expect(said(null)).toBe('')
})

test('our own warranty is spoken of where an earlier report gives it', () => {
  const ours = { until: '2027-03-01', number: 7 }
  expect(VERDICT_PROMISES.ours({ ...bare, ours })).toContain(
    'until 1 Mar 2027, by the report of job 7',
  )
  expect(VERDICT_PROMISES.ours(bare)).toBe('')
})

test('only a module that passed a memory test is said to have', () => {
  const said = (trials: Made[]) => VERDICT_PROMISES.sound({ ...bare, trials })
  expect(said([trial({})])).toBe('Passed the memory test: the good one.')
  expect(said([])).toBe('')
  expect(said([trial({ depth: 'start' })])).toBe('')
  expect(said([trial({ outcome: { kind: 'ERRORS' } })])).toBe('')
  expect(said([trial({ arrangement: { A2: 'bad 0' } })])).toBe('')
})
