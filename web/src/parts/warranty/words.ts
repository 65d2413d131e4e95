import type { StoodBy } from '@tembrix/core/shop/handover'
import { day } from '../../base/format'

/** Who stands by a part today, in sentences. */
export function standsWords({ shop, maker }: StoodBy): string {
  const ours = shop
    ? `Under our warranty until ${day(shop)}.`
    : 'Our warranty is over, or none was given.'
  return maker ? `${ours} Its maker’s or supplier’s runs until ${day(maker)}.` : ours
}
