import { type Entry, isKept } from '@tembrix/core/evidence'
import { RotateCcw } from 'lucide-react'
import { ago, Disclosure, IconButton, plural } from '../../../base/ui'
import { figureName, figureValue, placeOf, SOURCE_NAMES, TRUST_NAMES } from '../../../parts/facts'
import { useJob } from '../file'
import { useIdentify } from './useIdentify'
import { seenInWords } from './words'

/** Every fact with its sources: which one counts, which are overruled, who said so and when. */
export function Ledger() {
  const { evidence } = useJob()
  const { machine, slots } = evidence
  const facts = machine.length + slots.reduce((sum, { entries }) => sum + entries.length, 0)
  return (
    <Disclosure
      className="border-t border-rule pt-1"
      summary={
        <span className="font-semibold">
          Evidence <span className="font-normal text-ink-2">({plural(facts, 'fact')})</span>
        </span>
      }
    >
      <Facts title="Machine" entries={machine} />
      {slots.map(({ slot, entries, observed, verified }) => (
        <Facts
          key={slot}
          title={`Slot ${slot}`}
          note={[verified ? 'contents verified' : '', observed ? seenInWords(observed) : '']
            .filter(Boolean)
            .join('; ')}
          entries={entries}
        />
      ))}
    </Disclosure>
  )
}

function Facts({
  title,
  note = '',
  entries,
}: {
  title: string
  note?: string
  entries: readonly Entry[]
}) {
  return (
    <table aria-label={`Facts: ${title}`} className="mb-3 w-full border-collapse text-left text-sm">
      <caption className="pb-1 text-left font-semibold">
        {title} {note && <span className="font-normal text-ink-2">{note}</span>}
      </caption>
      <thead className="sr-only">
        <tr>
          <th>Fact</th>
          <th>Value</th>
          <th>Source</th>
        </tr>
      </thead>
      <tbody>
        {entries.map((entry) => (
          <Fact key={entry.key} entry={entry} />
        ))}
      </tbody>
    </table>
  )
}

function Fact({ entry }: { entry: Entry }) {
  const { reopen } = useIdentify()
  const { what, claims, ruling, key } = entry
  return (
    <>
      {ruling && (
        <tr className="border-t border-rule align-top">
          <th scope="row" className="w-28 py-1 pr-2 font-medium">
            {figureName(what)}
          </th>
          <td className="py-1 pr-2 font-semibold text-act">{figureValue(what, ruling.value)}</td>
          <td className="py-1">
            <span className="flex items-start justify-between gap-1">
              <span>
                settled by {SOURCE_NAMES[ruling.source]}
                <span className="block text-ink-2">
                  {ruling.by || 'no name'}, {ago(ruling.at)}
                </span>
              </span>
              <IconButton label={`Reopen ${figureName(what)}`} onClick={() => reopen(key)}>
                <RotateCcw size={15} aria-hidden />
              </IconButton>
            </span>
          </td>
        </tr>
      )}
      {claims.map((claim, at) => {
        const kept = isKept(entry, claim)
        return (
          <tr
            // biome-ignore lint/suspicious/noArrayIndexKey: claims have no name and keep their order
            key={at}
            className={`align-top ${at === 0 && !ruling ? 'border-t border-rule' : ''} ${kept ? '' : 'text-ink-2'}`}
          >
            <th scope="row" className="w-28 py-1 pr-2 font-medium">
              <span className={at === 0 && !ruling ? '' : 'sr-only'}>{figureName(what)}</span>
            </th>
            <td className={`py-1 pr-2 break-words ${kept ? 'font-semibold' : 'line-through'}`}>
              {figureValue(what, claim.value)}
            </td>
            <td className="py-1">
              {SOURCE_NAMES[claim.source]}
              <span className="text-ink-2">
                {' '}
                · {TRUST_NAMES[claim.trust]}
                {kept ? '' : ' · overruled'}
                {claim.input && (
                  <span className="block">
                    {[claim.name, placeOf(claim.where), claim.by, claim.at && ago(claim.at)]
                      .filter(Boolean)
                      .join(', ')}
                  </span>
                )}
              </span>
            </td>
          </tr>
        )
      })}
    </>
  )
}
