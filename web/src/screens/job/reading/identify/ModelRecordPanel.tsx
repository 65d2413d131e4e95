import {
  differingParts,
  merged,
  recordPart,
  STARTING_MACHINES,
} from '@tembrix/core/things/machines'
import type { ModelRecord as Model, Sourced } from '@tembrix/core/things/records'
import { useState } from 'react'
import { Link } from 'react-router'
import {
  changed,
  overlayModels,
  useAppDispatch,
  useAppSelector,
  useCreateModelMutation,
  useModelsQuery,
} from '../../../../base/data'
import { Button, Check, callout, Dialog, Field, TextInput } from '../../../../base/ui'
import { PART_NAMES, partInWords } from '../../../../parts/machineFields'
import { useJob } from '../../base/file'

/** Which of the shop's models this machine is, and what the job found that its record does not say. */
export function ModelRecordPanel() {
  const { file, edit } = useJob()
  const { machine } = file.machine
  const { data } = useModelsQuery()
  const entries = useAppSelector((state) => state.outbox.entries)
  const [create, { isLoading, error }] = useCreateModelMutation()
  const [open, setOpen] = useState<'name' | 'merge' | 'take' | null>(null)
  if (!data) return null
  const model = overlayModels(data, entries).find(({ id }) => id === file.machine.modelId)

  async function keepNew(name: string) {
    const { sources } = file.machine
    const named = { ...machine, name }
    const answer = await create({ id: crypto.randomUUID(), machine: named, sources })
    if (!answer.data) return
    setOpen(null)
    edit.step('machines', file.machine, { modelId: answer.data.id, machine: named })
  }

  if (!model) {
    return (
      <section aria-label="Model" className="flex flex-wrap items-center gap-2 text-sm">
        <p className="flex-1">Not one of the shop’s machine records yet.</p>
        <Button onClick={() => setOpen('name')}>Keep it as a record…</Button>
        {open === 'name' && (
          <NameDialog
            start={isGeneral(machine.name) ? '' : machine.name}
            busy={isLoading}
            failed={error !== undefined}
            onName={keepNew}
            onClose={() => setOpen(null)}
          />
        )}
      </section>
    )
  }
  const parts = differingParts(model.machine, machine)
  return (
    <section aria-label="Model" className="flex flex-wrap items-center gap-2 text-sm">
      <p className="flex-1">
        By the shop’s record{' '}
        <Link
          to={`/machines/${model.id}`}
          className="inline-flex min-h-11 items-center font-semibold text-act underline"
        >
          {model.machine.name}
        </Link>
        {model.openingMinutes !== null && `, opens in about ${model.openingMinutes} minutes`}
      </p>
      {parts.length > 0 && (
        <>
          <Button onClick={() => setOpen('take')}>Take over from the record…</Button>
          <Button onClick={() => setOpen('merge')}>Merge {parts.length} back…</Button>
        </>
      )}
      {model.cautions.length > 0 && (
        <ul className={callout({ tone: 'risk', className: 'w-full list-disc pr-2 pl-7' })}>
          {model.cautions.map((caution) => (
            <li key={caution}>{caution}</li>
          ))}
        </ul>
      )}
      {(open === 'merge' || open === 'take') && (
        <MergeDialog
          model={model}
          parts={parts}
          into={open === 'merge' ? 'record' : 'job'}
          onClose={() => setOpen(null)}
        />
      )}
    </section>
  )
}

interface MergeProps {
  model: Model
  parts: Sourced[]
  /** Whether what the job found goes into the record, or what the record says now comes into the job. */
  into: 'record' | 'job'
  onClose: () => void
}

/** Chooses what goes from the job into the shop’s record, or from the record into the job. */
function MergeDialog({ model, parts, into, onClose }: MergeProps) {
  const { file, edit } = useJob()
  const { machine } = file.machine
  const dispatch = useAppDispatch()
  const [chosen, setChosen] = useState<Sourced[]>(into === 'record' ? parts : [])
  const { sources } = file.machine

  function merge() {
    const { id, version } = model
    if (into === 'job') {
      edit.step('machines', file.machine, merged({ machine, sources }, model, chosen))
      onClose()
      return
    }
    const next = merged(model, { machine, sources }, chosen)
    const fields = { machine: next.machine, sources: next.sources }
    dispatch(changed({ jobId: '', collection: 'models', recordId: id, version }, fields, model))
    onClose()
  }

  return (
    <Dialog
      open
      onOpen={onClose}
      title={
        into === 'record'
          ? `Merge into ${model.machine.name}`
          : `Take over from ${model.machine.name}`
      }
      intro={
        into === 'record'
          ? 'The next job on this model starts from it.'
          : 'What the record says now goes into this job. Undo brings it back.'
      }
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
              <td className="pr-2">{partInWords(part, recordPart(model.machine, part))}</td>
              <td>{partInWords(part, recordPart(machine, part))}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="flex justify-end gap-3">
        <Button onClick={onClose}>Cancel</Button>
        <Button look="main" disabled={chosen.length === 0} onClick={merge}>
          {into === 'record' ? 'Merge' : 'Take over'}
        </Button>
      </div>
    </Dialog>
  )
}

/** The name of a general kind is no model's name. */
const isGeneral = (name: string): boolean =>
  STARTING_MACHINES.some(({ machine }) => machine.name === name)

interface NameProps {
  start: string
  busy: boolean
  failed: boolean
  onName: (name: string) => void
  onClose: () => void
}

/** Asks what the model is called: by that name the next job finds it. */
function NameDialog({ start, busy, failed, onName, onClose }: NameProps) {
  const [name, setName] = useState(start)
  const [tried, setTried] = useState(false)
  const missing = name.trim() === '' ? 'Name the model.' : undefined
  return (
    <Dialog open onOpen={onClose} title="Keep this machine as a record">
      <form
        noValidate
        onSubmit={(event) => {
          event.preventDefault()
          setTried(true)
          if (!missing) onName(name.trim())
        }}
        className="flex flex-col gap-3"
      >
        <Field
          label="Model"
          hint="As it stands on the machine; the next job finds it by this name."
          error={tried ? missing : failed ? 'The server did not take it. Try again.' : undefined}
        >
          {(control) => <TextInput {...control} autoFocus value={name} onValue={setName} />}
        </Field>
        <div className="flex justify-end gap-3">
          <Button onClick={onClose}>Cancel</Button>
          <Button look="main" type="submit" disabled={busy}>
            Keep it
          </Button>
        </div>
      </form>
    </Dialog>
  )
}
