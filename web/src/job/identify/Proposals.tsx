import { ArrowLeft } from 'lucide-react'
import { organisation, rateOf } from '../../board'
import { figureName, figureValue } from '../../facts'
import { Button, capacity, list, plural } from '../../ui'
import { useJob } from '../file'
import { differencesOf, useIdentify } from './useIdentify'

/** What was read and is not on the board yet, and modules whose slot nobody has said. */
export function Proposals() {
  const view = useJob()
  const { place, seat } = useIdentify()
  const differences = differencesOf(view)
  const { loose } = view.evidence
  return (
    <>
      {differences.length > 0 && (
        <section
          aria-label="Read, not on the board"
          className="flex flex-col gap-2 border-l-4 border-gold-line bg-gold-soft px-3 py-2"
        >
          <h3 className="font-semibold">Read, but not so on the board</h3>
          <ul className="text-[0.93rem]">
            {differences.map(({ slot, module, record, what, assumed }) => (
              <li key={slot}>
                <b>{slot}</b>: {capacity(module.capacityGiB)} {module.generation}-{rateOf(module)}{' '}
                {organisation(module)}
                {record && (
                  <>
                    {' '}
                    instead of{' '}
                    {list(
                      what.map((name) =>
                        figureValue(name, record.module[name as keyof typeof record.module]),
                      ),
                    )}
                  </>
                )}
                {assumed.length > 0 && !record && (
                  <span className="block text-sm text-ink-2">
                    taken as usual: {list(assumed.map((name) => figureName(name).toLowerCase()))}
                  </span>
                )}
              </li>
            ))}
          </ul>
          <Button look="main" className="self-start" onClick={() => place(differences)}>
            <ArrowLeft size={17} aria-hidden /> Take {plural(differences.length, 'module')} over to
            the board
          </Button>
        </section>
      )}
      {loose.length > 0 && (
        <section aria-label="Slot not known" className="flex flex-col gap-2">
          <h3 className="font-semibold">Which slot is it from?</h3>
          {loose.slice(0, 12).map(({ input, index, reading }) => {
            const { capacityGiB, generation, speeds, partNumber } = reading.module
            const name = [
              capacityGiB === undefined ? 'capacity not known' : capacity(capacityGiB),
              generation,
              speeds?.[0] && `${speeds[0].dataRate} MT/s`,
              partNumber,
            ].filter(Boolean)
            return (
              <div
                key={`${input} ${index}`}
                className="flex flex-wrap items-center gap-1.5 text-sm"
              >
                <span className="mr-auto">{name.join(' ')}</span>
                {view.machine.slots.map(({ id }) => (
                  <Button
                    key={id}
                    className="min-h-9 px-2.5 font-mono"
                    aria-label={`${name.join(' ')} is from slot ${id}`}
                    onClick={() => seat(input, index, id)}
                  >
                    {id}
                  </Button>
                ))}
                <Button
                  look="quiet"
                  className="min-h-9 px-2"
                  onClick={() => seat(input, index, null)}
                >
                  none
                </Button>
              </div>
            )
          })}
          {loose.length > 12 && (
            <p className="text-sm text-ink-2">and {loose.length - 12} more modules.</p>
          )}
        </section>
      )}
    </>
  )
}
