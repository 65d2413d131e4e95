import { expect, test } from 'vitest'
import { MACHINE, saidOfSubject, trustOf } from '../facts'
import { answerTo, read } from '../inputs'

const machine = (text: string) => {
  const { machine: told, modules } = answerTo(text)
  return { most: told?.maximumGiB, slots: told?.slotCount, modules: modules.length }
}

test.each<[string, ReturnType<typeof machine>]>([
  ['Total slots: 4, max capacity 128GB DDR4', { most: 128, slots: 4, modules: 0 }],
  ['up to 32GB DDR4 (2 SO-DIMM slots)', { most: 32, slots: 2, modules: 0 }],
  ['Memory: max. 2 x 16GB DDR4', { most: 32, slots: undefined, modules: 0 }],
  ['64 GB maximum memory', { most: 64, slots: undefined, modules: 0 }],
  ['Maximum memory: 1 TB', { most: 1024, slots: undefined, modules: 0 }],
  ['Memory: 16 GB per module, max. 64 GB', { most: 64, slots: undefined, modules: 0 }],
])('%s', (text, told) => {
  expect(machine(text)).toEqual(told)
})

test('a limit beside what is in the machine leaves that a module', () => {
  const text = 'Memory 8 GB DDR4-2666 SO-DIMM, max. 32 GB'
  const { modules } = answerTo(text)
  const limit = read(text).observations.find(({ what }) => what === 'maximumGiB')
  expect(limit).toMatchObject({ value: 32, source: 'page', where: { line: 1 } })
  expect(modules[0]?.module).toMatchObject({ capacityGiB: 8, formFactor: 'SODIMM' })
})

test('a voltage at most, and a disk, are no limits of memory', () => {
  expect(machine('16GB DDR4-3200 SO-DIMM max. 1.2 V')).toEqual({
    most: undefined,
    slots: undefined,
    modules: 1,
  })
  expect(machine('Maximum storage: 2 TB')).toEqual({
    most: undefined,
    slots: undefined,
    modules: 0,
  })
})

test('every line of a page is shown as read from it', () => {
  const { parts } = answerTo('Memory slots: 2\nMaximum memory: 32 GB\nColour: grey')
  expect(parts.map(({ format, from, to }) => [format, from, to])).toEqual([
    ['page', 1, 2],
    ['unknown', 3, 3],
  ])
})

test('kinds that a page names in one way only are facts of the machine', () => {
  const page = `Maximum memory: 32GB DDR4-2400
Memory slots: 2 SO-DIMM
Memory type: DDR4 dual-channel
Memory speed: 2133 / 2400 MHz`
  const { observations } = read(page)
  expect(saidOfSubject(observations, MACHINE)).toEqual({
    maximumGiB: 32,
    slotCount: 2,
    generation: 'DDR4',
    formFactor: 'SODIMM',
    channelCount: 2,
    fastestRate: 2400,
  })
  const about = observations.find(({ what }) => what === 'generation')
  expect(about).toMatchObject({ source: 'page', where: { line: 1 } })
  expect(about && trustOf({ ...about, input: 'r1' })).toBe('fair')
})

test.each([
  ['two generations', 'Maximum memory: 64 GB\nMemory type: DDR4 or DDR5', 'generation'],
  ['a slot’s name', 'Memory slots: 2 DIMM\nMaximum memory: 64 GB DDR4', 'formFactor'],
  ['a disk’s rate', 'Maximum memory: 64 GB DDR4\n1 TB SSD 7200 MHz', 'fastestRate'],
] as const)('%s leaves it open', (_, page, what) => {
  expect(saidOfSubject(read(page).observations, MACHINE)[what]).toBeUndefined()
})

test.each([
  '16 GB DDR4-RAM (1 Slot frei)',
  'Memory: 8 GB DDR4, 1 free SO-DIMM slot',
  'Memory slots: 1 available, DDR4',
  'RAM 8 Go DDR4 (1 emplacement libre)',
])('slots that are free are not how many there are: %s', (text) => {
  expect(saidOfSubject(read(text).observations, MACHINE).slotCount).toBeUndefined()
})

test('what is well-formed and of no known form is told so', () => {
  const code = (text: string) => answerTo(text).problems[0]?.code
  expect(code('{"name":"x","version":2}')).toBe('WELL_FORMED_UNKNOWN')
  expect(code('<root><a>1</a></root>')).toBe('WELL_FORMED_UNKNOWN')
  expect(code('<root><a>1')).toBe('NOTHING_READ')
})
