const QUOTED = /^(?: ?>)+ ?/
const BARRED = /^ ?\| ?(?=[^|]*$)/

/** Least number of quoted lines in a row that make a quotation; fewer may be console prompts. */
const RUN = 3

const isBlank = (line: string): boolean => line.trim() === ''

/**
 * A text as it was before a mail quoted it: without `>` before its lines. A bar before every line of a text counts as
 * one too. Lines keep their places.
 */
export function withoutQuotes(lines: readonly string[]): readonly string[] {
  const told = lines.filter((line) => !isBlank(line))
  if (told.every((line) => BARRED.test(line))) return lines.map((line) => line.replace(BARRED, ''))
  if (told.every((line) => QUOTED.test(line))) return lines.map(plain)
  const unquoted = [...lines]
  for (let at = 0; at < lines.length; ) {
    let end = at
    while (end < lines.length && QUOTED.test(lines[end] as string)) end += 1
    if (end - at >= RUN) for (let n = at; n < end; n += 1) unquoted[n] = plain(lines[n] as string)
    at = Math.max(end, at + 1)
  }
  return unquoted
}

const plain = (line: string): string => line.replace(QUOTED, '')
