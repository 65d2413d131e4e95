import type { Suspicion } from '@tembrix/core/diagnose'
import { RotateCcw } from 'lucide-react'
import { Button, list } from '../../ui'
import type { Verifying } from './useVerify'
import { outcomeWords } from './words'

/** The trials made and what came of each; the last can be taken back. */
export function TrialList({
  verifying,
  suspicion,
}: {
  verifying: Verifying
  suspicion: Suspicion
}) {
  const { record, trials, set } = verifying
  const begun = record.trials.length > 0
  return (
    <section aria-label="Trials made" className="text-[0.93rem]">
      <ol className="list-decimal pl-6">
        {trials.map((trial, at) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: trials keep their places
          <li key={at}>
            {list(Object.keys(trial.arrangement))}
            {Object.keys(trial.arrangement).length < suspicion.bench.modules.length && ' only'}
            {trial.reseat && ', seated again'}
            {trial.profile && ', profile on'}
            {trial.depth === 'test' && ', tested'}:{' '}
            <b className="font-semibold">{outcomeWords(trial.outcome)}</b>
            {!begun && <span className="text-ink-2">, as was seen</span>}
          </li>
        ))}
      </ol>
      {begun && (
        <div className="flex gap-3">
          <button
            type="button"
            className="flex min-h-9 items-center gap-1.5 underline"
            onClick={() => set({ trials: record.trials.slice(0, -1) })}
          >
            <RotateCcw size={14} aria-hidden /> Take the last back
          </button>
          <Button look="quiet" onClick={() => set({ trials: [] })}>
            Start again
          </Button>
        </div>
      )}
    </section>
  )
}
