import { type Source, TRUSTS, type Trust } from '../model'
import type { ReadSpeed, Where } from '../readings'
import type { Ruling, Rulings } from '../records'

/** One source's word on something. */
export interface Claim {
  value: unknown
  source: Source
  trust: Trust
  /** Which reading it is from, and where in it; none for the record's own. */
  input: string | null
  name: string
  where: Where | null
  by: string
  at: string | null
}

/** What all sources say about one thing: the claims, best trusted first, and what to go by. */
export interface Entry {
  /** Such as `machine.slotCount` or `slot.A1.capacityGiB`. */
  key: string
  /** The machine, or the slot's id. */
  subject: string
  what: string
  value: unknown
  claims: Claim[]
  ruling: Ruling | null
  /** False where claims contradict each other. */
  agreed: boolean
}

const rank = ({ trust }: Claim) => TRUSTS.indexOf(trust)

/**
 * Puts claims about one thing together. The best trusted counts (among equals the earlier), unless a
 * ruling says otherwise; the others stay to be seen.
 */
export function entryOf(
  subject: string,
  what: string,
  claims: readonly Claim[],
  rulings: Rulings,
): Entry {
  const key = subject === 'machine' ? `machine.${what}` : `slot.${subject}.${what}`
  const ruling = (Object.hasOwn(rulings, key) ? rulings[key] : undefined) ?? null
  const sorted = claims.toSorted((a, b) => rank(b) - rank(a))
  const [best] = sorted
  const agreed = sorted.every(({ value }) => agree(what, value, best?.value))
  const value = ruling ? ruledValue(what, ruling.value, sorted) : joined(what, sorted)
  return { key, subject, what, value, claims: sorted, ruling, agreed }
}

/** Whether a claim is the one that counts. */
export function isKept({ what, value }: Entry, claim: Claim): boolean {
  return agree(what, claim.value, value)
}

/** Whether two values of a figure can both be true. */
export function agree(what: string, a: unknown, b: unknown): boolean {
  if (what === 'speeds') return rateIn(a) === rateIn(b)
  if (what === 'voltages') return list(a).some((one) => list(b).includes(one))
  if (what === 'serial' || what === 'partNumber') return plain(a) === plain(b)
  return a === b
}

/** A figure as one value that can be told, compared and ruled on: of speeds the rate, of lists the first. */
export function plainValue(what: string, value: unknown): string | number | boolean {
  if (what === 'speeds') return rateIn(value) ?? 0
  if (what === 'voltages') return Number(list(value)[0] ?? 0)
  return value as string | number | boolean
}

function rateIn(value: unknown): number | undefined {
  return (value as ReadSpeed[] | undefined)?.[0]?.dataRate
}

const list = (value: unknown): unknown[] => (Array.isArray(value) ? value : [])

const plain = (value: unknown) =>
  String(value)
    .toUpperCase()
    .replace(/^0+|[\s-]/g, '')

/** A speed's timings are filled up from lower claims of the same rate; a wider list of voltages counts. */
function joined(what: string, sorted: readonly Claim[]): unknown {
  const [best, ...rest] = sorted
  if (what === 'speeds' && best) {
    const same = rest.filter(({ value }) => agree(what, value, best.value))
    const speeds = [...same.reverse(), best].map(({ value }) => (value as ReadSpeed[])[0])
    return [Object.assign({}, ...speeds)]
  }
  return best?.value
}

function ruledValue(what: string, value: Ruling['value'], claims: readonly Claim[]): unknown {
  const claimed = claims.find((claim) => plainValue(what, claim.value) === value)
  if (claimed) return claimed.value
  if (what === 'speeds') return [{ kind: 'standard', dataRate: value }]
  return what === 'voltages' ? [value] : value
}
