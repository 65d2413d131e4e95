import { dsvFormat } from 'd3-dsv'
import { areTelling, type Instance, isKnown, plainField } from './fields'
import { isBlank, isPrompt, type TextLines } from './form'

/** Every telling name has one of these in it. */
const MAYBE = /locator|bank|capacity|width|factor|type|configured|number|devices|memory|file|size/i

const SEPARATORS = [',', ';', '\t']

/** Instances in separated values, from their headings on; null where none of a memory listing begin there. */
export function readCsv(
  lines: TextLines,
  at: number,
): { instances: Instance[]; end: number } | null {
  const heading = lines[at] as string
  if (!/[,;\t]/.test(heading) || !MAYBE.test(heading)) return null
  const count = (one: string) => heading.split(one).length
  const separator = SEPARATORS.reduce((best, one) => (count(one) > count(best) ? one : best))
  const format = dsvFormat(separator)
  const names = (format.parseRows(heading)[0] ?? []).map((name) => plainField(name))
  if (!areTelling(names) || names.length < 2) return null
  const columns = names.flatMap((name, n) => (isKnown(name) ? [[name, n] as const] : []))
  let end = at + 1
  const instances: Instance[] = []
  while (end < lines.length) {
    const line = lines[end] as string
    if (isBlank(line) || isPrompt(line) || !line.includes(separator)) break
    const [cells = []] = format.parseRows(line)
    // A row of another length is no row of this table.
    if (cells.length !== names.length) break
    // The headings again: the table was pasted twice.
    if (line.trim() === heading.trim()) {
      end += 1
      continue
    }
    const fields: Instance['fields'] = new Map()
    for (const [name, n] of columns) {
      const value = cells[n]?.trim() ?? ''
      if (value !== '') fields.set(name, { value, line: end + 1 })
    }
    if (fields.size > 0) instances.push({ line: end + 1, fields })
    end += 1
  }
  return { instances, end }
}
