import type { Difference, Seen } from './expected'

/** A look at the memory in all, a stability test, and as long a test as the shop's rule asks for. */
export type Missing = 'seen' | 'stability' | 'testRule'

/** How far the proof is that an upgrade works. */
export type Standing =
  | { kind: 'wrong' }
  | { kind: 'errors' }
  /** What has still to be done before it can be handed over. */
  | { kind: 'open'; missing: Missing[] }
  | { kind: 'verified' }

/** Hours of testing, all runs together. */
export const hoursOf = (stability: readonly { hours: number }[]): number =>
  stability.reduce((sum, { hours }) => sum + hours, 0)

/** Of what differs from the plan, what was seen, and the stability tests made; `ruleHours` is how long the shop tests every machine. */
export function standing(
  found: readonly Difference[],
  seen: Pick<Seen, 'totalGiB'>,
  stability: readonly { passes: number; errors: number; hours: number }[],
  ruleHours: number | null = null,
): Standing {
  if (found.some(({ harmless }) => !harmless)) return { kind: 'wrong' }
  if (stability.some(({ errors }) => errors > 0)) return { kind: 'errors' }
  const missing: Missing[] = []
  if (seen.totalGiB === null) missing.push('seen')
  if (!stability.some(({ passes }) => passes > 0)) missing.push('stability')
  else if (ruleHours !== null && hoursOf(stability) < ruleHours) missing.push('testRule')
  return missing.length > 0 ? { kind: 'open', missing } : { kind: 'verified' }
}
