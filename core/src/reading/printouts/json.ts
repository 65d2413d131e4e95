import { areTelling, type Instance, plainField } from './fields'
import type { TextLines } from './form'

/** JSON longer than this is not looked through. */
const LONGEST = 4_000_000
const DEEPEST = 4
/** Beginning of an object or a list in JSON; a kernel's `[ 12.5]` is none. */
export const JSON_BEGINS = /^\s*(?:\[\s*(?:$|[[{])|\{\s*(?:$|"))/
const MOST = 4096

/**
 * The objects of a JSON text that begins on a line, each with the line it begins on; `whole` is false
 * where the text breaks off or is not well formed, and the objects are those that can be told. Null
 * where no JSON begins there.
 */
export function readJson(
  lines: TextLines,
  at: number,
): { instances: Instance[]; end: number; whole: boolean } | null {
  const first = lines[at] as string
  if (!JSON_BEGINS.test(first)) return null
  const found = balanced(lines, at)
  const text = lines.slice(at, found.end).join('\n')
  const objects: { value: object; line: number }[] = []
  let whole = found.closed
  try {
    collect(JSON.parse(text), 0, objects, lineFinder(text, at))
  } catch {
    whole = false
    for (const { from, to } of found.objects) {
      const piece = text.slice(from, to)
      try {
        const line = at + 1 + countLines(text, from)
        collect(JSON.parse(piece), 0, objects, () => line)
      } catch {
        // Not an object that can be told.
      }
    }
  }
  return { instances: objects.map(instanceOf), end: found.end, whole }
}

/** The value of a well-formed JSON text that begins on a line; null where there is none. */
export function readJsonText(lines: TextLines, at: number): { value: unknown; end: number } | null {
  if (!JSON_BEGINS.test(lines[at] as string)) return null
  const { end, closed } = balanced(lines, at)
  if (!closed) return null
  try {
    return { value: JSON.parse(lines.slice(at, end).join('\n')), end }
  } catch {
    return null
  }
}

/** Where the brackets that open on a line close again, and the innermost objects in between. */
function balanced(lines: TextLines, at: number) {
  const objects: { from: number; to: number }[] = []
  const open: number[] = []
  let depth = 0
  let inText = false
  let place = 0
  for (let n = at; n < lines.length && place < LONGEST; n += 1) {
    const line = lines[n] as string
    for (let c = 0; c < line.length; c += 1) {
      const letter = line[c]
      if (inText) {
        if (letter === '\\') c += 1
        else if (letter === '"') inText = false
      } else if (letter === '"') inText = true
      else if (letter === '{' || letter === '[') {
        depth += 1
        if (letter === '{') open.push(place + c)
      } else if (letter === '}' || letter === ']') {
        depth -= 1
        if (letter === '}') {
          const from = open.pop()
          if (from !== undefined && objects.length < MOST) objects.push({ from, to: place + c + 1 })
        }
        if (depth <= 0) return { objects, end: n + 1, closed: true }
      }
    }
    // A text does not go over a line's end; one that seems to was never closed.
    inText = false
    place += line.length + 1
  }
  return { objects, end: lines.length, closed: false }
}

function countLines(text: string, to: number): number {
  let lines = 0
  for (let at = text.indexOf('\n'); at >= 0 && at < to; at = text.indexOf('\n', at + 1)) lines += 1
  return lines
}

/** Finds the lines of objects in the order they are met: each begins at the next brace. */
function lineFinder(text: string, at: number): () => number {
  let from = -1
  let line = at + 1
  let counted = 0
  return () => {
    from = text.indexOf('{', from + 1)
    if (from < 0) return line
    for (let n = text.indexOf('\n', counted); n >= 0 && n < from; n = text.indexOf('\n', n + 1)) {
      line += 1
      counted = n + 1
    }
    return line
  }
}

function collect(
  value: unknown,
  depth: number,
  into: { value: object; line: number }[],
  lineOf: () => number,
): void {
  if (typeof value !== 'object' || value === null || depth > DEEPEST || into.length >= MOST) return
  if (Array.isArray(value)) {
    for (const one of value) collect(one, depth + 1, into, lineOf)
    return
  }
  const line = lineOf()
  const names = Object.keys(value)
  if (areTelling(names.map(plainField))) into.push({ value, line })
  for (const one of Object.values(value)) collect(one, depth + 1, into, lineOf)
}

function instanceOf({ value, line }: { value: object; line: number }): Instance {
  const fields: Instance['fields'] = new Map()
  for (const [name, one] of Object.entries(value)) {
    if (typeof one === 'string' || typeof one === 'number' || typeof one === 'boolean') {
      fields.set(plainField(name), { value: String(one).slice(0, 200), line })
    }
  }
  return { line, fields }
}
