import { describe, expect, test } from 'vitest'
import { guessColumns, parseTable, type Table } from '../../things/tables'
import { importPrices, numbersWritten, PRICE_WORDS, pricesMeantBy } from '.'

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

  test('mark ranks and device width that nobody says as assumed', () => {
    expect(made[0]?.module.assumed).toEqual(['ranks', 'deviceWidth'])
    expect(made[2]?.module).not.toHaveProperty('assumed')
  })

  test('that make no offer are named by line', () => {
    expect(faults).toEqual([
      { line: 5, message: expect.stringMatching(/capacity.*No memory of this capacity/) },
      { line: 6, message: 'The price is missing, or no amount.' },
      { line: 7, message: 'This part number is further up already.' },
      { line: 8, message: 'The part number is missing.' },
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
  const { made, faults } = importPrices(long, columns, { ...terms, kitCapacity: 'each' })
  expect(faults).toHaveLength(37)
  expect(faults[0]).toEqual({ line: 102, message: 'The price is missing, or no amount.' })
  expect(made).toHaveLength(9963)
})

describe('lists as shops send them', () => {
  const importing = (text: string, kitCapacity: 'each' | 'whole' | null = null) => {
    const list = parseTable(text) as Table
    return importPrices(list, guessColumns(list.headings, PRICE_WORDS), { ...terms, kitCapacity })
  }

  test('a kit in the description is a kit, at its one price', () => {
    const { made } = importing(
      'Part no;Description;Price\nK-1;Kit 2x16GB DDR4-3600 CL18-22-22-42 1.35V UDIMM;119.00',
    )
    expect(made[0]).toMatchObject({
      price: 11_900,
      module: {
        capacityGiB: 16,
        formFactor: 'DIMM',
        kit: { id: 'K-1', size: 2 },
        // the profile has its own voltage; the module's stays the standard's
        voltages: [1.2],
        speeds: [
          { kind: 'standard', dataRate: 2133 },
          { kind: 'profile', dataRate: 3600, cl: 18, trcd: 22, trp: 22, tras: 42, voltage: 1.35 },
        ],
      },
    })
  })

  test('a capacity beside a count is of one or of all: it is asked, unless the label tells', () => {
    const list = 'Part no;Type;Form;Size;Kit;Speed;Price\nK-2;DDR5;UDIMM;64 GB;2;5600;190'
    expect(importing(list).faults[0]?.message).toContain(
      'Is 64 GB one module or the whole kit of 2?',
    )
    expect(importing(list, 'whole').made[0]?.module.capacityGiB).toBe(32)
    expect(importing(list, 'each').made[0]?.module.capacityGiB).toBe(64)
    const told = importing(
      'Part no;Text;Size;Kit;Price\nK-3;2x32GB DDR5-5600 CL46 UDIMM;64 GB;2;190',
    )
    expect(told.made[0]?.module).toMatchObject({ capacityGiB: 32, kit: { size: 2 } })
  })

  test('a voltage beside the form is the profile’s', () => {
    const { made, faults } = importing(
      'Part no;Type;Form;Size;Speed;CL;Price\nK-4;DDR4;DIMM 1.35V;8GB;3600;18;30',
    )
    expect(faults).toEqual([])
    expect(made[0]?.module).toMatchObject({ formFactor: 'DIMM', voltages: [1.2] })
    expect(made[0]?.module.speeds[1]).toMatchObject({
      kind: 'profile',
      dataRate: 3600,
      voltage: 1.35,
    })
  })

  test('your price counts, not the recommended one, whichever comes first', () => {
    const rows = '\nK-5;8GB DDR4-3200 SO-DIMM;29.90;19.90'
    expect(importing(`Part no;Text;Recommended price;Your price${rows}`).made[0]?.price).toBe(1990)
    expect(importing(`Part no;Text;RRP EUR;Price EUR${rows}`).made[0]?.price).toBe(1990)
  })

  test.each(['0,00', '12.5.3', '1.2.3,4', 'on request'])('%s is no price', (price) => {
    const { made, faults } = importing(`Part no;Text;Price\nK-6;8GB DDR4-3200 SO-DIMM;${price}`)
    expect(made).toEqual([])
    expect(faults[0]?.message).toMatch(/^The price is/)
  })

  test('comments and a title before the headings are passed over, lines counted from the first', () => {
    const list = '# offers, of this week\nPrices for the trade\n\nPart no;Text;Price\nK-7;x;y'
    expect(importing(list).faults).toEqual([
      { line: 5, message: 'The price is missing, or no amount.' },
    ])
  })
})

test.each([
  ['Net price', { tax: 'without', payer: null, kit: null }],
  ['Prix unitaire HT', { tax: 'without', payer: null, kit: null }],
  ['Price per module', { tax: null, payer: null, kit: 'each' }],
  ['Prix public TTC', { tax: 'with', payer: 'customer', kit: null }],
  ['Händler-EK netto (Set)', { tax: 'without', payer: 'shop', kit: 'whole' }],
  ['UVP inkl. MwSt.', { tax: 'with', payer: 'customer', kit: null }],
  ['Your cost, excl. tax', { tax: 'without', payer: 'shop', kit: null }],
  ['Precio con IVA', { tax: 'with', payer: null, kit: null }],
  ['Cena zakupu netto', { tax: 'without', payer: 'shop', kit: null }],
  ['Price', { tax: null, payer: null, kit: null }],
])('the heading %s says what its prices are', (heading, meant) => {
  expect(pricesMeantBy(heading)).toEqual(meant)
})

describe('what the prices are', () => {
  const list = parseTable(
    'Part;Text;Price\nK-2;32GB Kit (2x16GB) DDR4-3200 SO-DIMM;100\nS-1;16GB DDR4-3200 SO-DIMM;50',
  ) as Table
  const priced = (
    meant: {
      tax: 'with' | 'without' | null
      payer: 'shop' | 'customer'
      kit: 'each' | 'whole' | null
    },
    included: boolean,
  ) => {
    const { made, faults } = importPrices(list, guessColumns(list.headings, PRICE_WORDS), {
      markUpPercent: 10,
      minorUnits: 100,
      meant,
      tax: { percent: 20, included },
    })
    return [...made.map(({ price }) => price), ...faults.map(({ message }) => message)]
  }
  test('tax is put on or taken off as the shop’s own prices have it', () => {
    // 100 + 10 % + 20 % tax
    expect(priced({ tax: 'without', payer: 'shop', kit: 'whole' }, true)).toEqual([13200, 6600])
    expect(priced({ tax: 'without', payer: 'shop', kit: 'whole' }, false)).toEqual([11000, 5500])
    // 110 ÷ 1.2 = 91.67, 55 ÷ 1.2 = 45.83
    expect(priced({ tax: 'with', payer: 'shop', kit: 'whole' }, false)).toEqual([9167, 4583])
  })
  test('no mark-up is put on a price for customers', () => {
    expect(priced({ tax: 'with', payer: 'customer', kit: 'whole' }, true)).toEqual([10000, 5000])
  })
  test('a price of one module is that of all in a kit; where nobody said, the kit is left out', () => {
    expect(priced({ tax: 'with', payer: 'customer', kit: 'each' }, true)).toEqual([20000, 5000])
    expect(priced({ tax: 'with', payer: 'customer', kit: null }, true)).toEqual([
      5000,
      'Is 100 the price of one module or of the whole kit of 2? Say so above.',
    ])
  })
})

test('days and capacities in words are shown as they are read', () => {
  const list = parseTable(
    'Part;Text;Price;Capacity;Delivery\nA;DDR4-3200 SO-DIMM;50;2x8GB;2\nB;DDR4-3200 SO-DIMM;50;16384 MB;3-5 days',
  ) as Table
  expect(numbersWritten(list, guessColumns(list.headings, PRICE_WORDS))).toMatchObject({
    days: { example: '3-5 days', value: 5 },
    capacities: { example: '16384 MB', value: 16 },
  })
})

test('how prices and stocks are read is shown by one of each', () => {
  const list = parseTable(
    'Part;Text;Price;Stock\nA;16GB DDR4-3200 SO-DIMM;1 234,50;1.200\nB;8GB DDR4-3200 SO-DIMM;22,90;3',
  ) as Table
  expect(numbersWritten(list, guessColumns(list.headings, PRICE_WORDS))).toMatchObject({
    prices: { example: '1 234,50', value: 1234.5 },
    stocks: { example: '1.200', value: 1200 },
  })
})

test('progress is told as rows are done', () => {
  const rows = Array.from({ length: 600 }, (_, at) => `P-${at};16GB DDR4-3200 SO-DIMM;50`)
  const list = parseTable(['Part;Text;Price', ...rows].join('\n')) as Table
  const heard: number[] = []
  importPrices(list, guessColumns(list.headings, PRICE_WORDS), terms, (done) => heard.push(done))
  expect(heard).toEqual([0, 250, 500])
})
