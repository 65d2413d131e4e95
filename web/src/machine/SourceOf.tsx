import type { Source } from '@tembrix/core/model'
import type { Sourced, Sources } from '@tembrix/core/records'
import { SOURCE_NAMES } from '../facts'
import { inputLook } from '../ui'

/** The sources of a record's figures, and how to say one. */
export interface Sourcing {
  sources: Sources
  say: (what: Sourced, source: Source) => void
}

/** Notes that a figure was typed in, where nothing better is known of where it comes from. */
export function typedIn({ sources, say }: Sourcing, what: Sourced): void {
  const source = sources[what]?.source
  if (source === undefined || source === 'start') say(what, 'typed')
}

const SAID: Source[] = ['manual', 'opened', 'lettering', 'readout', 'typed', 'guess']

/** Where a figure of the record comes from, to be said beside it. */
export function SourceOf({
  what,
  label,
  sourcing,
}: {
  what: Sourced
  label: string
  sourcing: Sourcing
}) {
  const source = sourcing.sources[what]?.source ?? 'start'
  const offered = SAID.includes(source) ? SAID : [source, ...SAID]
  return (
    <select
      aria-label={`Source of ${label}`}
      value={source}
      onChange={({ target }) => sourcing.say(what, target.value as Source)}
      className={`${inputLook} min-h-8 border-rule bg-transparent py-0 text-sm text-ink-2`}
    >
      {offered.map((one) => (
        <option key={one} value={one}>
          {SOURCE_NAMES[one]}
        </option>
      ))}
    </select>
  )
}
