import type { Assignment, HandoverDocument } from '../../things/records'
import type { FittedPart } from './parts'

/** Who stands by a part on a day: the shop, its maker or supplier; with the last day of each. */
export interface StoodBy {
  shop: string | null
  maker: string | null
}

/**
 * Who still stands by a part fitted in a slot on the day `today` (ISO dates), by the signed report; null for
 * whom no term is on record or whose term is over.
 */
export function standsBy(
  document: Pick<HandoverDocument, 'fitted'>,
  slot: string,
  today: string,
): StoodBy {
  const part = document.fitted.find((one) => one.slot === slot)
  return part ? termsOf(part, today) : { shop: null, maker: null }
}

/** Who still stands by a part on a day: terms that are over, or of no months, stand for nothing. */
export function termsOf(
  { shop, makerUntil }: Pick<HandoverDocument['fitted'][number], 'shop' | 'makerUntil'>,
  today: string,
): StoodBy {
  const open = (until: string | null) => (until !== null && until >= today ? until : null)
  return { shop: open(shop && shop.months > 0 ? shop.until : null), maker: open(makerUntil) }
}

/** A fitted part that can be claimed for. */
export interface Claimable extends FittedPart {
  moduleId: string
  unit: number
}

/** The parts of these that the shop brought: what the customer had is nobody's to claim for. */
export const claimable = (parts: readonly FittedPart[], assigned: Assignment): Claimable[] =>
  parts.flatMap((part) => {
    const held = assigned[part.slot]
    if (!held || part.state === 'own' || part.state === 'stayed') return []
    return [{ ...part, ...held }]
  })
