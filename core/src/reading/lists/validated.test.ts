import { describe, expect, test } from 'vitest'
import { guessColumns, parseTable, type Table } from '../../things/tables'
import { areAllListed, importValidated, indexed, lookUp, testedWith, VALIDATED_WORDS } from '.'

const LIST = `Vendor;Part Number;Kit;Module Size;Slots tested;Speed
Alder;Q4-8-3200;1;8GB;1/2;DDR4-3200
Alder;Q4 16 3200;2x16;2x16GB;2;3200 MT/s
Alder;;1;8GB;2;3200
Birch;B4-7;1;7GB;2;3200`

const table = parseTable(LIST) as Table
const columns = guessColumns(table.headings, VALIDATED_WORDS)

test('columns are told by their headings', () => {
  expect(columns).toEqual({
    article: 'Part Number',
    maker: 'Vendor',
    kitSize: 'Kit',
    capacityGiB: 'Module Size',
    slotsTested: 'Slots tested',
    dataRate: 'Speed',
  })
})

test('rows become entries; those that cannot are named by line', () => {
  const { made, faults } = importValidated(table, columns)
  expect(made).toEqual([
    {
      article: 'Q4-8-3200',
      maker: 'Alder',
      kitSize: 1,
      capacityGiB: 8,
      slotsTested: 2,
      dataRate: 3200,
    },
    {
      article: 'Q4 16 3200',
      maker: 'Alder',
      kitSize: 2,
      capacityGiB: 16,
      slotsTested: 2,
      dataRate: 3200,
    },
  ])
  expect(faults).toEqual([
    { line: 4, message: 'The part number is missing.' },
    { line: 5, message: 'No memory of this capacity is made.' },
  ])
})

describe('looking up', () => {
  const index = indexed(importValidated(table, columns).made)
  test('an article however it is spelt', () => {
    expect(lookUp(index, 'q4-16-3200', 2).kind).toBe('listed')
  })
  test('listed for two is not listed for four', () => {
    expect(lookUp(index, 'Q4-8-3200', 4)).toMatchObject({
      kind: 'listed-for-fewer',
      slotsTested: 2,
    })
  })
  test('with its maker’s name before it, as a job’s record has it', () => {
    expect(lookUp(index, 'Alder Q4-8-3200', 1).kind).toBe('listed')
    const plain = indexed([
      { article: 'Q4-8', kitSize: 1, capacityGiB: 8, slotsTested: 1, dataRate: null },
    ])
    expect(lookUp(plain, 'Alder Q4-8', 1).kind).toBe('listed')
    expect(lookUp(plain, '2 Q4-8', 1).kind).toBe('not-listed')
  })
  test('all of it is listed only where each is, for as many as there are', () => {
    expect(testedWith(index, 'q4-8-3200')).toBe(2)
    expect(testedWith(index, 'Q4-8')).toBeNull()
    expect(areAllListed(index, ['Q4-8-3200', 'Q4-16-3200'])).toBe(true)
    expect(areAllListed(index, ['Q4-8-3200', 'Q4-16-3200', 'Q4-8-3200'])).toBe(false)
    expect(areAllListed(index, ['Q4-8-3200', 'Q4-8'])).toBe(false)
    expect(areAllListed(index, [])).toBe(false)
  })
  test('not on the list', () => {
    expect(lookUp(index, 'Q4-8', 1)).toEqual({ kind: 'not-listed' })
  })
  test('without a number of slots the kit counts', () => {
    const entry = { article: 'K', kitSize: 2, capacityGiB: 8, slotsTested: null, dataRate: null }
    expect(lookUp(indexed([entry]), 'K', 2).kind).toBe('listed')
    expect(lookUp(indexed([entry]), 'K', 4).kind).toBe('listed-for-fewer')
  })
})
