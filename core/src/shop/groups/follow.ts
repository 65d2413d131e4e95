import { type Assignment, slotHolding } from '../../things/records'

/**
 * What is planned for one machine, for another like it: the customer's own modules by the slots they were found
 * in (`leadFound`, `found`), what is bought unit by unit. A module that the other machine did not have is left out.
 */
export function followed(
  planned: Assignment,
  leadFound: Assignment,
  found: Assignment,
): Assignment {
  return Object.fromEntries(
    Object.entries(planned).flatMap(([slot, assigned]) => {
      const from = slotHolding(leadFound, assigned)
      const own = from === undefined ? assigned : found[from]
      return own ? [[slot, own]] : []
    }),
  )
}
