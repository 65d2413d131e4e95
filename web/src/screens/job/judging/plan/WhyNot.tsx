import { type Consequences, consequences } from '@tembrix/core/judging/plan'
import { isFreeFor } from '@tembrix/core/things/records'
import { useMemo, useState } from 'react'
import { capacity, latency, list, speed } from '../../../../base/format'
import { Disclosure, Field, Select } from '../../../../base/ui'
import { describeModule, modeWord } from '../../../../parts/board'
import { wordingOf } from '../../../../parts/findings'
import { useJob } from '../../base/file'

/** “Why not this one, there?”: what one module in one slot would do to the plan; worked out while it is open. */
export function WhyNot() {
  const [open, setOpen] = useState(false)
  return (
    <Disclosure
      className="border-y border-rule"
      onOpen={setOpen}
      summary={<span className="font-semibold">Why not this one, there?</span>}
    >
      {open && <Question />}
    </Disclosure>
  )
}

function Question() {
  const { machine, file, shop, planned, pieces } = useJob()
  const { id, machines } = file
  const offered = useMemo(() => {
    const free = shop.filter((one) => isFreeFor(one, { id, machines }))
    return [...file.modules, ...free]
  }, [file.modules, id, machines, shop])
  const [moduleId, setModuleId] = useState(offered[0]?.id ?? '')
  const [slot, setSlot] = useState(machine.slots[0]?.id ?? '')
  const module = pieces.get(moduleId)?.module ?? null
  const { placement } = planned
  const outcome = useMemo(
    () => consequences(machine, placement, planned.settings, slot, module),
    [machine, placement, planned.settings, slot, module],
  )
  return (
    <>
      <div className="grid grid-cols-[1fr_5.5rem] gap-2">
        <Field label="Module">
          {(control) => (
            <Select
              {...control}
              value={moduleId}
              options={[
                { value: '', label: 'none: leave it empty' },
                ...offered.map((one) => ({
                  value: one.id,
                  label: `${describeModule(one.module)}, ${one.module.article}`,
                })),
              ]}
              onValue={setModuleId}
            />
          )}
        </Field>
        <Field label="Slot">
          {(control) => (
            <Select
              {...control}
              value={slot}
              options={machine.slots.map(({ id }) => ({ value: id, label: id }))}
              onValue={setSlot}
            />
          )}
        </Field>
      </div>
      <div aria-live="polite" className="py-2 text-[0.93rem]">
        <p>
          <b className="font-semibold">{verdict(outcome)}</b> {figures(outcome)}
        </p>
        <ul className="list-disc pl-5">
          {outcome.brings.map((finding) => {
            const { title, means } = wordingOf({
              finding,
              machine,
              placement: { ...placement, [slot]: module },
              evaluation: outcome.after,
            })
            return (
              <li key={finding.code}>
                <b className="font-medium">{title}.</b> {means}
              </li>
            )
          })}
        </ul>
        {outcome.settles.length > 0 && (
          <p>
            It would settle:{' '}
            {list(
              outcome.settles.map(
                (finding) =>
                  wordingOf({ finding, machine, placement, evaluation: outcome.before }).title,
              ),
            )}
            .
          </p>
        )}
      </div>
    </>
  )
}

function verdict({ after, brings }: Consequences): string {
  if (!after.starts) return 'The machine would not start.'
  return brings.length === 0 ? 'No problems found.' : 'It would work, but:'
}

function figures({ before, after }: Consequences): string {
  if (!after.run) return ''
  const pairs: [string, string][] = [
    [capacity(before.capacity.usableGiB), capacity(after.capacity.usableGiB)],
    [modeWord(before.mode), modeWord(after.mode)],
    [`${before.run?.dataRate ?? 0} MT/s`, speed(after.run.dataRate)],
    [latency(before.run?.firstWordNs ?? 0), latency(after.run.firstWordNs)],
  ]
  const changed = pairs.filter(([was, is]) => was !== is)
  if (changed.length === 0) return 'No figure changes.'
  return `${changed.map(([was, is]) => `${was} → ${is}`).join(', ')}.`
}
