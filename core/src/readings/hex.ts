const OFFSET = /^(?:0x)?[0-9a-f]{1,8}[:|]\s*|^[0-9a-f]{4,8} {2,}|^[0-9a-f]{6,8}\s+/i
const GROUP = /^(?:0x)?(?:[0-9a-f]{2}){1,16}[,;]?$/i
const BARE = /^(?:[0-9a-f]{2})+$/i

/**
 * The bytes written as hexadecimal text: pairs or longer groups, with or without `0x`, commas, an
 * offset before each line and the same bytes as characters behind it. Null where the text is anything else.
 */
export function bytesFromHex(text: string): Uint8Array | null {
  if (!/^[\s0-9a-fx]{2}/i.test(text)) return null
  const rows = text.split('\n').filter((row) => row.trim() !== '')
  const perLine = bytesPerLine(rows)
  const bytes: number[] = []
  for (const row of rows) {
    const before = bytes.length
    if (!takeRow(row.trim(), perLine, bytes)) return null
    if (bytes.length === before && !OFFSET.test(`${row.trim()}  `)) return null
  }
  return bytes.length > 0 ? Uint8Array.from(bytes) : null
}

/** How many bytes a line holds, by the offsets of the first two lines; unlimited where there are none. */
function bytesPerLine(rows: readonly string[]): number {
  const offset = (row: string | undefined) => {
    const match = row === undefined ? null : OFFSET.exec(row.trim())
    return match ? Number.parseInt(match[0].replace(/[:|]/g, ''), 16) : Number.NaN
  }
  const [first, second] = [offset(rows[0]), offset(rows[1])]
  if (Number.isNaN(first)) return Number.POSITIVE_INFINITY
  return second > first ? second - first : 16
}

function takeRow(row: string, perLine: number, bytes: number[]): boolean {
  const numbered = perLine !== Number.POSITIVE_INFINITY
  const rest = numbered ? row.replace(OFFSET, '') : row
  let taken = 0
  for (const group of rest.split('|', 1)[0]?.split(/\s+/) ?? []) {
    if (group === '') continue
    if (taken >= perLine) break
    const plain = BARE.test(group)
      ? group
      : GROUP.test(group)
        ? group.replace(/^0x|[,;]/gi, '')
        : ''
    if (plain === '') return numbered && taken > 0
    for (let at = 0; at < plain.length; at += 2) {
      bytes.push(Number.parseInt(plain.slice(at, at + 2), 16))
      taken += 1
    }
  }
  return true
}
