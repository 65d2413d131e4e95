import type { Evidence, Loose, SlotQuestion, SlotState } from '@tembrix/core/reading/evidence'
import { MapPin } from 'lucide-react'
import { useMemo } from 'react'
import { capacity, list, speed } from '../../../../base/format'
import { Button, callout } from '../../../../base/ui'
import { useAskBoard } from '../../../../parts/board'
import { useJob } from '../../base/file'
import { useIdentify } from './useIdentify'

/** More questions than these are not shown at once. */
const MOST = 6

/** Asks which slots modules are in that were read without saying so; the board answers by a tap. */
export function SlotQuestions() {
  const { evidence } = useJob()
  const { states } = evidence
  const { seat } = useIdentify()
  const { questions, loose } = evidence
  const [first] = questions
  const next = first?.keys[0]
  const asking = useMemo(
    () =>
      first && next !== undefined
        ? { slots: first.slots, answer: (slot: string) => seat(first.input, { [next]: slot }) }
        : null,
    [first, next, seat],
  )
  useAskBoard(asking)
  if (questions.length === 0) return null
  return (
    <section aria-label="Slot unknown" className="flex flex-col gap-2">
      {questions.slice(0, MOST).map((question, at) => (
        <Question
          key={`${question.input} ${question.slots}`}
          question={question}
          modules={question.keys.map(
            (key) => loose.find((one) => one.input === question.input && one.key === key) as Loose,
          )}
          states={states}
          first={at === 0}
          onSeats={(seats) => seat(question.input, seats)}
        />
      ))}
      {questions.length > MOST && (
        <p className="text-sm text-ink-2">
          and {questions.length - MOST} more questions like this.
        </p>
      )}
    </section>
  )
}

interface Props {
  question: SlotQuestion
  modules: readonly Loose[]
  states: Evidence['states']
  /** Its modules are the ones that a tap on the board seats, one after the other. */
  first: boolean
  onSeats: (seats: Record<string, string | null>) => void
}

/** Short notes on a slot that is offered. */
const TAKEN: Record<SlotState, string> = { unknown: '', filled: 'taken', empty: 'empty' }

const NUMBERS = ['', 'this one', 'these two', 'these three', 'these four']

function Question({ question, modules, states, first, onSeats }: Props) {
  const { keys, slots, alike } = question
  const which = NUMBERS[keys.length] ?? `these ${keys.length}`
  const title = keys.length === 1 ? 'Which slot is this one in?' : `Which slots are ${which} in?`
  const open = slots.filter((slot) => states[slot] !== 'filled')
  const exactly = alike && keys.length > 1 && keys.length === open.length
  return (
    <div className={callout({ tone: 'ask', className: 'flex flex-col gap-1.5' })}>
      <h3 className="flex items-center gap-2 font-semibold">
        <MapPin size={18} aria-hidden className="text-gold" />
        {title}
      </h3>
      <p className="text-[0.93rem]">
        {slots.length === 0
          ? 'No slot is left for them: is the number of slots right?'
          : first
            ? `Tap ${list(slots, 'or')} on the board, or choose here.`
            : 'Choose here, or answer the question above first.'}
      </p>
      {exactly && (
        <Button
          look="main"
          className="self-start"
          onClick={() =>
            onSeats(Object.fromEntries(keys.map((key, at) => [key, open[at] as string])))
          }
        >
          They are alike: one in {list(open)}
        </Button>
      )}
      {modules.map((one, at) => {
        const key = keys[at] as string
        const name = nameOf(one)
        return (
          <div key={key} className="flex flex-wrap items-center gap-1.5 text-sm">
            <span className={`mr-auto ${first && at === 0 ? 'font-semibold' : ''}`}>
              {first && at === 0 && keys.length > 1 ? '▸ ' : ''}
              {name}
            </span>
            {slots.map((slot) => (
              <Button
                key={slot}
                className="min-w-11 gap-1 px-2.5 font-mono"
                aria-label={`${name} is from slot ${slot}`}
                onClick={() => onSeats({ [key]: slot })}
              >
                {slot}
                <span className="font-sans font-normal text-ink-2 text-xs">
                  {TAKEN[states[slot] ?? 'unknown']}
                </span>
              </Button>
            ))}
            <Button
              look="quiet"
              className="px-2"
              aria-label={`${name} is in none of them`}
              onClick={() => onSeats({ [key]: null })}
            >
              {one.about.source === 'readout' ? 'none' : 'in my hand'}
            </Button>
          </div>
        )
      })}
    </div>
  )
}

/** What tells a module from the others: what it is, and what is printed on it or said of its place. */
function nameOf({ about }: Loose): string {
  const { capacityGiB, generation, speeds, partNumber, serial, slot } = about.said
  const [fastest] = speeds ?? []
  return [
    capacityGiB === undefined ? 'capacity unknown' : capacity(capacityGiB),
    generation,
    fastest && speed(fastest.dataRate),
    partNumber,
    serial && `serial ${serial}`,
    slot?.locator && `reported in “${slot.locator}”`,
  ]
    .filter(Boolean)
    .join(' ')
}
