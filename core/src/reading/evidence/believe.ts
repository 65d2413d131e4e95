import { TRUSTS } from '../../things/model'
import type { Ruling, Rulings } from '../../things/records'
import { MACHINE, type Observation, trustOf } from '../facts'
import { type Believable, isBelievable, MEANINGS } from './meaning'

/** All observations of one thing, best trusted first, and the value to go by. */
export interface Belief<What extends Believable = Believable> {
  /** Key of a ruling on it: `machine.slotCount`, `slot.A1.capacityGiB`. */
  key: string
  /** The machine, or the slot's id. */
  subject: string
  what: What
  value: Observation<What>['value']
  /** Those that agree with the value count (`claimCounts`), the others are against it. */
  claims: Observation<What>[]
  ruling: Ruling | null
  /** False where claims contradict each other. */
  agreed: boolean
}

/** Puts observations together by their subject and what they are of, in the order these are met. */
export function believe(observations: readonly Observation[], rulings: Rulings): Belief[] {
  const claims = new Map<string, [Observation<Believable>, ...Observation<Believable>[]]>()
  for (const one of observations) {
    if (!isBelievable(one)) continue
    const key = one.subject === MACHINE ? `machine.${one.what}` : `slot.${one.subject}.${one.what}`
    const known = claims.get(key)
    if (known) known.push(one)
    else claims.set(key, [one])
  }
  return [...claims].map(([key, all]) => beliefIn(key, all, rulings))
}

const rank = (claim: Observation<Believable>) => TRUSTS.indexOf(trustOf(claim))

/**
 * The best trusted counts (among equals the earlier), unless a ruling says otherwise; the others stay to be seen.
 */
function beliefIn<What extends Believable>(
  key: string,
  claims: readonly [Observation<What>, ...Observation<What>[]],
  rulings: Rulings,
): Belief<What> {
  const ruling = (Object.hasOwn(rulings, key) ? rulings[key] : undefined) ?? null
  const sorted = claims.toSorted((a, b) => rank(b as never) - rank(a as never))
  const best = sorted[0] as Observation<What>
  const { subject, what } = best
  const { agree, joined, plain, valued } = MEANINGS[what]
  const agreed = sorted.every(({ value }) => agree(value, best.value))
  const agreeing = sorted.filter(({ value }) => agree(value, best.value)).map(({ value }) => value)
  const ruled =
    ruling &&
    (sorted.find(({ value }) => plain(value) === ruling.value)?.value ?? valued(ruling.value))
  const value = ruled ?? joined(agreeing as [(typeof best)['value'], ...(typeof best)['value'][]])
  return {
    key,
    subject,
    what,
    value: value as Belief<What>['value'],
    claims: sorted,
    ruling,
    agreed,
  }
}

/** Whether a claim is one that counts. */
export function claimCounts<What extends Believable>(
  { what, value }: Belief<What>,
  claim: Observation<What>,
): boolean {
  return MEANINGS[what].agree(claim.value, value)
}
