import type { Assignment, ClaimState, HandoverDocument } from '../../things/records'
import type { FittedPart } from './parts'
import { daysAfter } from './warranty'

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

/** Whether the shop brought a part: what the customer had is nobody's to claim for. */
export const isOurs = ({ state }: Pick<FittedPart, 'state'>): boolean =>
  state !== 'own' && state !== 'stayed'

/** A fitted part that can be claimed for. */
export interface Claimable extends FittedPart {
  moduleId: string
  unit: number
}

/** The parts of these that the shop brought. */
export const claimable = (parts: readonly FittedPart[], assigned: Assignment): Claimable[] =>
  parts.flatMap((part) => {
    const held = assigned[part.slot]
    if (!held || !isOurs(part)) return []
    return [{ ...part, ...held }]
  })

/** Days after which somebody asks how far a claim is: a supplier's usual answer takes about a week. */
const CHASE_DAYS = 7

/** First day to ask after a claim that is noted on a day (ISO dates). */
export const chaseFrom = (day: string): string => daysAfter(day, CHASE_DAYS)

/** Whether anything is still to come of a claim. */
export const isOpenClaim = (state: ClaimState): boolean =>
  state === 'noted' || state === 'sent' || state === 'accepted'
