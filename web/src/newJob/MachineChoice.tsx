import { type StartingPoint, startingPoints } from '@tembrix/core/machines'
import type { ModelRecord } from '@tembrix/core/records'
import { useState } from 'react'
import { inputLook, plural } from '../ui'

interface Props {
  models: readonly ModelRecord[]
  chosen: string
  onChoose: (id: string) => void
}

/** Chooses a known model, found by its name, or the nearest general kind. */
export function MachineChoice({ models, chosen, onChoose }: Props) {
  const [search, setSearch] = useState('')
  const words = search.toLowerCase().split(/\s+/).filter(Boolean)
  const points = startingPoints(models)
  const matches = ({ machine }: StartingPoint) =>
    words.every((word) => `${machine.name} ${machine.kind}`.toLowerCase().includes(word))
  const known = points.filter((one) => one.modelId !== null && matches(one))
  const general = points.filter((one) => one.modelId === null && matches(one))
  const group = (title: string, list: readonly StartingPoint[]) =>
    list.length > 0 && (
      <fieldset className="flex flex-col gap-1.5">
        <legend className="mb-1 text-sm font-semibold">{title}</legend>
        {list.map((one) => (
          <Choice key={one.id} point={one} chosen={chosen === one.id} onChoose={onChoose} />
        ))}
      </fieldset>
    )
  return (
    <div className="clear-left flex flex-col gap-3">
      <input
        type="search"
        aria-label="Find a machine"
        placeholder="Find a model or kind"
        value={search}
        onChange={({ target }) => setSearch(target.value)}
        className={inputLook}
      />
      {group('Known to the shop', known)}
      {group('Otherwise the nearest; the next step corrects it', general)}
      {known.length + general.length === 0 && (
        <p className="text-ink-2">No machine is called so. Clear the search for the kinds.</p>
      )}
    </div>
  )
}

interface ChoiceProps {
  point: StartingPoint
  chosen: boolean
  onChoose: (id: string) => void
}

function Choice({ point: { id, machine }, chosen, onChoose }: ChoiceProps) {
  return (
    <label className="flex min-h-13 cursor-pointer items-center gap-3 rounded-sm border border-rule-2 px-3 py-1 has-checked:border-2 has-checked:border-act has-checked:bg-act-soft has-focus-visible:outline-3 has-focus-visible:outline-gold-line">
      <input
        type="radio"
        name="start"
        value={id}
        checked={chosen}
        onChange={() => onChoose(id)}
        className="size-5 accent-[var(--act)]"
      />
      <span className="leading-tight">
        <b className="font-semibold">{machine.name}</b>
        <span className="block text-sm text-ink-2">
          {machine.generation}, {plural(machine.channels.length, 'channel')}, at most{' '}
          {machine.limits.totalGiB} GB{machine.slots.length === 0 ? ', nothing can be added' : ''}
        </span>
      </span>
    </label>
  )
}
