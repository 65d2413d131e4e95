/// <reference path="./saxen.d.ts" />
import { Parser } from 'saxen'
import { isBlank, type TextLines } from './form'

/** An element with its attributes by name in lower case, the text right in it, and the line (from 1) it begins on. */
export interface XmlElement {
  /** In lower case. */
  name: string
  attributes: Readonly<Record<string, string>>
  children: XmlElement[]
  text: string
  line: number
}

/** More lines than these are not looked through. */
const MOST_LINES = 20_000
const DEEPEST = 64

/**
 * The elements that stand outermost in XML from a line on, as far as it is well-formed: one cut short has what stands
 * before the cut, and is not whole. `end` is the index behind its last line.
 */
export function readXml(
  lines: TextLines,
  at: number,
): { elements: XmlElement[]; end: number; isWhole: boolean } {
  let end = at
  for (let n = at; n < Math.min(lines.length, at + MOST_LINES); n += 1) {
    const line = lines[n] as string
    if (n > at && !isBlank(line) && !line.includes('<') && !isInElement(lines, n)) break
    if (!isBlank(line)) end = n + 1
  }
  const text = lines.slice(at, end).join('\n')
  const lineOf = lineFinder(text, at + 1)
  const root: XmlElement = { name: '', attributes: {}, children: [], text: '', line: at + 1 }
  const open = [root]
  const parser = new Parser()
  parser.on('openTag', (name, attributes, decode) => {
    const line = lineOf(name)
    const named = Object.entries(attributes()).map(([key, value]) => [
      key.toLowerCase(),
      decode(value),
    ])
    const element: XmlElement = {
      name: name.toLowerCase(),
      attributes: Object.fromEntries(named),
      children: [],
      text: '',
      line,
    }
    open.at(-1)?.children.push(element)
    if (open.length < DEEPEST) open.push(element)
    else parser.stop()
  })
  parser.on('closeTag', () => {
    if (open.length > 1) open.pop()
  })
  parser.on('text', (part, decode) => {
    const element = open.at(-1) as XmlElement
    element.text += decode(part)
  })
  parser.on('cdata', (part) => {
    const element = open.at(-1) as XmlElement
    element.text += part
  })
  // Elements before a fault are kept; the rest of the text is not read.
  let isWhole = true
  parser.on('error', () => {
    isWhole = false
    parser.stop()
  })
  parser.parse(text)
  return { elements: root.children, end, isWhole: isWhole && root.children.length > 0 }
}

/** A line of a text that goes on over lines: the next tag behind it closes an element. */
function isInElement(lines: TextLines, at: number): boolean {
  const next = lines.slice(at + 1, at + 4).find((line) => line.includes('<'))
  return next !== undefined && /^[^<]*<\//.test(next)
}

/** Lines of tags in the order they are met. */
function lineFinder(text: string, first: number): (name: string) => number {
  let from = 0
  let line = first
  return (name) => {
    const place = text.indexOf(`<${name}`, from)
    if (place < 0) return line
    for (let n = text.indexOf('\n', from); n >= 0 && n < place; n = text.indexOf('\n', n + 1))
      line += 1
    from = place + 1
    return line
  }
}

/** All elements, outer before inner. */
export function* elementsIn(elements: readonly XmlElement[]): Generator<XmlElement> {
  for (const one of elements) {
    yield one
    yield* elementsIn(one.children)
  }
}
