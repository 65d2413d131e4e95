import { CircleCheck } from 'lucide-react'
import { Field, TextInput } from '../../../../base/ui'
import type { HandingOver } from './useHandover'
import { pointWords } from './words'

/** What stands open before it is signed, each to be closed or to have its reason. */
export function OpenPoints({ handing: { facts, handover, set } }: { handing: HandingOver }) {
  const { points } = facts
  if (points.length === 0) {
    return (
      <p className="flex gap-2 font-medium">
        <CircleCheck size={18} className="mt-0.5 shrink-0 text-act" aria-hidden /> Nothing stands
        open.
      </p>
    )
  }
  return (
    <section
      aria-label="Open points"
      className="border-l-4 border-risk-line bg-risk-soft px-3 py-2"
    >
      <h3 className="font-semibold">Still open</h3>
      <ul className="flex flex-col gap-2">
        {points.map((point) => (
          <li key={point.code}>
            <Field label={pointWords(point)}>
              {(control) => (
                <TextInput
                  {...control}
                  placeholder="Why it is handed over all the same"
                  value={handover.reasons[point.code] ?? ''}
                  onValue={(text) =>
                    set(
                      { reasons: { ...handover.reasons, [point.code]: text.slice(0, 300) } },
                      `reason ${point.code}`,
                    )
                  }
                />
              )}
            </Field>
          </li>
        ))}
      </ul>
    </section>
  )
}
