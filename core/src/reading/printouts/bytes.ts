import type { Problem } from '../facts'
import { isBlank, type TextLines } from './form'

/** Bytes written as text, and where they end; `problems` says what is missing in between. */
export interface BytesRead {
  bytes: Uint8Array
  /** The same with the bytes of each pair changed, where they were printed as 16-bit words. */
  swapped: Uint8Array | null
  end: number
  problems: Problem[]
}

interface Row {
  offset: string
  bytes: number[]
  line: number
}

/** `00000000  23 12 …`, `0000: 2312 0c03 …`, `00: 23 12 …`, `0x0000  23 …`. */
const OFFSET =
  /^\s*(?:0x)?(?:([0-9a-fA-F]{2,8})h?:\s*|([0-9a-fA-F]{4,8})\s{2,}|([0-9a-fA-F]{6,8})\s+)(?=(?:0x)?(?:[0-9a-fA-F]{2}|XX)+[,;]?(?:\s|$|\|))/
const LAST_OFFSET = /^\s*(?:0x)?([0-9a-fA-F]{4,8}):?\s*$/
const HEADING = /^\s*(?:(?:0x)?0?0)?\s+(?:0?[0-9a-fA-F]\s+){7,}/
const BARE = /^(?:(?:0x)?[0-9a-f]{2}[\s,;]*)+$/i
const LONGEST = 65_536

/**
 * Bytes written as text from a line on: with offsets (hexadecimal or octal, repeated rows squeezed to
 * `*`, characters behind), or bare. Null where none begin there. Offsets are checked: what is missing
 * is left zero and said.
 */
export function readBytesText(lines: TextLines, at: number): BytesRead | null {
  const first = lines[at] as string
  if (!/^[\s{[(]*[0-9a-fA-F][0-9a-fA-FxX]/.test(first) || first.trim().length < 5) return null
  if (HEADING.test(first) && OFFSET.test(lines[at + 1] ?? '')) {
    const read = withOffsets(lines, at + 1)
    if (read) return read
  }
  return withOffsets(lines, at) ?? bare(lines, at)
}

function withOffsets(lines: TextLines, at: number): BytesRead | null {
  if (!OFFSET.test(lines[at] as string)) return null
  const limit = textColumn(lines, at)
  const rows: (Row | '*')[] = []
  let words = true
  let colons = false
  let last: { offset: string; line: number } | null = null
  let n = at
  for (; n < lines.length; n += 1) {
    const line = (lines[n] as string).slice(0, 400)
    if (/^\s*\*\s*$/.test(line)) {
      rows.push('*')
      continue
    }
    const match = OFFSET.exec(line)
    if (match) {
      const groups = groupsOf(line, match[0].length, limit)
      if (groups.length === 0) break
      // A row that starts over is another listing.
      const offset = (match[1] ?? match[2] ?? match[3]) as string
      if (rows.length > 0 && /^0+$/.test(offset)) break
      words &&= groups.every((group) => group.length === 4)
      colons ||= /:/.test(match[0])
      rows.push({ offset, bytes: groups.flatMap(bytesOf), line: n + 1 })
      continue
    }
    const end = LAST_OFFSET.exec(line)
    if (end && rows.length > 0) {
      last = { offset: end[1] as string, line: n + 1 }
      n += 1
    }
    break
  }
  const total = rows.reduce((sum, row) => sum + (row === '*' ? 0 : row.bytes.length), 0)
  if (total < 8) return null
  const placed = place(rows, last)
  if (!placed) return null
  const swapped = words && !colons ? pairsSwapped(placed.bytes) : null
  return { ...placed, swapped, end: n }
}

/** Where the characters behind the bytes begin: behind as many bytes as most rows hold. */
function textColumn(lines: TextLines, at: number): number {
  const ends: number[] = []
  for (let n = at; n < Math.min(lines.length, at + 8); n += 1) {
    const line = lines[n] as string
    const match = OFFSET.exec(line)
    if (!match) break
    let place = match[0].length
    let taken = 0
    for (const [group] of line
      .slice(place)
      .matchAll(/\s*(?:0x)?(?:[0-9a-fA-F]{2}|XX)+[,;]?(?=\s|$|\|)/g)) {
      if (taken >= 16) break
      taken += group.trim().replace(/^0x|[,;]$/g, '').length / 2
      place += group.length
    }
    ends.push(place)
  }
  const bar = (lines[at] as string).indexOf('|')
  const most = Math.max(...ends)
  return bar > 0 ? Math.min(bar, most) : most
}

function groupsOf(line: string, from: number, limit: number): string[] {
  const groups: string[] = []
  let bytes = 0
  for (const match of line.slice(from).matchAll(/\S+/g)) {
    if (from + match.index >= limit || bytes >= 16) break
    const group = match[0].replace(/^0x|[,;]$/gi, '')
    if (!/^(?:[0-9a-fA-F]{2}|XX)+$/.test(group)) break
    groups.push(group)
    bytes += group.length / 2
  }
  return groups
}

/** `XX` is a byte that could not be read. */
function bytesOf(group: string): number[] {
  const bytes: number[] = []
  for (let at = 0; at < group.length; at += 2) {
    const value = Number.parseInt(group.slice(at, at + 2), 16)
    bytes.push(Number.isNaN(value) ? 0 : value)
  }
  return bytes
}

/** Puts rows at their offsets, in the base that fits what the rows hold. Null where none fits. */
function place(rows: readonly (Row | '*')[], last: { offset: string; line: number } | null) {
  const real = rows.filter((row) => row !== '*')
  const base = [16, 8, 10].find((one) => fits(real, one)) ?? 16
  const value = (offset: string) => Number.parseInt(offset, base)
  const start = value(real[0]?.offset ?? '0')
  const lastRow = real.at(-1) as Row
  const size = last
    ? value(last.offset) - start
    : value(lastRow.offset) - start + lastRow.bytes.length
  if (!(size > 0 && size <= LONGEST)) return null
  const bytes = new Uint8Array(size)
  const problems: Problem[] = []
  let next = 0
  let squeezed = false
  let before: number[] = []
  const fill = (to: number, line: number) => {
    if (to <= next) return
    if (squeezed && before.length > 0) {
      for (let at = next; at < to; at += 1)
        bytes[at] = before[(at - next) % before.length] as number
    } else problems.push({ code: 'ROWS_MISSING', where: { line } })
  }
  for (const row of rows) {
    if (row === '*') {
      squeezed = true
      continue
    }
    const offset = value(row.offset) - start
    if (offset < 0 || offset >= size) {
      problems.push({ code: 'ROWS_MISSING', where: { line: row.line } })
      continue
    }
    fill(offset, row.line)
    bytes.set(row.bytes.slice(0, size - offset), offset)
    next = offset + row.bytes.length
    before = row.bytes
    squeezed = false
  }
  if (last) fill(size, last.line)
  // What begins later than the first byte lacks all before it.
  if (start > 0) problems.push({ code: 'ROWS_MISSING', where: { line: real[0]?.line ?? 1 } })
  const whole = new Uint8Array(start + size > LONGEST ? size : start + size)
  whole.set(bytes, whole.length - size)
  return { bytes: whole, problems }
}

/** Whether most rows lie as far apart as the bytes of the one before, in this base. */
function fits(rows: readonly Row[], base: number): boolean {
  const digits = base === 8 ? /^[0-7]+$/ : base === 10 ? /^\d+$/ : /./
  if (!rows.every(({ offset }) => digits.test(offset))) return false
  const steps = rows.slice(1).map((row, at) => {
    const before = rows[at] as Row
    return (
      Number.parseInt(row.offset, base) - Number.parseInt(before.offset, base) ===
      before.bytes.length
    )
  })
  return steps.length === 0 || steps.filter(Boolean).length * 2 > steps.length
}

function pairsSwapped(bytes: Uint8Array): Uint8Array {
  const swapped = new Uint8Array(bytes.length)
  for (let at = 0; at < bytes.length; at += 2) {
    swapped[at] = bytes[at + 1] ?? 0
    if (at + 1 < bytes.length) swapped[at + 1] = bytes[at] as number
  }
  return swapped
}

/** Pairs or longer groups without offsets, with or without `0x` and commas. */
function bare(lines: TextLines, at: number): BytesRead | null {
  if (!/^[\s{[(]*(?:0x)?[0-9a-f]{2}(?:[\s,;]|[0-9a-f]{2}|$)/i.test(lines[at] as string)) return null
  const bytes: number[] = []
  let n = at
  for (; n < lines.length && bytes.length < LONGEST; n += 1) {
    const line = (lines[n] as string)
      .trim()
      .replace(/^[\s{[(]{1,8}/, '')
      .replace(/[\s})\];]{1,8}$/, '')
    if (isBlank(line) || !BARE.test(line)) break
    for (const group of line.split(/[\s,;]+/)) {
      for (const byte of bytesOf(group.replace(/^0x/i, ''))) bytes.push(byte)
    }
  }
  return bytes.length >= 16
    ? { bytes: Uint8Array.from(bytes), swapped: null, end: n, problems: [] }
    : null
}
