/** Further lines down than these no heading is looked for. */
const FARTHEST = 30

export const SEPARATORS = [',', ';', '\t', '|']

/** Where a table begins in a text: the line (from 0) of its headings, and what parts its columns. */
export interface TableHeading {
  line: number
  separator: string
}

const isComment = (line: string): boolean => /^\s*(?:#|\/\/|--)/.test(line)

/**
 * Finds the headings: the first line that is parted as most of the table is. Comments, titles and
 * blank lines before it are passed over. Null where there is nothing but these.
 */
export function headingOf(
  lines: readonly string[],
  separators: readonly string[] = SEPARATORS,
): TableHeading | null {
  const first = lines.slice(0, FARTHEST)
  const told = first.flatMap((line, at) => (line.trim() === '' || isComment(line) ? [] : [at]))
  const [begin] = told
  if (begin === undefined) return null
  const counts = told.map((at) => {
    // A comma between digits may be a decimal one.
    const line = (first[at] as string).replace(/(?<=\d),(?=\d)/g, '')
    return separators.map((one) => line.split(one).length - 1)
  })
  const most = separators.map((_, n) => Math.max(...counts.map((of) => of[n] as number)))
  const best = most.indexOf(Math.max(...most))
  const least = (most[best] as number) / 2
  const at =
    least === 0 ? begin : (told[counts.findIndex((of) => (of[best] as number) >= least)] ?? begin)
  return { line: at, separator: separators[best] as string }
}
