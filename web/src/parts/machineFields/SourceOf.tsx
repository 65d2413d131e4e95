import type { Source } from '@tembrix/core/things/model'
import type { Sourced, Sources } from '@tembrix/core/things/records'
import { SOURCE_NAMES } from '../facts'

/** The sources of a record's figures, and how to say one. */
export interface Sourcing {
  sources: Sources
  say: (what: Sourced, source: Source, note?: string) => void
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
  const { source = 'start', note = '' } = sourcing.sources[what] ?? {}
  const offered = SAID.includes(source) ? SAID : [source, ...SAID]
  return (
    <span className="flex flex-wrap items-center gap-x-1.5 text-sm text-ink-2">
      by
      <select
        aria-label={`Source of ${label}`}
        value={source}
        onChange={({ target }) => sourcing.say(what, target.value as Source, note)}
        className="min-h-11 min-w-0 flex-[1_1_8rem] rounded-sm border-b border-dashed border-rule-2 bg-sheet text-ink-2 hover:bg-sheet-2"
      >
        {offered.map((one) => (
          <option key={one} value={one}>
            {SOURCE_NAMES[one]}
          </option>
        ))}
      </select>
      {source !== 'start' && (
        <input
          aria-label={`Note on the source of ${label}`}
          placeholder="page, edition"
          maxLength={500}
          value={note}
          onChange={({ target }) => sourcing.say(what, source, target.value)}
          className="min-h-11 min-w-0 flex-[1_1_7rem] border-b border-dashed border-rule-2 bg-sheet px-1"
        />
      )}
    </span>
  )
}
