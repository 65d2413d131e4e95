import type { SystemFigures } from '@tembrix/core/reading/inputs'
import { soldAs } from '@tembrix/core/things/model'
import { tidy } from '../../../../base/format'
import { useJob } from '../../base/file'
import { seenInWords } from './words'

/** What was seen in each slot and how it runs now, and what the system says of its memory in use. */
export function RunningNow() {
  const { slots, loose, system } = useJob().evidence
  const seen = [
    ...slots.map((one) => ({ ...one, key: one.slot, place: one.slot })),
    ...loose.map((one) => ({ ...one, key: `${one.input} ${one.key}`, place: '?' })),
  ].filter(({ running, made }) => running && made)
  const figures = system ? figuresOf(system) : []
  if (seen.length === 0 && figures.length === 0) return null
  return (
    <section aria-label="As it runs now" className="text-[0.93rem]">
      <h3 className="font-semibold">As it runs now</h3>
      {seen.length > 0 && (
        <ul>
          {seen.map(({ key, place, made, running }) => (
            <li key={key} className="flex gap-2 border-t border-rule py-0.5">
              <b className="w-9 shrink-0 font-mono font-semibold">{place}</b>
              <span>
                {made && soldAs(made.module)}
                <span className="block text-ink-2">{running && seenInWords(running)}</span>
              </span>
            </li>
          ))}
        </ul>
      )}
      {figures.length > 0 && <p className="border-t border-rule py-0.5">{figures.join(', ')}.</p>}
    </section>
  )
}

/** Figures of the running system in a few words. */
function figuresOf(system: Partial<SystemFigures>): string[] {
  return [
    system.totalGiB !== undefined && `The system has ${tidy(system.totalGiB, 1)} GB`,
    system.availableGiB !== undefined && `${tidy(system.availableGiB, 1)} GB of it free`,
    system.pageFileGiB !== undefined &&
      `page file ${tidy(system.pageFileGiB, 1)} GB${system.pageFileUsedGiB === undefined ? '' : `, ${tidy(system.pageFileUsedGiB, 1)} GB in use`}`,
    system.pageFileAutomatic !== undefined &&
      (system.pageFileAutomatic ? 'sized by the system' : 'set by hand'),
    system.usableGiB !== undefined && `${tidy(system.usableGiB, 1)} GB of it usable`,
    system.systemBits !== undefined && `${system.systemBits}-bit`,
  ].filter((one) => one !== false)
}
