import { agreedOption, unpaid } from '@tembrix/core/shop/handover'
import type { Filling } from '@tembrix/core/shop/messages'
import type { JobFile, MessageReason, Terms } from '@tembrix/core/things/records'
import { day, moneyIn } from '../../../../base/format'

/**
 * What stands for the placeholders of a message; what is not known, or is more than one thing (the price of
 * several options), is left out. `partsOn` is when the last part comes (ISO date).
 */
export function fillingOf(
  { number, customer, machine, quotes, handovers }: JobFile,
  { shopName }: Pick<Terms, 'shopName'>,
  partsOn: string | null,
  reason: MessageReason,
): Filling {
  const shared = {
    customer: customer.name,
    machine: machine.machine.name,
    job: String(number),
    shop: shopName,
  }
  const agreed = agreedOption(quotes)
  const offered = quotes.findLast(({ document, ended }) => document && !ended)?.document
  if (reason === 'parts') return { ...shared, ...(partsOn ? { day: day(partsOn) } : {}) }
  if (reason === 'ready') {
    const currency = quotes.findLast(({ approval }) => approval)?.document?.currency
    if (!agreed || !currency) return shared
    const left = unpaid(agreed, handovers[0]?.payments ?? [])
    return { ...shared, amount: moneyIn(currency)(Math.max(0, left)) }
  }
  if (!offered) return shared
  const [only, ...more] = offered.options
  return {
    ...shared,
    day: day(offered.validUntil),
    ...(only && more.length === 0 ? { amount: moneyIn(offered.currency)(only.toPay) } : {}),
  }
}
