import { strToU8, zipSync } from 'fflate'
import { expect, test } from 'vitest'
import { readTableFile } from './readTableFile'

const NAMESPACE = 'http://schemas.openxmlformats.org/spreadsheetml/2006/main'
const RELATIONS = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships'
const PACKAGE = 'http://schemas.openxmlformats.org/package/2006/relationships'

/** A workbook of one sheet, as the open standard (ECMA-376) has it. */
function workbook(rows: (string | number)[][]): File {
  const cell = (value: string | number, place: string) =>
    typeof value === 'number'
      ? `<c r="${place}"><v>${value}</v></c>`
      : `<c r="${place}" t="inlineStr"><is><t>${value}</t></is></c>`
  const sheet = rows
    .map((row, at) => {
      const cells = row.map((value, column) => cell(value, `${'ABC'[column]}${at + 1}`))
      return `<row r="${at + 1}">${cells.join('')}</row>`
    })
    .join('')
  const files = {
    '[Content_Types].xml':
      '<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"/>',
    '_rels/.rels': `<Relationships xmlns="${PACKAGE}"><Relationship Id="r1" Type="${RELATIONS}/officeDocument" Target="xl/workbook.xml"/></Relationships>`,
    'xl/workbook.xml': `<workbook xmlns="${NAMESPACE}" xmlns:r="${RELATIONS}"><sheets><sheet name="Prices" sheetId="1" r:id="r1"/></sheets></workbook>`,
    'xl/_rels/workbook.xml.rels': `<Relationships xmlns="${PACKAGE}"><Relationship Id="r1" Type="${RELATIONS}/worksheet" Target="worksheets/sheet1.xml"/></Relationships>`,
    'xl/worksheets/sheet1.xml': `<worksheet xmlns="${NAMESPACE}"><sheetData>${sheet}</sheetData></worksheet>`,
  }
  const parts = Object.entries(files).map(([name, text]) => [
    name,
    strToU8(`<?xml version="1.0"?>${text}`),
  ])
  return new File([zipSync(Object.fromEntries(parts)) as BlobPart], 'prices.xlsx')
}

test('a workbook’s first sheet is a table, with titles before it passed over', async () => {
  const file = workbook([
    ['Price list of May'],
    ['Part no', 'Text', 'Price'],
    ['K-1', '8GB DDR4-3200 SO-DIMM', 21.5],
    ['K-2', '16GB DDR4-3200 SO-DIMM', 1071],
  ])
  expect((await readTableFile(file))?.table).toEqual({
    separator: '',
    headings: ['Part no', 'Text', 'Price'],
    rows: [
      { line: 3, cells: ['K-1', '8GB DDR4-3200 SO-DIMM', '21.5'] },
      { line: 4, cells: ['K-2', '16GB DDR4-3200 SO-DIMM', '1071'] },
    ],
  })
})

test('what only bears the name of a workbook holds no table', async () => {
  expect(await readTableFile(new File(['nothing'], 'prices.xlsx'))).toBeNull()
})
