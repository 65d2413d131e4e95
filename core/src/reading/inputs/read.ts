import {
  type Format,
  type FormRead,
  nothingRead,
  type Part,
  type Problem,
  type Reading,
} from '../facts'
import { readLabels } from '../labels'
import { type PageRead, readPages } from '../pages'
import { isPrompt, PRINT_FORMS, type ReadStretch, readBytes, readXml } from '../printouts'
import { combined } from './combine'
import { withoutQuotes } from './quoted'
import { textOfBytes } from './text'

/** Fewer bytes than these say nothing. */
const LEAST_BYTES = 16

/**
 * Reads whatever was pasted or dropped: label lines and shops' lines, a module's identification
 * contents (binary, or as consoles list bytes), an SMBIOS table (binary or listed), CIM instances in
 * any print form, a hardware tree, memory in use; or a whole terminal session with several of them,
 * part by part. Never throws; what it does not know is format `unknown` with a problem. Time grows
 * with the size of the input.
 */
export function read(input: string | Uint8Array): Reading {
  if (typeof input === 'string') return readText(input)
  const asBytes = isText(input) ? null : readBytes(input)
  if (asBytes) return { ...asBytes, parts: [] }
  const text = textOfBytes(input)
  if (text !== null) return readText(text)
  const code = input.length >= LEAST_BYTES ? 'MEMORY_TYPE_UNKNOWN' : 'NOTHING_READ'
  const where = input.length > 2 ? { byte: 2, length: 1 } : null
  return { ...nothingRead('unknown', { code, where }), parts: [] }
}

/** Bytes without a control character that text does not have; contents and tables have them from the start. */
function isText(bytes: Uint8Array): boolean {
  for (const byte of bytes.subarray(0, 64)) {
    if (byte < 32 && !(byte >= 9 && byte <= 13) && byte !== 27) return false
  }
  return true
}

interface Read {
  part: FormRead
  from: number
  to: number
}

function readText(text: string): Reading {
  const lines = linesOf(text)
  const { found, rest } = split(lines)
  const page = readPages(lines, rest)
  const labels = readRest(lines, rest, page.left, found.length > 0)
  const parts = partsOf(lines, found, labels, page)
  const isSaid = found.some(({ part }) => part.observations.length > 0 || part.problems.length > 0)
  if (!isSaid && !labels && !page.part) {
    return { ...nothingRead('unknown', ...notUnderstood(lines)), parts }
  }
  const all = [...found.map(({ part }) => part), page.part, labels].filter((one) => one !== null)
  return { ...combined(all), parts }
}

/** Lines by any line end, without colour codes and a mail's quote marks; an end may be `\r\r\n`. */
function linesOf(text: string): readonly string[] {
  const plain = text.charCodeAt(0) === 0xfeff ? text.slice(1) : text
  // biome-ignore lint/suspicious/noControlCharactersInRegex: terminals put escape codes between
  const bare = plain.includes('\u001b') ? plain.replace(/\u001b\[[0-9;?]*[A-Za-z]/g, '') : plain
  const lines = bare.includes('\r') ? bare.split(/\r*\n|\r(?!\n)/) : bare.split('\n')
  return /^ ?[>|]/m.test(bare) ? withoutQuotes(lines) : lines
}

/** The stretches that a print form knows, and the lines (indexes) that none does. */
function split(lines: readonly string[]): { found: Read[]; rest: number[] } {
  const found: Read[] = []
  const rest: number[] = []
  for (let at = 0; at < lines.length; ) {
    const line = lines[at] as string
    if (line.trim() === '') {
      at += 1
      continue
    }
    const stretch = stretchAt(lines, at)
    if (stretch && stretch.end > at) {
      found.push({ part: stretch, from: at, to: stretch.end - 1 })
      at = stretch.end
    } else {
      rest.push(at)
      at += 1
    }
  }
  return { found, rest }
}

/** First looks of all forms at once: those at the beginning of a line apart from words in it, which is quicker. */
const sources = [...new Set(PRINT_FORMS.map(({ begins }) => begins.source))]
const [BEGINNINGS, WORDS] = [true, false].map((isAnchored) => {
  const own = sources.filter((source) => source.startsWith('^') === isAnchored)
  return new RegExp(own.map((source) => `(?:${source})`).join('|'), 'i')
}) as [RegExp, RegExp]

function stretchAt(lines: readonly string[], at: number): ReadStretch | null {
  const line = lines[at] as string
  if ((!BEGINNINGS.test(line) && !WORDS.test(line)) || isPrompt(line)) return null
  for (const { begins, read } of PRINT_FORMS) {
    const stretch = begins.test(line) ? read(lines, at) : null
    if (stretch) return stretch
  }
  return null
}

/**
 * Labels in what no print form knows; beside printouts, only lines that are plainly labels. Of a line that says
 * something of the machine, `left` is what may be a label.
 */
function readRest(
  lines: readonly string[],
  rest: readonly number[],
  left: PageRead['left'],
  beside: boolean,
): FormRead | null {
  const textAt = (at: number) => left.get(at) ?? (lines[at] as string)
  const likely = rest.filter(
    (at) =>
      left.get(at) !== '' && (!beside || isLabel(textAt(at))) && !isPrompt(lines[at] as string),
  )
  return readLabels(
    likely.map(textAt),
    likely.map((at) => at + 1),
  )
}

/** A capacity, or ranks and width, beside a rate's name. */
const isLabel = (line: string): boolean =>
  line.length <= 400 && /(?:PC|DDR)[2-5]/i.test(line) && /\d ?GB|\dRx\d/i.test(line)

/** The text's parts in the order of its lines: what each was taken for, and what nothing was read from. */
function partsOf(
  lines: readonly string[],
  found: readonly Read[],
  labels: FormRead | null,
  page: PageRead,
): Part[] {
  const formats = new Array<Format | undefined>(lines.length).fill(undefined)
  for (const at of page.left.keys()) formats[at] = 'page'
  for (const { what, where } of labels?.observations ?? []) {
    if (what === 'present' && where && 'line' in where) formats[where.line - 1] = 'label'
  }
  for (const { code, where } of labels?.problems ?? []) {
    if (code === 'NOT_A_LABEL' && where && 'line' in where) formats[where.line - 1] = 'unknown'
  }
  for (const { part, from, to } of found) formats.fill(part.format, from, to + 1)
  const parts: Part[] = []
  lines.forEach((line, at) => {
    const format = formats[at] ?? (line.trim() === '' ? null : 'unknown')
    if (format === null) return
    const last = parts.at(-1)
    if (last?.format === format && last.to === at) last.to = at + 1
    else parts.push({ format, from: at + 1, to: at + 1 })
  })
  return parts
}

const MOST_NAMED = 40

/** Of a text nothing was read from: lines that look like figures of a report in words not known here. */
function notUnderstood(lines: readonly string[]): Problem[] {
  const code = isWellFormed(lines) ? 'WELL_FORMED_UNKNOWN' : 'NOTHING_READ'
  const problems: Problem[] = [{ code, where: null }]
  lines.forEach((line, at) => {
    if (problems.length > MOST_NAMED || !/^\s*[\p{L}][\p{L}\d ./()-]{1,40}\s*[:=]\s*\S/u.test(line))
      return
    problems.push({ code: 'LINE_NOT_UNDERSTOOD', where: { line: at + 1 } })
  })
  return problems
}

/** Whether a text is well-formed JSON or XML, whatever it is about. */
function isWellFormed(lines: readonly string[]): boolean {
  const text = lines.join('\n').trim()
  if (/^</.test(text))
    return readXml(
      lines,
      lines.findIndex((line) => line.trim() !== ''),
    ).isWhole
  if (!/^[[{]/.test(text)) return false
  try {
    JSON.parse(text)
    return true
  } catch {
    return false
  }
}
