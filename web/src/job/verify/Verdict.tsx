import type { Comparison } from '@tembrix/core/measure'
import { plural, tidy } from '../../ui'
import { times } from './words'

const LOOKS = {
  gain: 'border-act bg-act-soft',
  loss: 'border-stop bg-stop-soft',
  'cannot-tell': 'border-rule-2 bg-note-soft',
  'too-few': 'border-rule-2 bg-note-soft',
}

/** What runs before and after say, in words, with the figures it rests on. */
export function Verdict({ comparison, unit }: { comparison: Comparison; unit: string }) {
  const { verdict, ratio, low, high, moreRuns, before, after } = comparison
  const range = `95 % interval ${times(low)} to ${times(high)}.`
  const more = plural(moreRuns ?? 0, 'more run')
  const said = {
    gain: [`A gain: ${times(ratio)}.`, range],
    loss: [`A loss: ${times(ratio)}.`, range],
    'cannot-tell': [
      'Cannot be told from noise.',
      `${range} ${moreRuns === null ? 'More runs would hardly settle it.' : `About ${more} on each side would settle a difference of this size.`}`,
    ],
    'too-few': ['Too few runs.', `${more} at least, so that their scatter is known.`],
  }[verdict]
  return (
    <p data-verdict={verdict} className={`mt-1 border-l-4 px-3 py-1.5 ${LOOKS[verdict]}`}>
      <b className="font-semibold">{said[0]}</b> {said[1]}
      {before.mean !== null && after.mean !== null && (
        <span className="block text-sm">
          {tidy(before.mean)} before, {tidy(after.mean)} after{unit && ` (${unit})`}; {before.count}{' '}
          and {plural(after.count, 'run')}.
        </span>
      )}
    </p>
  )
}
