import {
  type Buffering,
  clocksToNs,
  type FormFactor,
  type Generation,
  type Module,
  type ModuleTimes,
  nsToClocks,
  type Speed,
  settableCl,
  standardStep,
} from '../../things/model'
import {
  type Format,
  type FormRead,
  learn,
  type ModuleFigures,
  moduleAt,
  numbered,
  type Observable,
  type Problem,
  type ReadSpeed,
  type Subject,
  type Where,
} from '../facts'
import { crc16 } from './checksum'

/** What every generation's identification contents have in common: how long they are and what guards them. */
export interface ContentsLayout {
  format: Format
  generation: Generation
  size: number
  checksumAt: number
  /** How many bytes from the first the checksum covers. */
  covered: (bytes: Uint8Array) => number
}

/** The contents of one module being read: its bytes, what they gave, and what was wrong with them. */
export interface ModuleContents {
  bytes: Uint8Array
  format: Format
  about: Subject
  problems: Problem[]
}

/** Begins to read contents: says whether they are whole and their checksum holds. */
export function openContents(bytes: Uint8Array, plan: ContentsLayout): ModuleContents {
  const problems: Problem[] = []
  const whole = bytes.length >= plan.size
  if (!whole) problems.push({ code: 'TRUNCATED', where: span(bytes.length, plan.size) })
  if (bytes.length > plan.size) {
    problems.push({ code: 'TRAILING_BYTES', where: span(plan.size, bytes.length) })
  }
  const holds = checksumHolds(bytes, plan)
  if (bytes.length >= plan.checksumAt + 2 && !holds) {
    problems.push({ code: 'CHECKSUM_WRONG', where: { byte: plan.checksumAt, length: 2 } })
  }
  const about = moduleAt(whole && holds ? 'contents' : 'unverified-contents', {
    byte: 0,
    length: Math.min(bytes.length, plan.size),
  })
  learn(about, 'generation', plan.generation, { byte: 2, length: 1 })
  return { bytes, format: plan.format, about, problems }
}

/** Reading of contents, once all of them are read. */
export const contentsRead = ({ format, about, problems }: ModuleContents): FormRead => ({
  format,
  observations: numbered([about]),
  problems,
})

/** Whether the checksum over the first part of the contents is there and right. */
export function checksumHolds(
  bytes: Uint8Array,
  plan: Pick<ContentsLayout, 'checksumAt' | 'covered'>,
): boolean {
  const stored = word(bytes, plan.checksumAt)
  return stored !== null && crc16(bytes.subarray(0, plan.covered(bytes))) === stored
}

const span = (from: number, to: number): Where => ({ byte: from, length: to - from })

/** A byte, or null behind the end of what there is. */
export function byte(bytes: Uint8Array, at: number): number | null {
  return bytes[at] ?? null
}

/** Two bytes, the low one first, or null. */
export function word(bytes: Uint8Array, at: number): number | null {
  const [low, high] = [bytes[at], bytes[at + 1]]
  return low === undefined || high === undefined ? null : low | (high << 8)
}

/** A signed byte, or null. */
export function signed(bytes: Uint8Array, at: number): number | null {
  const value = bytes[at]
  return value === undefined ? null : value > 127 ? value - 256 : value
}

/** Notes a figure read from bytes; where the bytes say nothing known, says so instead. */
export function note<What extends keyof Observable>(
  { about, problems }: ModuleContents,
  what: What,
  value: Observable[What] | null | undefined,
  at: number,
  length = 1,
  source = about.source,
): void {
  const where = { byte: at, length }
  if (value === undefined) problems.push({ code: 'FIELD_UNKNOWN', where })
  else learn(about, what, value, where, source)
}

/** A code looked up in a table: null where the byte is missing, undefined where the table lacks the code. */
export function looked<T>(table: Readonly<Record<number, T>>, code: number | null) {
  return code === null ? null : table[code]
}

export interface ContentsKind {
  formFactor: FormFactor
  buffering: Buffering
}

export function noteKind(
  contents: ModuleContents,
  kind: ContentsKind | null | undefined,
  at: number,
): void {
  if (kind === undefined) {
    contents.problems.push({ code: 'TYPE_UNKNOWN', where: { byte: at, length: 1 } })
  } else if (kind !== null) {
    note(contents, 'formFactor', kind.formFactor, at)
    note(contents, 'buffering', kind.buffering, at)
  }
}

/** Times in ns as the contents hold them; null where a byte is missing. */
export interface Times {
  tCK: number | null
  tAA: number | null
  tRCD: number | null
  tRP: number | null
  tRAS: number | null
}

/**
 * The highest standard speed: the rate is the step nearest to 2000 ÷ tCK, timings are the times in
 * clocks of that rate, CL the next that the module supports.
 */
export function noteSpeed(
  contents: ModuleContents,
  { tCK, tAA, tRCD, tRP, tRAS }: Times,
  supported: readonly number[],
  at: number,
): void {
  const { generation } = contents.about.said
  if (tCK === null || !(tCK > 0) || !generation) return
  const measured = 2000 / tCK
  const dataRate = standardStep(generation, measured) ?? Math.round(measured)
  if (!(dataRate >= 100 && dataRate <= 20_000)) {
    note(contents, 'speeds', undefined, at)
    return
  }
  const clocks = (ns: number | null) =>
    ns === null || ns <= 0 ? undefined : nsToClocks(ns, dataRate, generation)
  const speed: ReadSpeed = { kind: 'standard', dataRate }
  const needed = clocks(tAA)
  if (needed !== undefined) {
    const least = settableCl(needed, generation)
    speed.cl = supported.find((cl) => cl >= least) ?? least
  }
  const rest = { trcd: clocks(tRCD), trp: clocks(tRP), tras: clocks(tRAS) }
  for (const [name, value] of Object.entries(rest)) {
    if (value !== undefined) speed[name as keyof typeof rest] = value
  }
  note(contents, 'speeds', [speed], at)
  if (tAA && tRCD && tRP && tRAS && [tAA, tRCD, tRP, tRAS].every((ns) => ns > 0 && ns <= 1000)) {
    const times = { taa: tAA, trcd: tRCD, trp: tRP, tras: tRAS, cls: [...supported] }
    note(contents, 'times', rounded(times), at)
  }
}

/** Sums of timebases as whole picoseconds. */
function rounded(times: ModuleTimes): ModuleTimes {
  const ps = (ns: number) => Math.round(ns * 1000) / 1000
  const { taa, trcd, trp, tras, cls } = times
  return { taa: ps(taa), trcd: ps(trcd), trp: ps(trp), tras: ps(tras), cls }
}

/** The CAS latencies a mask allows: bit 0 stands for the first, each further bit for one step more. */
export function latencies(mask: readonly (number | null)[], first: number, step = 1): number[] {
  return mask.flatMap((bits, at) =>
    bits === null
      ? []
      : Array.from({ length: 8 }, (_, bit) =>
          bits & (1 << bit) ? [first + (at * 8 + bit) * step] : [],
        ).flat(),
  )
}

/** Capacity, density and organisation, with what a die's density makes of them. */
export function noteSize(
  contents: ModuleContents,
  size: {
    dieGbit: number | null | undefined
    busWidth: number | null | undefined
    stack?: number
    /** Whether the ranks differ from each other, so that the capacity does not follow from one. */
    uneven?: boolean
  },
  places: { density: number; bus: number; ranks: number },
): void {
  const { about } = contents
  note(contents, 'dieGbit', size.dieGbit, places.density)
  if (size.busWidth === undefined) note(contents, 'capacityGiB', undefined, places.bus)
  if (size.uneven) {
    const where = { byte: places.ranks, length: 1 }
    contents.problems.push({ code: 'UNEVEN_RANKS', where })
    return
  }
  const { dieGbit, ranks, deviceWidth } = about.said
  if (!dieGbit || !size.busWidth || !ranks || !deviceWidth) return
  const capacity = (dieGbit / 8) * (size.busWidth / deviceWidth) * ranks * (size.stack ?? 1)
  if (capacity > 0) note(contents, 'capacityGiB', capacity, places.density)
}

export interface IdentityPlaces {
  maker: number
  date: number
  serial: number
  part: number
  partLength: number
}

/** Maker code, week of making, serial number and part number. Blank fields are no facts. */
export function noteIdentity(contents: ModuleContents, places: IdentityPlaces): void {
  const { bytes } = contents
  const { maker, date, serial, part, partLength } = places
  note(contents, 'makerCode', hexOf(bytes, maker, 2), maker, 2)
  note(contents, 'madeWeek', weekOf(byte(bytes, date), byte(bytes, date + 1)), date, 2)
  note(contents, 'serial', hexOf(bytes, serial, 4), serial, 4)
  note(contents, 'partNumber', textOf(bytes, part, partLength), part, partLength)
}

function hexOf(bytes: Uint8Array, at: number, length: number): string | null {
  const field = bytes.subarray(at, at + length)
  const blank = field.every((one) => one === 0) || field.every((one) => one === 0xff)
  if (field.length < length || blank) return null
  return Array.from(field, (one) => one.toString(16).padStart(2, '0'))
    .join('')
    .toUpperCase()
}

function weekOf(year: number | null, week: number | null): string | null {
  const [y, w] = [decimal(year), decimal(week)]
  return y === null || w === null || w < 1 || w > 53
    ? null
    : `20${String(y).padStart(2, '0')}-W${String(w).padStart(2, '0')}`
}

/** Two decimal digits packed in a byte. */
function decimal(packed: number | null): number | null {
  if (packed === null || packed >> 4 > 9 || (packed & 15) > 9) return null
  return (packed >> 4) * 10 + (packed & 15)
}

function textOf(bytes: Uint8Array, at: number, length: number): string | null {
  const field = bytes.subarray(at, at + length)
  if (field.length < length || field.some((one) => one !== 0 && (one < 32 || one > 126)))
    return null
  const text = String.fromCharCode(...field.filter((one) => one !== 0)).trim()
  return text === '' ? null : text
}

/** Who a module is, as its contents say it. */
export type Identity = Partial<
  Pick<ModuleFigures, 'makerCode' | 'madeWeek' | 'serial' | 'partNumber'>
>

export function writeIdentity(bytes: Uint8Array, identity: Identity, places: IdentityPlaces): void {
  writeHex(bytes, places.maker, identity.makerCode, 2)
  writeHex(bytes, places.serial, identity.serial, 4)
  const week = /^20(\d\d)-W(\d\d)$/.exec(identity.madeWeek ?? '')
  if (week) {
    bytes[places.date] = Number.parseInt(week[1] as string, 16)
    bytes[places.date + 1] = Number.parseInt(week[2] as string, 16)
  }
  bytes.fill(32, places.part, places.part + places.partLength)
  const part = (identity.partNumber ?? '').slice(0, places.partLength)
  for (let at = 0; at < part.length; at += 1) {
    const code = part.charCodeAt(at)
    bytes[places.part + at] = code >= 32 && code <= 126 ? code : 63
  }
}

function writeHex(bytes: Uint8Array, at: number, text: string | undefined, length: number): void {
  if (text === undefined || !/^[0-9A-F]+$/i.test(text)) return
  const digits = text.padStart(length * 2, '0').slice(-length * 2)
  for (let n = 0; n < length; n += 1) {
    bytes[at + n] = Number.parseInt(digits.slice(n * 2, n * 2 + 2), 16)
  }
}

export function writeWord(bytes: Uint8Array, at: number, value: number): void {
  bytes[at] = value & 0xff
  bytes[at + 1] = value >> 8
}

/** The highest standard speed of a module: what its contents are written for. */
export function topSpeed(module: Pick<Module, 'speeds'>): Speed {
  const standard = module.speeds.filter(({ kind }) => kind === 'standard')
  return standard.reduce((top, one) => (one.dataRate > top.dataRate ? one : top))
}

/** A timing of a speed in ps, rounded to the nearest. */
export function picoseconds(clocks: number, dataRate: number): number {
  return Math.round(clocksToNs(clocks, dataRate) * 1000)
}

/** The code a table gives for a value. @throws RangeError where it has none. */
export function codeOf<T>(
  table: Readonly<Record<number, T>>,
  value: T,
  what: string,
  alike: (a: T, b: T) => boolean = Object.is,
): number {
  const entry = Object.entries(table).find(([, one]) => alike(one, value))
  if (!entry) throw new RangeError(`contents cannot hold this ${what}`)
  return Number(entry[0])
}

export const sameKind = (a: ContentsKind, b: ContentsKind): boolean =>
  a.formFactor === b.formFactor && a.buffering === b.buffering
