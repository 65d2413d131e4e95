import { GENERATIONS } from '../../things/model'
import type { Problem } from '../facts'
import { bufferingInWords, type Device, devices, NO_DEVICE } from './device'
import { isBlank, isPrompt, type PrintForm } from './form'
import { inGiB } from './units'

const NODE = /^(\s*)\*-([a-z]+)(?::(\d+))?(?:\s+(?:UNCLAIMED|DISABLED))?\s*$/
const PROPERTY = /^(\s*)([a-z ]+): ?(.*)$/

interface Node {
  name: string
  indent: number
  line: number
  fields: Map<string, { value: string; line: number }>
}

/** A hardware tree: `*-bank:0` nodes, usually under `*-memory`, with their properties further in. */
export const hardwareTree: PrintForm = {
  name: 'hardwareTree',
  begins: /^\s*\*-/,
  read(lines, at) {
    if (!NODE.test(lines[at] as string)) return null
    const nodes: Node[] = []
    let end = at
    let open: Node | null = null
    for (let n = at; n < lines.length; n += 1) {
      const line = lines[n] as string
      if (isPrompt(line)) break
      const node = NODE.exec(line)
      if (node) {
        open = {
          name: node[2] as string,
          indent: (node[1] as string).length,
          line: n + 1,
          fields: new Map(),
        }
        nodes.push(open)
      } else if (open && !isBlank(line)) {
        const property = PROPERTY.exec(line)
        // A value that a narrow console broke goes on in a line without a name.
        const last = [...open.fields.values()].at(-1)
        if (property && (property[1] as string).length > open.indent) {
          open.fields.set((property[2] as string).trim(), {
            value: (property[3] as string).trim(),
            line: n + 1,
          })
        } else if (last && /^\s*\S/.test(line) && !property) last.value += ` ${line.trim()}`
        else break
      } else if (isBlank(line) && isBlank(lines[n + 1])) break
      if (!isBlank(line)) end = n + 1
    }
    const banks = nodes.filter(({ name }) => name === 'bank')
    if (banks.length === 0) return null
    const found = devices()
    const { problems } = found
    for (const bank of banks) {
      const line = (name: string) => bank.fields.get(name)?.line ?? bank.line
      const fields = new Map([...bank.fields].map(([name, { value }]) => [name, value]))
      const device = bankIn(fields, line('size'), problems)
      found.take(device, (field) => ({ line: line(FIELD_NAMES[field] ?? '') }))
    }
    return { ...found.read('hardware-tree'), end }
  },
}

const FIELD_NAMES: Partial<Record<keyof Device, string>> = {
  capacityGiB: 'size',
  locator: 'slot',
  partNumber: 'product',
  serial: 'serial',
  maker: 'vendor',
  generation: 'description',
  form: 'description',
  rated: 'description',
  configured: 'clock',
  dataWidth: 'width',
}

/** The device that a bank's properties describe; a size that is not understood is complained of at a line. */
export function bankIn(
  fields: ReadonlyMap<string, string>,
  line: number,
  problems: Problem[],
): Device {
  const text = (name: string) => fields.get(name) || null
  const description = text('description') ?? ''
  const empty = /\[empty\]|no module/i.test(description)
  const size = text('size')
  const capacity = size === null ? null : sizeIn(size)
  if (capacity === undefined) {
    problems.push({ code: 'FIELD_NOT_UNDERSTOOD', where: { line } })
  }
  const clock = rateIn(text('clock') ?? '')
  const rated = rateIn(description)
  const width = Number(/^(\d{1,4}) bits/.exec(text('width') ?? '')?.[1])
  return {
    ...NO_DEVICE,
    locator: text('slot'),
    capacityGiB: empty ? 0 : (capacity ?? null),
    form: formIn(description),
    generation: generationIn(description),
    buffering: bufferingInWords(description),
    dataWidth: width > 0 ? width : null,
    rated,
    // The clock beside it is the same figure, unless the machine runs lower.
    configured: clock && rated && clock.figure < rated.figure ? clock : null,
    maker: text('vendor'),
    serial: text('serial'),
    partNumber: text('product'),
  }
}

function sizeIn(value: string): number | null | undefined {
  const match = /^(\d+(?:\.\d+)?) ?([KMGT])i?B/i.exec(value)
  return match ? inGiB(Number(match[1]), match[2]) : undefined
}

function formIn(description: string): Device['form'] {
  if (/\bSODIMM\b/i.test(description)) return 'SODIMM'
  if (/CAMM/i.test(description)) return 'CAMM2'
  if (/row of chips|\bdie\b|\bchip\b/i.test(description)) return 'soldered'
  return /\bDIMM\b/i.test(description) ? 'DIMM' : null
}

const generationIn = (description: string): Device['generation'] => {
  const name = /\b(?:LP)?DDR\d?X?\b/i.exec(description)?.[0]?.toUpperCase()
  return GENERATIONS.find((one) => one === name) ?? null
}

function rateIn(text: string): Device['rated'] {
  const match = /(\d{2,5}) ?(MHz|MT\/s)/i.exec(text)
  return match
    ? { figure: Number(match[1]), unit: /mhz/i.test(match[2] ?? '') ? 'MHz' : 'MT/s' }
    : null
}
