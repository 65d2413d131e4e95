import { joinedCells } from '@tembrix/core/things/tables'
import { Button, callout } from '../../base/ui'

interface Props {
  name: string
  headings: readonly string[]
  /** The first row as it was parted. */
  row: readonly string[]
  readings: readonly (readonly number[])[]
  onReading: (commas: readonly number[]) => void
  onStop: () => void
}

/** Asks how rows with more columns than headings are to be read, by what the first of them would say. */
export function CommaQuestion({ name, headings, row, readings, onReading, onStop }: Props) {
  return (
    <fieldset
      className={callout({ tone: 'risk', className: 'my-1 flex flex-col items-start gap-1.5' })}
    >
      <legend className="float-left font-semibold">Where are the decimal commas in {name}?</legend>
      <p className="clear-left text-sm">
        Its rows have more columns than its headings, so commas stand within figures too. Choose how
        the first row reads.
      </p>
      {readings.map((commas) => (
        <Button key={commas.join()} className="text-left" onClick={() => onReading(commas)}>
          {joinedCells(row, headings.length, commas)
            .map((cell, at) => `${headings[at] || '(no name)'} ${cell}`)
            .join(' · ')}
        </Button>
      ))}
      <Button look="quiet" onClick={onStop}>
        Neither: do not read it
      </Button>
    </fieldset>
  )
}
