import fc from 'fast-check'
import { expect, test } from 'vitest'
import { numberIn, parseTable, writeCsv } from '.'

test('comma, semicolon, tab and bar are told by the first line', () => {
  for (const separator of [',', ';', '\t', '|']) {
    const table = parseTable(`Article${separator}Size\n"a${separator}b"${separator}8\n`)
    expect(table).toEqual({
      separator,
      headings: ['Article', 'Size'],
      rows: [{ line: 2, cells: [`a${separator}b`, '8'] }],
    })
  }
})

test('empty lines are left out and the lines still count; quoted cells may run over lines', () => {
  const table = parseTable('\n\nA,B\r\n1,2\r\n\r\n"x\ny",3\nz,4')
  expect(table?.rows.map(({ line, cells }) => [line, cells[0]])).toEqual([
    [4, '1'],
    [6, 'x\ny'],
    [8, 'z'],
  ])
})

test('nothing is no table, and no text throws', () => {
  for (const text of ['', '\n\n', 'only a heading']) expect(parseTable(text)).toBeNull()
  fc.assert(fc.property(fc.string({ unit: 'binary' }), (text) => void parseTable(text)))
})

test.each([
  ['8', 8],
  ['16 GB', 16],
  ['3200MT/s', 3200],
  ['2,5', 2.5],
  ['2.5', 2.5],
  ['1.234,50', 1234.5],
  ['1,234.50', 1234.5],
  ['12.800', 12800],
  ["1'000", 1000],
  ['none', null],
])('%s is %s', (cell, number) => {
  expect(numberIn(cell)).toBe(number)
})

test('rows are written so that they read the same', () => {
  const rows = [
    ['test', 'figure'],
    ['export, "large"', 12.5],
  ]
  expect(writeCsv(rows)).toBe('test,figure\r\n"export, ""large""",12.5')
})

test('a text that a spreadsheet would run is written as a text; a figure stays one', () => {
  const formulas = ['=1+1', '+49 30', '-x', '@sum', '\tq']
  expect(writeCsv([formulas])).toBe("'=1+1,'+49 30,'-x,'@sum,'\tq")
  expect(writeCsv([[-12.5, '12', 'a=b']])).toBe('-12.5,12,a=b')
})
