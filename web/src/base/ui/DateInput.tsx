import { parseISO } from 'date-fns'
import { CalendarDays } from 'lucide-react'
import { lazy, useMemo } from 'react'
import { dateFrom, day, isoDay, today } from '../format'
import type { FieldControl } from './Field'
import { OnDemand } from './OnDemand'
import { TextInput } from './TextInput'

const Calendar = lazy(async () => ({ default: (await import('./Calendar')).Calendar }))

const ISO = /^\d{4}-\d{2}-\d{2}$/

interface Props extends FieldControl {
  /** An ISO date, or what was typed that is none. */
  value: unknown
  /** Takes the ISO date; what is none as it was typed, for the check to refuse; empty for no date. */
  onValue: (value: string) => void
}

/** A day, typed as people write one or picked from a month. */
export function DateInput({ value, onValue, ...control }: Props) {
  const text = typeof value === 'string' ? value : ''
  const isDate = ISO.test(text)
  const example = useMemo(() => day(today()), [])
  return (
    <div className="relative">
      <TextInput
        {...control}
        className="pr-12"
        placeholder={example}
        value={isDate ? day(text) : text}
        onValue={(typed) => onValue(dateFrom(typed, new Date()) ?? typed.trim())}
      />
      <OnDemand
        label="Pick a day"
        className="absolute top-0 right-0 grid size-11 place-items-center rounded-sm hover:bg-sheet-2"
        face={<CalendarDays size={18} aria-hidden />}
      >
        {(trigger) => (
          <Calendar
            trigger={trigger}
            chosen={isDate ? parseISO(text) : undefined}
            onChoose={(date) => onValue(isoDay(date))}
          />
        )}
      </OnDemand>
    </div>
  )
}
