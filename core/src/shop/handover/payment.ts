import type { Payment, Quote, QuotedOption } from '../../things/records'
import { agreedTo } from '../quote'

/** The option that the customer agreed to and still stands by. */
export function agreedOption(quotes: readonly Quote[]): QuotedOption | null {
  const quote = agreedTo(quotes)
  return quote?.document?.options.find(({ id }) => id === quote.approval?.optionId) ?? null
}

/** What was received in all, in minor units. */
export const paidIn = (payments: readonly Pick<Payment, 'amount'>[]): number =>
  payments.reduce((sum, { amount }) => sum + amount, 0)

/** What is still to be paid, in minor units; 0 where nothing was agreed on, below 0 where too much was received. */
export const unpaid = (
  option: Pick<QuotedOption, 'toPay'> | null,
  payments: readonly Pick<Payment, 'amount'>[],
): number => (option?.toPay ?? 0) - paidIn(payments)
