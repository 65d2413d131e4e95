import { csvFormatRow } from 'd3-dsv'

/** Text that a spreadsheet would take for a formula. */
const FORMULA = /^[=+\-@\t\r]/

/** A cell: text that would run as a formula gets an apostrophe before it, which spreadsheets do not show. */
const cell = (value: string | number): string =>
  typeof value === 'string' && FORMULA.test(value) ? `'${value}` : String(value)

/** Rows as comma-separated values (RFC 4180), safe to open in a spreadsheet: texts never run as formulas. */
export const writeCsv = (rows: readonly (readonly (string | number)[])[]): string =>
  rows.map((row) => csvFormatRow(row.map(cell))).join('\r\n')
