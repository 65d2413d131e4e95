import { expect, test } from 'vitest'
import type { ErrorLog } from '../../things/model'
import { newErrors } from './errorsLogged'

const log = (
  since: ErrorLog['since'],
  corrected = 0,
  bySlot: ErrorLog['bySlot'] = {},
): ErrorLog => ({
  corrected,
  uncorrected: 0,
  machineChecks: 0,
  bySlot,
  since,
})
const NONE = { corrected: 0, uncorrected: 0, machineChecks: 0, slots: [] }

test('a log since the start holds only new errors, whatever was before', () => {
  expect(newErrors(log('start', 3, { A1: 3 }), log('kept', 9))).toEqual({
    ...NONE,
    corrected: 3,
    slots: ['A1'],
  })
})

test('of a log that is kept, what it had before is taken off', () => {
  expect(newErrors(log('kept', 4, { A1: 4 }), log('kept', 4, { A1: 4 }))).toEqual(NONE)
  expect(newErrors(log('kept', 6, { A1: 4, B1: 2 }), log('kept', 4, { A1: 4 }))).toEqual({
    ...NONE,
    corrected: 2,
    slots: ['B1'],
  })
  // A log that was cleared in between has fewer than before.
  expect(newErrors(log('kept', 1), log('kept', 4))).toEqual(NONE)
})

test('errors of a log that is kept, with none taken before, may be old', () => {
  expect(newErrors(log('kept', 2), null)).toBeNull()
  expect(newErrors(log('kept', 2), log('start', 2))).toBeNull()
  expect(newErrors(log('kept'), null)).toEqual(NONE)
})
