import { describe, expect, test } from 'vitest'
import { guessColumns, parseTable, type Table } from '../tables'
import { importPrices, PRICE_WORDS } from '.'

const LIST = `Order code;Description;Generation;Form;Capacity;Kit;Rate;CL;Net price;Stock;Delivery
A-8;;DDR4;SO-DIMM;8 GB;1;3200;22;21,50;12;2
A-16K;;DDR4;UDIMM;2x16GB;;DDR4-2666;;1.071,00;>50;1 week
A-L;16GB 2Rx8 PC4-3200AA-SE1-11;;;;;;;39.00;out;
B-7;;DDR4;UDIMM;7GB;1;3200;;12,00;1;1
B-F;;DDR4;UDIMM;8GB;1;3200;;free;1;1
a-8;;DDR4;SO-DIMM;8 GB;1;3200;22;20,00;12;2
;;DDR4;SO-DIMM;8 GB;1;3200;22;20,00;12;2
B-G;;;UDIMM;8GB;1;3200;;12,00;1;1`

const table = parseTable(LIST) as Table
const columns = guessColumns(table.headings, PRICE_WORDS)
const terms = { markUpPercent: 0, minorUnits: 100 }

test('the columns are told by their headings', () => {
  expect(columns).toEqual({
    article: 'Order code',
    label: 'Description',
    generation: 'Generation',
    form: 'Form',
    capacityGiB: 'Capacity',
    pieces: 'Kit',
    dataRate: 'Rate',
    cl: 'CL',
    price: 'Net price',
    stock: 'Stock',
    leadDays: 'Delivery',
  })
})

describe('rows', () => {
  const { made, faults } = importPrices(table, columns, terms)

  test('that say what they are become offers', () => {
    expect(made.map(({ module }) => module.article)).toEqual(['A-8', 'A-16K', 'A-L'])
    expect(made[0]).toMatchObject({
      price: 2150,
      stock: 12,
      leadDays: 2,
      module: { generation: 'DDR4', formFactor: 'SODIMM', capacityGiB: 8, ranks: 1, kit: null },
    })
    expect(made[0]?.module.speeds.map(({ dataRate, cl }) => [dataRate, cl])).toEqual([
      [3200, 22],
      [2666, 19],
      [2933, 21],
    ])
  })

  test('of a kit are priced for all its pieces', () => {
    expect(made[1]).toMatchObject({
      price: 107_100,
      stock: 50,
      leadDays: 7,
      module: { capacityGiB: 16, kit: { id: 'A-16K', size: 2 } },
    })
  })

  test('take from the label what the columns leave out', () => {
    expect(made[2]).toMatchObject({
      price: 3900,
      stock: 0,
      leadDays: null,
      module: { formFactor: 'SODIMM', capacityGiB: 16, ranks: 2, deviceWidth: 8 },
    })
  })

  test('that make no offer are named by line', () => {
    expect(faults).toEqual([
      { line: 5, message: expect.stringMatching(/capacity.*No memory of this capacity/) },
      { line: 6, message: 'The price is missing, or no amount.' },
      { line: 7, message: 'This article stands further up already.' },
      { line: 8, message: 'The article is missing.' },
      { line: 9, message: 'The generation is not said.' },
    ])
  })
})

test('a mark-up is put on each price, and rounded to minor units', () => {
  const marked = importPrices(table, columns, { markUpPercent: 12.5, minorUnits: 100 })
  // 21.50 × 1.125 = 24.1875.
  expect(marked.made[0]?.price).toBe(2419)
  const whole = importPrices(table, columns, { markUpPercent: 0, minorUnits: 1 })
  expect(whole.made[0]?.price).toBe(22)
})

test('10,000 rows of which 37 are bad: the 37 are named, the rest is there', () => {
  const rows = Array.from({ length: 10_000 }, (_, at) =>
    at % 271 === 100
      ? `X-${at};;DDR4;UDIMM;8GB;1;3200;;;5;1`
      : `X-${at};;DDR4;UDIMM;${[4, 8, 16, 32][at % 4]}GB;${1 + (at % 2)};3200;22;${10 + at / 100};5;1`,
  )
  const long = parseTable([LIST.split('\n')[0], ...rows].join('\n')) as Table
  const { made, faults } = importPrices(long, columns, terms)
  expect(faults).toHaveLength(37)
  expect(faults[0]).toEqual({ line: 102, message: 'The price is missing, or no amount.' })
  expect(made).toHaveLength(9963)
})
