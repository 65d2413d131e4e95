import { TRUSTS } from '../../things/model'
import type { Ruling, Rulings } from '../../things/records'
import type { Fact, FactFigures } from '../facts'
import { MEANINGS } from './meaning'

/** One source's word on something, with which reading it is from (null: the record's own), by whom and when. */
export interface Claim<What extends keyof FactFigures = keyof FactFigures> extends Fact<What> {
  input: string | null
  name: string
  by: string
  at: string | null
}

/** What all sources say about one thing: the claims, best trusted first, and what to go by. */
export interface Belief<What extends keyof FactFigures = keyof FactFigures> {
  /** Such as `machine.slotCount` or `slot.A1.capacityGiB`. */
  key: string
  /** The machine, or the slot's id. */
  subject: string
  what: What
  value: FactFigures[What]
  claims: Claim<What>[]
  ruling: Ruling | null
  /** False where claims contradict each other. */
  agreed: boolean
}

const rank = ({ trust }: Claim) => TRUSTS.indexOf(trust)

/**
 * Puts claims about one thing together. The best trusted counts (among equals the earlier), unless a
 * ruling says otherwise; the others stay to be seen.
 */
export function entryOf<What extends keyof FactFigures>(
  subject: string,
  what: What,
  claims: readonly [Claim<What>, ...Claim<What>[]],
  rulings: Rulings,
): Belief<What> {
  const key = subject === 'machine' ? `machine.${what}` : `slot.${subject}.${what}`
  const ruling = (Object.hasOwn(rulings, key) ? rulings[key] : undefined) ?? null
  const sorted = claims.toSorted((a, b) => rank(b) - rank(a))
  const best = sorted[0] as Claim<What>
  const { agree, joined, plain, valued } = MEANINGS[what]
  const agreed = sorted.every(({ value }) => agree(value, best.value))
  const agreeing = sorted.filter(({ value }) => agree(value, best.value)).map(({ value }) => value)
  const ruled =
    ruling &&
    (sorted.find(({ value }) => plain(value) === ruling.value)?.value ?? valued(ruling.value))
  const value = ruled ?? joined(agreeing as [FactFigures[What], ...FactFigures[What][]])
  return { key, subject, what, value, claims: sorted, ruling, agreed }
}

/** Whether a claim is one that counts. */
export function claimCounts<What extends keyof FactFigures>(
  { what, value }: Belief<What>,
  claim: Claim<What>,
): boolean {
  return MEANINGS[what].agree(claim.value, value)
}
