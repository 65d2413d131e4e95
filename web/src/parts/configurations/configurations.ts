import type { Configuration } from '@tembrix/core/things/model'
import type { TwoChanges } from '@tembrix/core/things/records'

/** The configurations a job is measured in, the plain two or all four, each in words. */
export function configurationsOf(
  changes: TwoChanges | null,
): { value: Configuration; label: string }[] {
  const between = changes
    ? [
        { value: 'first' as const, label: `only ${changes.first}` },
        { value: 'second' as const, label: `only ${changes.second}` },
      ]
    : []
  return [{ value: 'before', label: 'before' }, ...between, { value: 'after', label: 'after' }]
}
