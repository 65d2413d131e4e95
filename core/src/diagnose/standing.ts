import type { Difference, Seen } from './expected'

/** How far the proof is that an upgrade works. */
export type Standing =
  | { kind: 'wrong' }
  | { kind: 'errors' }
  /** What has still to be done before it can be handed over. */
  | { kind: 'open'; missing: ('seen' | 'stability')[] }
  | { kind: 'verified' }

/** Of what differs from the plan, what was seen, and the stability tests made. */
export function standing(
  found: readonly Difference[],
  seen: Pick<Seen, 'totalGiB'>,
  stability: readonly { passes: number; errors: number }[],
): Standing {
  if (found.some(({ harmless }) => !harmless)) return { kind: 'wrong' }
  if (stability.some(({ errors }) => errors > 0)) return { kind: 'errors' }
  const missing: ('seen' | 'stability')[] = []
  if (seen.totalGiB === null) missing.push('seen')
  if (!stability.some(({ passes }) => passes > 0)) missing.push('stability')
  return missing.length > 0 ? { kind: 'open', missing } : { kind: 'verified' }
}
