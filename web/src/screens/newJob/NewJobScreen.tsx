import { skipToken } from '@reduxjs/toolkit/query'
import { type Answers, matching, startingPoints } from '@tembrix/core/things/machines'
import type { NewJob as NewJobFields } from '@tembrix/core/things/records'
import { useDeferredValue, useRef, useState } from 'react'
import { useNavigate, useSearchParams } from 'react-router'
import {
  api,
  created,
  drafted,
  put,
  useAppDispatch,
  useAppSelector,
  useCreateJobMutation,
  useCustomerMachinesQuery,
  useCustomerQuery,
  useCustomersQuery,
  useModelsQuery,
  useShopQuery,
} from '../../base/data'
import { Faults, useSaveForm } from '../../base/form'
import { Bar } from '../../base/shell'
import { Button, callout, ErrorText, Field, TextInput, Waiting } from '../../base/ui'
import { corrections } from './corrections'
import { type Draft, empty, newJobForm, type StartedJob } from './draft'
import { ImportJob } from './ImportJob'
import { KnownCustomer } from './KnownCustomer'
import { MachineChoice } from './MachineChoice'

const DRAFT = 'new-job'

/** The answers given, and the machine where they leave only one. */
function withAnswers(answers: Answers): Partial<Draft> {
  const [only, ...others] = matching(answers)
  return { answers, ...(only && others.length === 0 ? { start: only.id } : {}) }
}

/** Begins a job: who, which kind of machine, what is wrong. What is typed outlives a reload. */
export function NewJobScreen() {
  const dispatch = useAppDispatch()
  const navigate = useNavigate()
  const kept = useAppSelector((state) => state.outbox.drafts[DRAFT]?.form) as Draft | undefined
  const [params] = useSearchParams()
  const [first] = useState(empty)
  const asked = params.get('customer')
  /** Whether the ticket is printed as soon as the job is there. */
  const ticket = useRef(false)
  const [create, { isLoading, error: unmade }] = useCreateJobMutation()
  const { data: models = [], isLoading: isReadingModels } = useModelsQuery()
  const { data: shop } = useShopQuery()
  const form = useSaveForm(
    newJobForm(startingPoints(models)),
    { ...first, ...kept, ...(asked ? { customerId: asked } : {}) },
    start,
  )
  const draft = form.values() as Draft

  const drop = () => dispatch(drafted({ key: DRAFT, field: 'form', value: undefined }))
  function set(changes: Partial<Draft>) {
    form.fill(changes)
    dispatch(drafted({ key: DRAFT, field: 'form', value: { ...form.values() } }))
  }
  const isKnown = draft.customerId !== null
  const { currentData: known } = useCustomerQuery(draft.customerId ?? skipToken)
  const { isLoading: isReadingMachines } = useCustomerMachinesQuery(draft.customerId ?? skipToken)
  // What comes late would push what is chosen from away beneath the pointer.
  const isReading = isReadingModels || isReadingMachines
  const words = useDeferredValue(draft.name.trim())
  const isSearching = !isKnown && words.length >= 2
  const { currentData: similar = [] } = useCustomersQuery(isSearching ? words : skipToken)

  /** The job was stored before and its answer lost: what was corrected since is stored too. */
  async function correct(jobId: string, job: NewJobFields) {
    const { data: file } = await dispatch(
      api.endpoints.job.initiate(jobId, { forceRefetch: true, subscribe: false }),
    )
    if (!file) return
    for (const action of put(jobId, 'the new job', corrections(file, job))) dispatch(action)
  }

  async function start({ report, ...job }: StartedJob) {
    const onlyListed = shop?.terms.onlyListed ?? false
    const answer = await create({ ...job, sizing: { ...job.sizing, onlyListed } })
    if (!answer.data) return
    const { id } = answer.data.job
    if (!answer.data.isNew) await correct(id, job)
    if (report.trim() !== '') {
      const recordId = crypto.randomUUID()
      dispatch(
        created(
          { jobId: id, collection: 'readings', recordId },
          { jobId: id, name: 'System report', text: report },
        ),
      )
    }
    drop()
    navigate(`/jobs/${id}/${ticket.current ? 'labels?new' : 'identify'}`)
  }

  return (
    <div className="flex min-h-dvh flex-col">
      <Bar>
        <h1 className="font-semibold">New job</h1>
      </Bar>
      <main id="work" tabIndex={-1} className="outline-none">
        <form
          onSubmit={form.submit}
          noValidate
          className="mx-auto grid w-full max-w-5xl gap-x-8 gap-y-5 p-4 md:grid-cols-[1fr_1.2fr]"
        >
          <div className="empty:hidden md:col-span-2">
            <Faults count={form.faults} />
          </div>
          <fieldset className="flex flex-col gap-3 bg-sheet p-4">
            <legend className="float-left mb-1 w-full text-lg font-semibold">Customer</legend>
            {isKnown ? (
              <div
                className={callout({
                  tone: 'good',
                  className: 'clear-left flex items-center justify-between gap-3',
                })}
              >
                <p>
                  <b>{known?.name ?? 'A known customer'}</b>
                  <br />
                  {known && (known.phone || known.email || 'no phone or e-mail')}
                </p>
                <Button onClick={() => set({ customerId: null, machineId: null })}>Another</Button>
              </div>
            ) : (
              <>
                <Field label="Name" error={form.error('name')}>
                  {(control) => (
                    <TextInput
                      {...control}
                      value={draft.name}
                      onValue={(name) => set({ name })}
                      autoFocus
                    />
                  )}
                </Field>
                {similar.length > 0 && (
                  <ul aria-label="Known customers" className="flex flex-col gap-1">
                    {similar.map((customer) => (
                      <li key={customer.id}>
                        <Button
                          className="w-full justify-start"
                          onClick={() => set({ customerId: customer.id, machineId: null })}
                        >
                          Known: {customer.name}
                          <span className="text-ink-2">{customer.phone}</span>
                        </Button>
                      </li>
                    ))}
                  </ul>
                )}
                <Field label="Phone" error={form.error('phone')}>
                  {(control) => (
                    <TextInput
                      {...control}
                      type="tel"
                      value={draft.phone}
                      onValue={(phone) => set({ phone })}
                    />
                  )}
                </Field>
                <Field label="E-mail" error={form.error('email')}>
                  {(control) => (
                    <TextInput
                      {...control}
                      type="email"
                      value={draft.email}
                      onValue={(email) => set({ email })}
                    />
                  )}
                </Field>
              </>
            )}
            <Field label="What is wrong, in the customer’s words">
              {(control) => (
                <TextInput
                  {...control}
                  lines={4}
                  value={draft.complaint}
                  onValue={(complaint) => set({ complaint })}
                />
              )}
            </Field>
          </fieldset>

          <fieldset className="bg-sheet p-4" aria-describedby="machine-problem">
            <legend className="float-left mb-2 w-full text-lg font-semibold">Machine</legend>
            {form.error('start') && (
              <p
                id="machine-problem"
                data-fault
                tabIndex={-1}
                className="clear-left mb-2 font-medium text-stop"
              >
                {form.error('start')}
              </p>
            )}
            {isReading && <Waiting>Reading the machines…</Waiting>}
            {!isReading && draft.customerId && (
              <KnownCustomer
                customerId={draft.customerId}
                chosen={draft.machineId ?? null}
                onChoose={(machineId) => set({ machineId })}
              />
            )}
            {!isReading && !(draft.customerId && draft.machineId) && (
              <MachineChoice
                models={models}
                chosen={draft.start}
                onChoose={(id) => set({ start: id })}
                answers={draft.answers}
                onAnswers={(answers) => set(withAnswers(answers))}
                report={draft.report}
                onReport={(report, found) =>
                  set({ report, ...withAnswers({ ...draft.answers, ...found }) })
                }
              />
            )}
          </fieldset>

          <div className="sticky bottom-0 flex flex-wrap items-center justify-end gap-3 bg-mat py-3 md:col-span-2">
            {unmade && <ErrorText className="flex-1">{wordsFor(unmade)}</ErrorText>}
            <div className="mr-auto">
              <ImportJob />
            </div>
            <Button
              onClick={() => {
                drop()
                navigate('/')
              }}
            >
              Discard
            </Button>
            <Button
              disabled={isLoading}
              onClick={({ currentTarget }) => {
                ticket.current = true
                currentTarget.form?.requestSubmit()
              }}
            >
              Start, and print the ticket
            </Button>
            <Button
              look="main"
              type="submit"
              disabled={isLoading}
              onClick={() => {
                ticket.current = false
              }}
            >
              {isLoading ? 'Starting…' : 'Start the job'}
            </Button>
          </div>
        </form>
      </main>
    </div>
  )
}

function wordsFor(error: object): string {
  const answered = 'status' in error && typeof error.status === 'number' && error.status < 500
  return answered
    ? 'The server did not accept this. Check the fields above.'
    : 'The server does not answer. What you typed is kept here; try again in a moment.'
}
