import type { Assignment, Replaced } from '../../things/records'

/**
 * An assignment that was agreed to with what has replaced bad modules since: a slot whose module was replaced holds
 * what is `planned` there now.
 */
export function withReplacements(
  agreed: Assignment,
  planned: Assignment | null,
  replaced: readonly Pick<Replaced, 'slot'>[],
): Assignment {
  const next = { ...agreed }
  for (const { slot } of replaced) {
    const now = planned?.[slot]
    if (now) next[slot] = now
  }
  return next
}
