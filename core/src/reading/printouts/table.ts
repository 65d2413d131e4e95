import { areTelling, type Instance, isCut, propertyOf } from './fields'
import { isBlank, isPrompt, type TextLines } from './form'

interface Column {
  name: string | null
  from: number
}

interface Head {
  columns: Column[]
  /** The index of the first row. */
  rows: number
  /** Whether a figure may begin left of its column, as right-aligned ones do. */
  ruled: boolean
  /** How many lines a row takes, where a narrow console broke them, and at which width. */
  broken: { lines: number; width: number }
}

const RULE = /^\s*-{2,}(?:\s+-{1,})*\s*$/

export interface TableRead {
  instances: Instance[]
  end: number
  /** Lines whose values or headings were cut at the console's edge. */
  cut: number[]
}

/** A ruled or plain table from its headings on; null where none of a memory listing begins there. */
export function readTable(lines: TextLines, at: number): TableRead | null {
  const ruled = ruledHead(lines, at)
  const heads = ruled ? [ruled] : plainHeads(lines, at)
  let best: TableRead | null = null
  for (const head of heads) {
    const read = rowsOf(lines, at, head)
    if (read.instances.length > (best?.instances.length ?? 0)) best = read
  }
  return best
}

const FIGURES = [
  'capacity',
  'speed',
  'configuredclockspeed',
  'configuredvoltage',
  'smbiosmemorytype',
]

/** Whether what must be figures is: what follows a table, or one cut at the wrong places, shows it there. */
function isPlausible({ fields }: Instance): boolean {
  return FIGURES.every((name) => {
    const value = fields.get(name)?.value
    return value === undefined || isCut(value) || /^\d[\d.,]*(?: ?[KMGT]i?B)?$/i.test(value)
  })
}

/** Headings over a line of dashes; they may be broken over several lines. */
function ruledHead(lines: TextLines, at: number): Head | null {
  if (
    !/^\s*[A-Za-z]{2}[A-Za-z ]*/.test(lines[at] as string) ||
    (lines[at] as string).includes(':')
  ) {
    return null
  }
  let rule = at + 1
  while (rule < lines.length && rule <= at + 6 && !isBlank(lines[rule])) {
    if (RULE.test(lines[rule] as string)) break
    rule += 1
  }
  const dashes = lines[rule]
  if (dashes === undefined || rule > at + 6 || !RULE.test(dashes)) return null
  const runs = [...dashes.matchAll(/-+/g)].map((run) => run.index)
  const columns = runs.map((from, n) => {
    const to = runs[n + 1] ?? Number.POSITIVE_INFINITY
    const heading = lines.slice(at, rule).map((line) => pieceOf(line, from, to, false))
    return { name: propertyOf(heading.join('')), from }
  })
  return isMemory(columns)
    ? { columns, rows: rule + 1, ruled: true, broken: { lines: 1, width: 0 } }
    : null
}

/**
 * Headings two or more blanks apart. A console too narrow for them broke every line at its width, into
 * as many as are told by what then stands in the columns.
 */
function plainHeads(lines: TextLines, at: number): Head[] {
  const line = lines[at] as string
  if (propertyOf(/^\s*(\S+)/.exec(line)?.[1] ?? '') === null) return []
  if (!/[A-Za-z]{4} {2,}[A-Za-z]/.test(line) || /[:=]/.test(line)) return []
  const heads: Head[] = []
  for (const count of [1, 2, 3, 4]) {
    const width = line.length
    const joined = joinedLines(lines, at, count, width)
    if (joined === null) break
    const columns = [...joined.matchAll(/\S+/g)].map((word) => ({
      name: propertyOf(word[0]),
      from: word.index,
    }))
    if (columns.some(({ name }) => name === null)) continue
    if (!isMemory(columns)) break
    const next = lines[at + count]
    // Further lines of headings belong to it as well.
    if (count < 4 && next !== undefined && isHeadings(next)) continue
    heads.push({ columns, rows: at + count, ruled: false, broken: { lines: count, width } })
  }
  return heads
}

const isHeadings = (line: string): boolean => {
  const words = line.trim().split(/\s+/)
  return words.length > 0 && words.every((word) => propertyOf(word) !== null)
}

function joinedLines(lines: TextLines, at: number, count: number, width: number): string | null {
  if (at + count > lines.length) return null
  if (count === 1) return lines[at] as string
  return lines
    .slice(at, at + count)
    .map((line, n) => (n < count - 1 ? line.padEnd(width) : line))
    .join('')
}

const isMemory = (columns: readonly Column[]): boolean => {
  const names = columns.flatMap(({ name }) => name ?? [])
  return names.length >= 2 && areTelling(names)
}

function rowsOf(lines: TextLines, at: number, { columns, rows, ruled, broken }: Head): TableRead {
  const instances: Instance[] = []
  const cut = lines.slice(at, rows).some((line) => /\.\.\.|…/.test(line)) ? [at + 1] : []
  let before: { ends: boolean[]; last: Instance } | null = null
  let n = rows
  while (n < lines.length) {
    const line = joinedLines(lines, n, broken.lines, broken.width)
    if (line === null || isBlank(line) || isPrompt(line)) break
    const cells = columns.map(({ from }, c) =>
      pieceOf(line, from, columns[c + 1]?.from ?? Number.POSITIVE_INFINITY, ruled),
    )
    const goesOn = ruled && before !== null && isContinuation(cells, before.ends)
    if (goesOn && before) {
      columns.forEach(({ name }, c) => {
        const field = name === null ? undefined : before?.last.fields.get(name)
        if (field) field.value += cells[c]
      })
    } else {
      const instance: Instance = { line: n + 1, fields: new Map() }
      columns.forEach(({ name }, c) => {
        const value = cells[c] as string
        if (name === null || value === '') return
        instance.fields.set(name, { value, line: n + 1 })
        if (isCut(value) && !cut.includes(n + 1)) cut.push(n + 1)
      })
      if (instance.fields.size === 0 || !isPlausible(instance)) break
      instances.push(instance)
      before = { ends: [], last: instance }
    }
    if (before) before.ends = columns.map(({ from }, c) => reachesEdge(line, from, columns[c + 1]))
    n += broken.lines
  }
  return { instances, end: n, cut }
}

/** Whether a cell goes up to the next column's edge, so that its value may go on in the next line. */
function reachesEdge(line: string, from: number, next: Column | undefined): boolean {
  const edge = next ? next.from - 1 : line.trimEnd().length
  return edge > from && line[edge - 1] !== undefined && line[edge - 1] !== ' '
}

/** Only cells that reached their edge in the line before go on; a row of its own has others too. */
function isContinuation(cells: readonly string[], ends: readonly boolean[]): boolean {
  return cells.some((cell) => cell === '') && cells.every((cell, c) => cell === '' || ends[c])
}

/**
 * The text of a column: from where it begins up to the next. Where figures are right-aligned, a word
 * that crosses a column's beginning belongs to that column whole.
 */
function pieceOf(line: string, from: number, to: number, ruled: boolean): string {
  const edge = (at: number) => {
    if (!ruled || at === 0 || at >= line.length) return at
    let begin = at
    while (begin > 0 && line[begin - 1] !== ' ' && line[begin] !== ' ') begin -= 1
    return begin
  }
  return line.slice(edge(from), Math.min(edge(Math.min(to, line.length)), line.length)).trim()
}
