import { Plus } from 'lucide-react'
import { type FormEvent, useState } from 'react'
import { Link } from 'react-router'
import { saidOf, useAddLikeMutation, useLikeMachinesQuery } from '../../../../base/data'
import { plural } from '../../../../base/format'
import { notify } from '../../../../base/toast'
import { Button, Disclosure, ErrorText, Field, TextInput } from '../../../../base/ui'
import { useJob } from '../file'
import { SingleOut } from './SingleOut'
import { machineWords } from './words'

/** Several machines of a model in one job: one plan, one quote, one order; each is fitted, tested and handed over by itself. */
export function MachineGroupPanel() {
  const { file } = useJob()
  const several = file.machines > 1
  return (
    <Disclosure
      className="border-t border-rule pt-1"
      open={several}
      summary={
        <span className="font-semibold">
          {several ? `${file.machines} like machines` : 'More machines like this one'}
        </span>
      }
    >
      <p className="text-ink-2">
        One plan, one quote and one order for all; each has its own serial numbers, fitting, tests
        and report.
      </p>
      {several && <List />}
      {file.lead ? <SingleOut /> : <Add />}
    </Disclosure>
  )
}

function List() {
  const { file } = useJob()
  const { data = [] } = useLikeMachinesQuery(file.id)
  return (
    <ol className="my-1">
      {data.map((one) => (
        <li key={one.id} className="border-t border-rule">
          <Link
            to={`/jobs/${one.id}`}
            aria-current={one.id === file.id}
            className="inline-flex min-h-11 min-w-11 items-center underline aria-[current=true]:font-semibold"
          >
            Job {one.number}
          </Link>
          : {machineWords(one)}
          {one.leads && <span className="text-ink-2">; its plan and quote are for all</span>}
        </li>
      ))}
    </ol>
  )
}

/** The most machines that are added at a time. */
const MOST = 60

function Add() {
  const { file } = useJob()
  const [count, setCount] = useState('1')
  const [serials, setSerials] = useState('')
  const [fault, setFault] = useState('')
  const [add, { error, isLoading }] = useAddLikeMutation()

  async function go(event: FormEvent) {
    event.preventDefault()
    const given = serials
      .split(/[\n,;]+/)
      .map((one) => one.trim())
      .filter(Boolean)
    const wanted = given.length > 0 ? given.length : Number(count)
    if (!Number.isInteger(wanted) || wanted < 1 || wanted > MOST) {
      setFault(`A number from 1 to ${MOST}.`)
      return
    }
    setFault('')
    const machines = Array.from({ length: wanted }, (_, at) => ({
      id: crypto.randomUUID(),
      serialNumber: given[at] ?? '',
    }))
    const done = await add({ jobId: file.id, machines })
    if (done.error) return
    setSerials('')
    notify(`${plural(wanted, 'machine')} added.`)
  }
  return (
    <form onSubmit={go} noValidate className="flex flex-wrap items-start gap-3">
      <Field label="How many more" className="w-36" error={fault || undefined}>
        {(control) => (
          <TextInput
            {...control}
            inputMode="numeric"
            value={serials.trim() === '' ? count : ''}
            placeholder="by their serials"
            onValue={setCount}
          />
        )}
      </Field>
      <Field
        label="Or their serial numbers, one a line"
        className="min-w-64 flex-1"
        hint="They can be noted later too."
      >
        {(control) => (
          <TextInput
            {...control}
            lines={3}
            className="font-mono"
            value={serials}
            onValue={setSerials}
          />
        )}
      </Field>
      <Button type="submit" className="mt-6" disabled={isLoading}>
        <Plus size={17} aria-hidden /> Add
      </Button>
      <ErrorText className="w-full">{error ? saidOf(error) : ''}</ErrorText>
    </form>
  )
}
