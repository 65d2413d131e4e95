import {
  type FormRead,
  numbered,
  type Problem,
  plainLetters,
  type Subject,
  withPlainUnits,
} from '../facts'
import { type LabelLine, moduleOnLabel, readLine } from './label'

/** A line longer than this is not a label. */
const LONGEST = 400

/**
 * Reads label lines, one or many: `8GB 1Rx8 PC4-2666V-SA1-11`, `4GB 2Rx8 PC3L-12800S-11-13-B4`,
 * `32GB Kit (2x16GB) DDR5-6000 CL36-36-36-96 1.35V UDIMM`, and what people make of them. Lines that
 * follow each other without a blank one may describe one stick. Lines that say nothing are named.
 * `numbers` gives each row's line; without it they count from 1. Null where no line is a label.
 * Layouts: the label annexes of the JEDEC module standards.
 */
export function readLabels(rows: readonly string[], numbers?: readonly number[]): FormRead | null {
  const modules: Subject[] = []
  const problems: Problem[] = []
  const rowsRead = new Map<string, LabelLine[]>()
  const alone = new Map<string, Stick>()
  let lines: LabelLine[] = []
  let before = 0
  const finish = () => {
    const [only] = lines
    const stick =
      lines.length === 1 && only
        ? at(
            kept(alone, only.text, () => stickOf(lines)),
            only.line,
          )
        : stickOf(lines)
    problems.push(...stick.problems)
    if (stick.module) modules.push(stick.module)
    else {
      const unread = new Set(lines.map(({ line }) => line))
      for (const line of unread) problems.push({ code: 'NOT_A_LABEL', where: { line } })
    }
    lines = []
  }
  rows.forEach((row, index) => {
    const line = numbers?.[index] ?? index + 1
    const blank = row.trim() === ''
    if (blank || line !== before + 1) finish()
    if (!blank) before = line
    if (blank) return
    const read = kept(rowsRead, row, () => linesOf(row))
    for (const one of read) {
      const found = { ...one, line }
      if (!describesSame(lines, found)) finish()
      lines.push(found)
    }
    if (read.length === 0) problems.push({ code: 'NOT_A_LABEL', where: { line } })
  })
  finish()
  return modules.length > 0 ? { format: 'label', observations: numbered(modules), problems } : null
}

/** A stick, where lines describe one, and what is to be said of it. */
interface Stick {
  module: Subject | null
  problems: Problem[]
}

function stickOf(lines: readonly LabelLine[]): Stick {
  const problems: Problem[] = []
  return { module: moduleOnLabel(lines, problems), problems }
}

/** The same stick on another line. */
function at({ module, problems }: Stick, line: number): Stick {
  const where = { line }
  return {
    module: module && {
      ...module,
      where,
      observations: module.observations.map((one) => ({ ...one, where })),
    },
    problems: problems.map(({ code }) => ({ code, where })),
  }
}

/** Lists have the same labels over and over: what a text says is worked out once. */
function kept<T>(known: Map<string, T>, text: string, make: () => T): T {
  const before = known.get(text)
  if (before !== undefined) return before
  const one = make()
  known.set(text, one)
  return one
}

/** What the labels of one row say, on whatever line it is. */
function linesOf(row: string): LabelLine[] {
  const parts = row.length > LONGEST ? [] : partsOf(tidyLettering(row))
  return parts.flatMap((part) => readLine(part, 0) ?? [])
}

/** The labels on one line: parted by semicolons, bars or tabs, or a new one where a capacity starts over. */
function partsOf(row: string): string[] {
  const single = (part: string) => part.indexOf('PC') === part.lastIndexOf('PC')
  if (!/[;|\t]/.test(row) && single(row)) return [row]
  return row
    .split(/[;|\t]/)
    .flatMap((part) => (single(part) ? [part] : part.split(/(?=(?:^| )\d{1,3} ?GB\b)/)))
    .filter((part) => part.trim() !== '')
}

/** Upper case without accents, one kind of dash and multiplication sign, O for 0 mended, no commas, no doubled spaces, units in one form. */
export function tidyLettering(text: string): string {
  let plain = plainLetters(text)
  if (/[^ -~]|[_*,"']/.test(plain)) {
    plain = plain
      .replace(/[\u2010-\u2015\u2212_]/g, '-')
      .replace(/[\u00d7*]/g, 'X')
      .replace(/(?<=\b\d),(?=\d{1,3} ?V)/g, '.')
      .replace(/[,"'\r\f\v\u00a0\u202f\u2019]/g, ' ')
  }
  if (plain.includes('O')) {
    plain = plain.replace(/(?<=\d)O+|O+(?=\d)/g, (letters) => '0'.repeat(letters.length))
  }
  if (plain.includes('  ')) plain = plain.replace(/ {2,}/g, ' ')
  if (plain.includes('DDR')) {
    plain = plain
      .replace(/\bDDR[- ]([2-5])(?=[L ]|$)(?! ?[GM]I?B)/g, 'DDR$1')
      .replace(/(DDR[1-5]L?)[/@](?=\d{3,5})/g, '$1-')
  }
  return withPlainUnits(plain.includes('-') ? plain.replace(/ - ?|- /g, '-') : plain)
}

/** Whether a further line describes the stick that the lines before it do. */
function describesSame(stick: readonly LabelLine[], next: LabelLine): boolean {
  const last = stick.at(-1)
  if (!last) return true
  // On one line, parts that are labels of their own are sticks of their own.
  if (last.line === next.line && isWhole(next)) return false
  return stick.every((one) => {
    if (isWhole(one) && isWhole(next) && isLabelForm(one) === isLabelForm(next)) return false
    return agree(one, next)
  })
}

const isLabelForm = ({ rate }: LabelLine): boolean => rate?.labelForm ?? false

/** Whether a line alone is enough for a stick. */
const isWhole = ({ size, rate }: LabelLine): boolean =>
  size.capacityGiB !== undefined && rate?.dataRate !== undefined

/** Whether nothing in two lines contradicts: what both say is the same. */
function agree(a: LabelLine, b: LabelLine): boolean {
  const same = <T>(of: (line: LabelLine) => T | null | undefined) => {
    const [x, y] = [of(a), of(b)]
    return x === null || x === undefined || y === null || y === undefined || x === y
  }
  const wholeKit = (kit: LabelLine, other: LabelLine) =>
    (kit.size.capacityGiB ?? 0) * (kit.size.pieces ?? 0) === other.size.capacityGiB
  return (
    (same(({ size }) => size.capacityGiB) || wholeKit(a, b) || wholeKit(b, a)) &&
    same(({ organisation }) => organisation?.ranks) &&
    same(({ organisation }) => organisation?.deviceWidth) &&
    same(({ rate }) => rate?.generation) &&
    same(({ rate }) => rate?.dataRate) &&
    same(({ words }) => words.kind.formFactor) &&
    same(({ serial }) => serial) &&
    same(({ partNumber }) => partNumber)
  )
}
