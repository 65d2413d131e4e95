import { soldAs } from '@tembrix/core/things/model'
import { ArrowLeft } from 'lucide-react'
import { list, plural } from '../../../../base/format'
import { Button, callout } from '../../../../base/ui'
import { organisation } from '../../../../parts/board'
import { assumedName, figureValue } from '../../../../parts/facts'
import { useJob } from '../../base/file'
import { useIdentify } from './useIdentify'

/** What was read and is not so on the board. */
export function Proposals() {
  const { now } = useJob()
  const { place, differences } = useIdentify()
  if (differences.length === 0) return null
  return (
    <section
      aria-label="Read, not on the board"
      className={callout({ tone: 'ask', className: 'flex flex-col gap-2' })}
    >
      <h3 className="font-semibold">Read, but not so on the board</h3>
      <ul className="text-[0.93rem]">
        {differences.map(({ slot, module, isNew, what, assumed }) => {
          const there = now.placement[slot]
          return (
            <li key={slot}>
              <b>{slot}</b>: {soldAs(module)} {organisation(module)}
              {there && <> instead of {list(what.map((name) => figureValue(name, there[name])))}</>}
              {assumed.length > 0 && isNew && (
                <span className="block text-sm text-ink-2">
                  assumed as usual: {list(assumed.map(assumedName))}
                </span>
              )}
            </li>
          )
        })}
      </ul>
      <Button look="main" className="self-start" onClick={() => place(differences)}>
        <ArrowLeft size={17} aria-hidden /> Take {plural(differences.length, 'module')} over to the
        board
      </Button>
    </section>
  )
}
