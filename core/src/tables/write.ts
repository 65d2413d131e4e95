import { csvFormatRow } from 'd3-dsv'

/** Rows as comma-separated values (RFC 4180). */
export const writeCsv = (rows: readonly (readonly (string | number)[])[]): string =>
  rows.map((row) => csvFormatRow(row.map(String))).join('\r\n')
