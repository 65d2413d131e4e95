import { type Suspicion, suspects } from '@tembrix/core/bench/diagnose'
import { capital } from '../../../../base/format'
import { partsWords } from '../../base/trials'
import { chancePercent } from './words'

/** What may be wrong, the likeliest first. */
export function Suspects({
  suspicion,
  name,
}: {
  suspicion: Suspicion
  name: (module: string) => string
}) {
  const shown = suspects(suspicion)
    .filter(({ chance }) => chance >= 0.01)
    .slice(0, 5)
  return (
    <section aria-label="Suspects">
      <h3 className="font-semibold">What is suspected</h3>
      <ol>
        {shown.map(({ parts, chance }) => (
          <li key={parts.join()} className="border-b border-rule py-1">
            <span className="flex justify-between gap-3">
              <span>{capital(partsWords(parts, name))}</span>
              <b className="font-semibold whitespace-nowrap">{chancePercent(chance)}</b>
            </span>
            <span
              aria-hidden
              className="block h-1 bg-act"
              style={{ width: `${Math.max(1, chance * 100)}%` }}
            />
          </li>
        ))}
      </ol>
      <p className="text-sm text-ink-2">
        Worked out from how often each cause is met, and every trial made. Single faults and pairs.
      </p>
    </section>
  )
}
