import { doubtfulOf, type FaultSearch, type Made } from '@tembrix/core/bench/diagnose'
import { RotateCcw } from 'lucide-react'
import { useMemo } from 'react'
import { CHOICES } from '../../../../base/format'
import { Button } from '../../../../base/ui'
import type { Verifying } from '../../base/file'
import { type ModuleName, outcomeWords, placedWords } from '../../base/trials'

interface Props {
  verifying: Verifying
  search: FaultSearch
  name: ModuleName
}

/** The trials made and what came of each. An answer can be taken back or marked as unsure; what does not fit the others is said. */
export function TrialList({ verifying, search, name }: Props) {
  const { record, trials, set } = verifying
  const begun = record.trials.length > 0
  const doubtful = useMemo(() => doubtfulOf(search.answers), [search])
  return (
    <section aria-label="Trials made" className="text-[0.93rem]">
      <h3 className="text-base font-semibold">Tried so far</h3>
      <ol className="list-decimal pl-6">
        {trials.map((trial, at) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: trials keep their places
          <li key={at}>
            {inShort(trial, name)}: <b className="font-semibold">{outcomeWords(trial.outcome)}</b>
            {trial.unsure && ', not sure'}
            {trial.code && ` (${trial.code})`}
            {!begun && <span className="text-ink-2">, as was seen</span>}
            {doubtful.includes(at) && (
              <span className="block font-medium text-risk">
                This does not fit the others: look again, mark it as unsure or take it back.
              </span>
            )}
            {begun && (
              <span className="flex gap-4 text-sm">
                <button
                  type="button"
                  aria-label={`Trial ${at + 1}: ${trial.unsure ? 'sure after all' : 'not sure'}`}
                  className="min-h-9 underline"
                  onClick={() =>
                    set({
                      trials: record.trials.map((one, place) =>
                        place === at ? { ...one, unsure: !one.unsure } : one,
                      ),
                    })
                  }
                >
                  {trial.unsure ? 'Sure after all' : 'Not sure'}
                </button>
                <button
                  type="button"
                  aria-label={`Take trial ${at + 1} back`}
                  className="flex min-h-9 items-center gap-1.5 underline"
                  onClick={() => set({ trials: record.trials.filter((_, place) => place !== at) })}
                >
                  <RotateCcw size={14} aria-hidden /> Take back
                </button>
              </span>
            )}
          </li>
        ))}
      </ol>
      {begun && (
        <Button look="quiet" onClick={() => set({ trials: [] })}>
          Start again
        </Button>
      )}
    </section>
  )
}

/** A trial with its sticks by name: "A: the old 4 GB, B: the new 8 GB; seated again". */
function inShort(trial: Made, name: ModuleName) {
  const { reseat, profile, depth, action, warm } = trial
  const how = [
    ...(reseat ? ['seated again'] : []),
    ...(action ? [CHOICES.action[action]] : []),
    ...(profile ? ['profile on'] : []),
    ...(warm && depth === 'start' ? ['still warm'] : []),
    depth === 'test' ? 'tested' : 'started',
  ]
  return `${placedWords(trial, name)}; ${how.join(', ')}`
}
