import { expect, test } from 'vitest'
import { meanwhile } from '.'

const settled = { disputes: [], questions: [] }

test('while parts are awaited, what is open is settled and the machine is measured as it came', () => {
  const open = { ...settled, questions: [{}] } as never
  expect(meanwhile({ measurements: [] }, open)).toEqual(['SETTLE', 'MEASURE'])
  expect(meanwhile({ measurements: [{ configuration: 'after' }] }, settled)).toEqual(['MEASURE'])
  expect(meanwhile({ measurements: [{ configuration: 'before' }] }, settled)).toEqual([])
})
