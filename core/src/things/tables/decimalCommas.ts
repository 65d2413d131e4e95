/** Rows looked at, ways told of, and steps spent on finding them. */
const MOST = { rows: 50, ways: 8, steps: 20_000 }

/**
 * Where commas part the columns and figures have decimal commas too, a row has more cells than there are
 * headings. Every way to read that fits the rows: the columns (from 0) whose figures are two cells, whole
 * and decimals. Null where most rows have no more cells than headings; empty where no way fits.
 */
export function commaReadings(
  { separator, headings }: { separator: string; headings: readonly string[] },
  rows: readonly (readonly string[])[],
): number[][] | null {
  if (separator !== ',' || rows.length === 0) return null
  const excess = rows.map((cells) => cells.length - headings.length).filter((more) => more > 0)
  if (excess.length <= rows.length / 2) return null
  const joins = mostCommon(excess)
  const some = rows.filter((cells) => cells.length === headings.length + joins).slice(0, MOST.rows)
  const ways: number[][] = []
  let steps = 0
  const from = (column: number, cell: number, joined: readonly number[]) => {
    steps += 1
    const left = joins - joined.length
    if (steps > MOST.steps || ways.length === MOST.ways || left > headings.length - column) return
    if (column === headings.length) {
      ways.push([...joined])
      return
    }
    if (left < headings.length - column) from(column + 1, cell + 1, joined)
    if (left > 0 && some.every((cells) => isFigure(cells[cell], cells[cell + 1]))) {
      from(column + 1, cell + 2, [...joined, column])
    }
  }
  from(0, 0, [])
  return ways
}

const isFigure = (whole = '', decimals = ''): boolean =>
  /^\s*-?\d+$/.test(whole) && /^\d+\s*$/.test(decimals)

function mostCommon(counts: readonly number[]): number {
  const times = new Map<number, number>()
  for (const one of counts) times.set(one, (times.get(one) ?? 0) + 1)
  return [...times].reduce((best, one) => (one[1] > best[1] ? one : best))[0]
}

/**
 * A row read so, each figure with a decimal point; one that has no more cells than headings as it is, and
 * one that fits neither as no row at all.
 */
export function joinedCells(
  cells: readonly string[],
  headings: number,
  commas: readonly number[],
): string[] {
  if (cells.length <= headings) return [...cells]
  if (cells.length !== headings + commas.length) return []
  let at = 0
  return Array.from({ length: headings }, (_, column) => {
    const cell = cells[at] ?? ''
    at += 1
    if (!commas.includes(column)) return cell
    at += 1
    return `${cell.trim()}.${(cells[at - 1] ?? '').trim()}`
  })
}
