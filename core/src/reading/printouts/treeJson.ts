import { plainLetters } from '../facts'
import { type Device, devices, NO_DEVICE } from './device'
import type { PrintForm } from './form'
import { JSON_BEGINS, readJsonText } from './json'
import { bankIn } from './tree'

type Value = Readonly<Record<string, unknown>>

const DEEPEST = 12

/** A hardware tree, or a system profile, as JSON: banks with their size, kind and slot, however deep they lie. */
export const treeJson: PrintForm = {
  name: 'treeJson',
  begins: JSON_BEGINS,
  read(lines, at) {
    const json = readJsonText(lines, at)
    if (!json) return null
    const found = devices()
    const banks = [...objectsIn(json.value, 0)].filter((one) => isBank(one) || isProfiled(one))
    if (banks.length === 0) return null
    for (const bank of banks) {
      const device = isBank(bank)
        ? bankIn(fieldsOf(bank), at + 1, found.problems)
        : profiledIn(bank, at + 1)
      found.take(device, () => ({ line: at + 1 }))
    }
    return { ...found.read('hardware-tree'), end: json.end }
  },
}

function* objectsIn(value: unknown, depth: number): Generator<Value> {
  if (typeof value !== 'object' || value === null || depth > DEEPEST) return
  if (!Array.isArray(value)) yield value as Value
  for (const one of Object.values(value)) yield* objectsIn(one, depth + 1)
}

const isBank = ({ id, description }: Value): boolean =>
  /^bank(?::\d+)?$/.test(String(id)) && typeof description === 'string'

export const isProfiled = (one: Value): boolean => 'dimm_size' in one && 'dimm_type' in one

/** A node's properties as a tree in text prints them: bytes with their unit, hertz as MHz. */
function fieldsOf(bank: Value): Map<string, string> {
  const { size, clock, ...others } = bank
  const texts = Object.entries(others).map(([name, value]) => [name, String(value)] as const)
  const fields = new Map<string, string>(texts)
  if (typeof size === 'number') fields.set('size', `${size / 2 ** 30}GiB`)
  if (typeof clock === 'number') fields.set('clock', `${Math.round(clock / 1e6)}MHz`)
  return fields
}

/** A module of a system profile: its values are those of a list in words. */
export function profiledIn(one: Value, line: number): Device {
  const text = (name: string) => (typeof one[name] === 'string' ? (one[name] as string) : null)
  const size = plainLetters(text('dimm_size') ?? '')
  const fields = new Map<string, string>([
    ['size', size.replace(/^(\d+) ?(GB|MB)$/, '$1$2')],
    ['description', `${text('dimm_type') ?? ''} ${text('dimm_speed') ?? ''}`],
    ['slot', text('_name') ?? ''],
    ['product', text('dimm_part_number') ?? ''],
    ['serial', text('dimm_serial_number') ?? ''],
    ['vendor', text('dimm_manufacturer') ?? ''],
  ])
  if (/^EMPTY/.test(size)) return { ...NO_DEVICE, locator: text('_name'), capacityGiB: 0 }
  return bankIn(fields, line, [])
}
