import { differingParts, merged, partOf } from '@tembrix/core/machines'
import type { ModelRecord as Model, Sourced } from '@tembrix/core/records'
import { useState } from 'react'
import { Link } from 'react-router'
import {
  changed,
  overlayModels,
  useAppDispatch,
  useAppSelector,
  useCreateModelMutation,
  useModelsQuery,
} from '../../data'
import { PART_NAMES, partInWords } from '../../machine'
import { Button, Check, Dialog } from '../../ui'
import { useJob } from '../file'

/** Which of the shop's models this machine is, and what the job found that its record does not say. */
export function ModelRecord() {
  const { file, machine, edit } = useJob()
  const { data } = useModelsQuery()
  const entries = useAppSelector((state) => state.outbox.entries)
  const [create, { isLoading, error }] = useCreateModelMutation()
  const [open, setOpen] = useState(false)
  if (!data) return null
  const model = overlayModels(data, entries).find(({ id }) => id === file.machine.modelId)

  async function keepNew() {
    const { sources } = file.machine
    const answer = await create({ id: crypto.randomUUID(), machine, sources })
    if (answer.data) edit.step('machines', file.machine, { modelId: answer.data.id })
  }

  if (!model) {
    return (
      <section aria-label="Model" className="flex flex-wrap items-center gap-2 text-sm">
        <p className="flex-1">Not one of the shop’s machine records yet.</p>
        <Button className="min-h-9" disabled={isLoading} onClick={keepNew}>
          Keep it as a record
        </Button>
        {error && (
          <p role="alert" className="w-full text-stop">
            The server did not take it.
          </p>
        )}
      </section>
    )
  }
  const parts = differingParts(model.machine, machine)
  return (
    <section aria-label="Model" className="flex flex-wrap items-center gap-2 text-sm">
      <p className="flex-1">
        By the shop’s record{' '}
        <Link to={`/machines/${model.id}`} className="font-semibold text-act underline">
          {model.machine.name}
        </Link>
        {model.openingMinutes !== null && `, opens in about ${model.openingMinutes} minutes`}
      </p>
      {parts.length > 0 && (
        <Button className="min-h-9" onClick={() => setOpen(true)}>
          Merge {parts.length} back
        </Button>
      )}
      {model.cautions.length > 0 && (
        <ul className="w-full list-disc border-l-4 border-risk-line bg-risk-soft py-1 pr-2 pl-7">
          {model.cautions.map((caution) => (
            <li key={caution}>{caution}</li>
          ))}
        </ul>
      )}
      {open && <MergeDialog model={model} parts={parts} onClose={() => setOpen(false)} />}
    </section>
  )
}

interface MergeProps {
  model: Model
  parts: Sourced[]
  onClose: () => void
}

/** Chooses what of the job goes into the shop's record. */
function MergeDialog({ model, parts, onClose }: MergeProps) {
  const { file, machine } = useJob()
  const dispatch = useAppDispatch()
  const [chosen, setChosen] = useState<Sourced[]>(parts)
  const { sources } = file.machine

  function merge() {
    const { id, version } = model
    const next = merged(model, { machine, sources }, chosen)
    const fields = { machine: next.machine, sources: next.sources }
    dispatch(changed({ jobId: '', collection: 'models', recordId: id, version }, fields))
    onClose()
  }

  return (
    <Dialog
      open
      onOpen={onClose}
      title={`Merge into ${model.machine.name}`}
      intro="The next job on this model starts from it."
    >
      <table className="mb-3 w-full border-collapse text-left text-sm">
        <thead>
          <tr className="border-b border-rule">
            <th className="py-1 font-semibold">Take over</th>
            <th className="py-1 font-semibold">The record says</th>
            <th className="py-1 font-semibold">This job found</th>
          </tr>
        </thead>
        <tbody>
          {parts.map((part) => (
            <tr key={part} className="border-b border-rule">
              <td>
                <Check
                  label={PART_NAMES[part]}
                  checked={chosen.includes(part)}
                  onChecked={(on) =>
                    setChosen((now) => (on ? [...now, part] : now.filter((one) => one !== part)))
                  }
                />
              </td>
              <td className="pr-2">{partInWords(part, partOf(model.machine, part))}</td>
              <td>{partInWords(part, partOf(machine, part))}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="flex justify-end gap-3">
        <Button onClick={onClose}>Cancel</Button>
        <Button look="main" disabled={chosen.length === 0} onClick={merge}>
          Merge
        </Button>
      </div>
    </Dialog>
  )
}
