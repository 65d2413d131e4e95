import { FORM_FACTORS, GENERATIONS } from '@tembrix/core/things/model'
import {
  type Offered,
  offeredKey,
  SUPPLIER_BEHAVIOURS,
  type SupplierAnswer,
  type SupplierBehaviour,
} from '@tembrix/core/things/records'
import { Check, LoaderCircle, Plus } from 'lucide-react'
import { type FormEvent, useEffect, useRef, useState } from 'react'
import {
  useCreateModuleMutation,
  useLazySearchSupplierQuery,
  useSetSupplierBehaviourMutation,
  useSupplierBehaviourQuery,
} from '../../base/data'
import { money, plural } from '../../base/format'
import { type Column, DataTable } from '../../base/table'
import { Button, Field, Nothing, Select, TextInput } from '../../base/ui'
import { formOf } from '../../parts/board'
import { COMES, WHAT } from './columns'
import { Failure } from './Offers'

const FORMS = FORM_FACTORS.filter((form) => form !== 'soldered')

/** Asks the supplier what it sells; what is taken up can be planned with. */
export function SupplierSearch() {
  const [text, setText] = useState('')
  const [generation, setGeneration] = useState('')
  const [formFactor, setFormFactor] = useState('')
  const [search, { data, error, isFetching }] = useLazySearchSupplierQuery()
  const running = useRef<{ abort: () => void } | null>(null)
  useEffect(() => () => running.current?.abort(), [])

  function ask(event: FormEvent) {
    event.preventDefault()
    running.current?.abort()
    running.current = search({
      text,
      ...(generation ? { generation: generation as (typeof GENERATIONS)[number] } : {}),
      ...(formFactor ? { formFactor: formFactor as (typeof FORM_FACTORS)[number] } : {}),
    })
  }

  const stopped = (error as { name?: string } | undefined)?.name === 'AbortError'
  return (
    <>
      <form onSubmit={ask} className="flex flex-wrap items-end gap-3">
        <Field label="What is looked for" className="min-w-64 flex-1">
          {(control) => (
            <TextInput
              {...control}
              type="search"
              placeholder="16 3200 kit"
              value={text}
              onValue={setText}
            />
          )}
        </Field>
        <Field label="Generation" className="w-32">
          {(control) => (
            <Select
              {...control}
              value={generation}
              options={[
                { value: '', label: 'any' },
                ...GENERATIONS.filter((one) => !one.startsWith('LP')).map((value) => ({
                  value: value as string,
                  label: value,
                })),
              ]}
              onValue={setGeneration}
            />
          )}
        </Field>
        <Field label="Form factor" className="w-48">
          {(control) => (
            <Select
              {...control}
              value={formFactor}
              options={[
                { value: '', label: 'any' },
                ...FORMS.map((value) => ({
                  value: value as string,
                  label: formOf({ formFactor: value }),
                })),
              ]}
              onValue={setFormFactor}
            />
          )}
        </Field>
        <Button look="main" type="submit">
          Ask
        </Button>
      </form>
      {isFetching && (
        <p className="flex items-center gap-3" role="status">
          <LoaderCircle size={18} className="animate-spin" aria-hidden /> Waiting for the supplier…
          <Button look="quiet" onClick={() => running.current?.abort()}>
            Stop waiting
          </Button>
        </p>
      )}
      {!isFetching && error && !stopped && (
        <div className="flex items-center gap-3">
          <div className="flex-1">
            <Failure of={error} />
          </div>
        </div>
      )}
      {!isFetching && data && !error && <Answer key={data.supplier} {...data} />}
      <Behaviour />
    </>
  )
}

const COLUMNS: readonly Column<Offered>[] = [
  ...WHAT,
  {
    id: 'stock',
    name: 'In stock',
    sortBy: ({ stock }) => stock,
    cell: ({ stock }) =>
      stock === 0 ? <span className="font-medium text-risk">none</span> : stock,
  },
  COMES,
  {
    id: 'price',
    name: 'Price',
    figures: true,
    sortBy: ({ price }) => price,
    cell: ({ price }) => money(price),
  },
]

function Answer({ supplier, offers, takenUp }: SupplierAnswer) {
  const [create, { error }] = useCreateModuleMutation()
  const [taking, setTaking] = useState<readonly string[]>([])
  const taken = new Set([...takenUp, ...taking])

  async function takeUp(offer: Offered) {
    const fields = { id: crypto.randomUUID(), source: 'supplier', supplier, ...offer } as const
    const { data } = await create(fields)
    if (data) setTaking((now) => [...now, offeredKey(offer)])
  }
  const take: Column<Offered> = {
    id: 'take',
    name: '',
    look: 'whitespace-nowrap',
    cell: (offer) =>
      taken.has(offeredKey(offer)) ? (
        <span className="flex items-center gap-1.5 px-2 text-act">
          <Check size={17} aria-hidden /> taken up
        </span>
      ) : (
        <Button aria-label={`Take up ${offer.module.article}`} onClick={() => takeUp(offer)}>
          <Plus size={17} aria-hidden /> Take up
        </Button>
      ),
  }
  if (offers.length === 0) {
    return <Nothing>{supplier} sells nothing like this.</Nothing>
  }
  return (
    <>
      <p className="text-sm text-ink-2">
        {plural(offers.length, 'offer')} of {supplier}, the cheapest first.
      </p>
      {error && <Failure of={error} />}
      <DataTable
        name="Offers of the supplier"
        rows={offers}
        columns={[...COLUMNS, take]}
        keyOf={({ module }) => module.article}
      />
    </>
  )
}

const BEHAVIOURS: Record<SupplierBehaviour, string> = {
  steady: 'at once',
  slow: 'slowly',
  failing: 'with errors',
  part: 'and sends half',
  wrong: 'and sends wrong parts',
  refusing: 'and refuses orders',
}

/** This supplier is simulated: how it answers can be chosen, to see what happens then. */
function Behaviour() {
  const { data } = useSupplierBehaviourQuery()
  const [set] = useSetSupplierBehaviourMutation()
  if (!data) return null
  return (
    <p className="mt-auto flex items-center gap-2 text-sm text-ink-2">
      <label htmlFor="behaviour">
        {data.supplier} is simulated and ships with Tembrix. It answers
      </label>
      <span className="w-52">
        <Select
          id="behaviour"
          value={data.behaviour}
          options={SUPPLIER_BEHAVIOURS.map((value) => ({ value, label: BEHAVIOURS[value] }))}
          onValue={(behaviour) => set(behaviour)}
        />
      </span>
    </p>
  )
}
