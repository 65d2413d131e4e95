import type { Comparison } from '@tembrix/core/bench/measure'
import { plural, tidy } from '../../../../base/format'
import { callout } from '../../../../base/ui'
import { NOTE_WORDS } from './sessions'
import { times } from './words'

const TONES = {
  gain: 'good',
  loss: 'stop',
  alike: 'note',
  'cannot-tell': 'note',
  'too-few': 'note',
} as const

/** What sessions before and after say, in words, with the figures it rests on and what would settle it. */
export function Verdict({ comparison, unit }: { comparison: Comparison; unit: string }) {
  const { verdict, ratio, low, high, worthwhile, next, notes, before, after } = comparison
  const range = `95 % interval ${times(low)} to ${times(high)}.`
  const worth = worthwhile === null ? ' Whether it is worth its price is open.' : ''
  const more = next
    ? `About ${plural(next.sessions, 'further session')} of ${next.runs} runs on each side would settle it; start the machine afresh for each.`
    : 'Further sessions would hardly settle it.'
  const said = {
    gain: [`A gain: ${times(ratio)}.`, `${range}${worth}`],
    loss: [`A loss: ${times(ratio)}.`, range],
    alike: ['No difference worth paying for.', `${range} That is a finding too.`],
    'cannot-tell': ['Not significant: smaller than the scatter of the runs.', `${range} ${more}`],
    'too-few': ['Too few runs.', 'Three on each side at least, so that their scatter is known.'],
  }[verdict]
  return (
    <div data-verdict={verdict} className={callout({ tone: TONES[verdict], className: 'mt-1' })}>
      <p>
        <b className="font-semibold">{said[0]}</b> {said[1]}
      </p>
      {before.mean !== null && after.mean !== null && (
        <p className="text-sm">
          {tidy(before.mean)} before, {tidy(after.mean)} after{unit && ` (${unit})`};{' '}
          {sideWords(before)} and {sideWords(after)}.
        </p>
      )}
      {verdict !== 'too-few' && notes.length > 0 && (
        <ul className="list-disc pl-4 text-sm text-ink-2">
          {notes.map((note) => (
            <li key={note}>{NOTE_WORDS[note]}</li>
          ))}
        </ul>
      )}
    </div>
  )
}

const sideWords = ({ sessions, count }: Comparison['before']) =>
  `${plural(count, 'run')} in ${plural(sessions, 'session')}`
