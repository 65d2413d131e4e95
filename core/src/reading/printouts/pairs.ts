import { areTelling, type Instance, isKnown, plainField } from './fields'
import { isBlank, isPrompt, type TextLines } from './form'

const PAIR = /^\s*([A-Za-z][\w ()-]{0,40}?)\s*([:=])\s?(.*)$/

/**
 * Blocks of `Name : value` or `Name=value` lines from a line on, parted by blank lines or by a name
 * that comes again. A value may go on in the next line, further in. Null where no property of a
 * memory listing begins there.
 */
export function readPairs(
  lines: TextLines,
  at: number,
): { instances: Instance[]; end: number } | null {
  const first = PAIR.exec(lines[at] as string)
  if (!first || !isKnown(plainField(first[1] as string))) return null
  const mark = first[2] as string
  const instances: Instance[] = []
  let open: Instance | null = null
  let last: { value: string } | null = null
  let end = at
  for (let n = at; n < lines.length; n += 1) {
    const line = lines[n] as string
    if (isBlank(line)) {
      open = null
      last = null
      continue
    }
    const match = PAIR.exec(line)
    const name = match?.[2] === mark ? plainField(match[1] as string) : ''
    if (match && isIdentifier(match[1] as string) && name !== '') {
      // A block of properties not known here ends the listing.
      if (open === null && !isKnown(name)) break
      if (open === null || open.fields.has(name)) {
        open = { line: n + 1, fields: new Map() }
        instances.push(open)
      }
      last = { value: (match[3] as string).trim() }
      open.fields.set(name, Object.assign(last, { line: n + 1 }))
    } else if (last && /^\s{4,}\S/.test(line) && !isPrompt(line)) {
      last.value += line.trim()
    } else break
    end = n + 1
  }
  const telling = instances.some(({ fields }) => areTelling([...fields.keys()]))
  return telling ? { instances, end } : null
}

const isIdentifier = (name: string): boolean => /^[A-Za-z]\w*$/.test(name)
