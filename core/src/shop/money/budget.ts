import type { Terms } from '../../things/records'

type Charged = Pick<Terms, 'hourlyRate' | 'taxPercent' | 'pricesIncludeTax'>

/** What the customer pays for parts and work together, as a factor of what the shop puts down for them. */
const withTax = ({ taxPercent, pricesIncludeTax }: Charged): number =>
  pricesIncludeTax ? 1 : 1 + taxPercent / 100

const labourOf = ({ hourlyRate }: Charged, minutes: number): number =>
  Math.round((hourlyRate * minutes) / 60)

/** What a budget for the whole leaves for parts once the work is paid, minor units; nothing below 0. */
export function leftForParts(budget: number, minutes: number, terms: Charged): number {
  return Math.max(0, Math.floor(budget / withTax(terms)) - labourOf(terms, minutes))
}

/** The budget that such parts and their work want, minor units: the least that leaves so much for parts. */
export function budgetFor(parts: number, minutes: number, terms: Charged): number {
  let budget = Math.floor((parts + labourOf(terms, minutes)) * withTax(terms))
  while (leftForParts(budget, minutes, terms) < parts) budget += 1
  return budget
}
