import { expect, test } from 'vitest'
import { desktop } from '../../../test/builders'
import { read } from '../../reading/inputs'
import type { ReadingRecord } from '../../things/records'
import { placeRead } from './placeRead'

const machine = desktop()
const [first, second] = machine.slots.map(({ id }) => id) as [string, string]
const LABEL = '8GB 1Rx8 PC4-2666V-UA2-11'

const input = (id: string, text: string, seats: ReadingRecord['seats'] = {}): ReadingRecord => ({
  id,
  jobId: 'job',
  name: 'pasted',
  by: 'Mika',
  text,
  base64: null,
  seats,
  version: 0,
  createdAt: '2030-02-10T10:00:00Z',
  updatedAt: '2030-02-10T10:00:00Z',
})
const job: Parameters<typeof placeRead>[0] = {
  machine: { machine, sources: {} },
  rulings: {},
  readings: [],
  assignment: {},
  placement: {},
  runsAt: null,
  decode: ({ text }) => read(text ?? ''),
}
const ids = () => {
  let next = 0
  return () => `new-${++next}`
}

test('what was read goes into the slot it is said to be in, with an id of its own', () => {
  const { modules, found } = placeRead(job, [input('r', LABEL, { 0: first })], ids())
  expect(modules).toMatchObject([{ id: 'new-1', module: { capacityGiB: 8, generation: 'DDR4' } }])
  expect(found).toEqual({ [first]: { moduleId: 'new-1', unit: 0 } })
})

test('several inputs at once go into slots of their own', () => {
  const both = [input('r', LABEL, { 0: first }), input('s', LABEL, { 0: second })]
  expect(Object.keys(placeRead(job, both, ids()).found ?? {})).toEqual([first, second])
})

test('a module whose slot nobody knows is in none', () => {
  expect(placeRead(job, [input('r', LABEL)], ids())).toEqual({ modules: [], found: null })
})

test('a slot that is taken keeps what is in it, and nothing else of an older input comes along twice', () => {
  const placed = placeRead(job, [input('r', LABEL, { 0: first })], ids())
  const taken = {
    ...job,
    readings: [input('r', LABEL, { 0: first })],
    assignment: { [first]: { moduleId: 'mine', unit: 0 } },
    placement: { [first]: placed.modules[0]?.module ?? null },
  }
  expect(placeRead(taken, [input('s', LABEL, { 0: first })], ids()).modules).toEqual([])
  const { found } = placeRead(taken, [input('s', LABEL, { 0: second })], ids())
  expect(found).toEqual({
    [first]: { moduleId: 'mine', unit: 0 },
    [second]: { moduleId: 'new-1', unit: 0 },
  })
})

test('seats given later place an input that is known', () => {
  const known = { ...job, readings: [input('r', LABEL)] }
  expect(placeRead(known, [input('r', LABEL, { 0: second })], ids()).found).toEqual({
    [second]: { moduleId: 'new-1', unit: 0 },
  })
})

test('modules of another machine are not placed unasked', () => {
  const other = input('r', '8GB 1Rx8 PC5-4800B-UA0', { 0: first })
  expect(placeRead(job, [other], ids())).toEqual({ modules: [], found: null })
})
