import type { Battery } from '@tembrix/core/things/model'
import {
  type Collection,
  type Cover,
  ModelChange,
  type ModelRecord,
} from '@tembrix/core/things/records'
import { Plus, Trash2 } from 'lucide-react'
import { type ReactNode, useCallback, useState } from 'react'
import { useNavigate, useParams } from 'react-router'
import {
  ALONG,
  changing,
  overlayModels,
  put,
  recordUndo,
  useAppDispatch,
  useAppSelector,
  useModelHistoryQuery,
  useModelsQuery,
  useRemoveModelMutation,
  type Write,
} from '../../base/data'
import { type RecordForm, useRecordForm } from '../../base/form'
import { numberFrom } from '../../base/format'
import { Bar } from '../../base/shell'
import { notify } from '../../base/toast'
import {
  Button,
  Dialog,
  Disclosure,
  ErrorText,
  Field,
  IconButton,
  LoadError,
  PageMessage,
  Select,
  TextInput,
  Waiting,
} from '../../base/ui'
import { HistoryLines } from '../../parts/history'
import {
  BATTERY_OPTIONS,
  ControllerFields,
  HATCH_OPTIONS,
  InsideFields,
  LAPTOP_HATCH_OPTIONS,
  LimitFields,
  NameFields,
  SlotFields,
  useSourcing,
} from '../../parts/machineFields'
import { UndoButtons, useUndoOf } from '../../parts/undo'
import { LayoutEditor } from './LayoutEditor'
import { ValidatedLists } from './ValidatedLists'

/** One of the shop's machine records, saved as it is typed. */
export function MachineModelScreen() {
  const { id = '' } = useParams()
  const { data, error, refetch } = useModelsQuery()
  const entries = useAppSelector((state) => state.outbox.entries)
  const stored = data?.find((one) => one.id === id)
  const model = stored && overlayModels([stored], entries)[0]
  return (
    <div className="flex min-h-dvh flex-col">
      <Bar>
        <h1 className="truncate font-semibold">{model?.machine.name ?? 'Machine'}</h1>
        {model && <Undo key={model.id} model={{ ...model, version: stored.version }} />}
      </Bar>
      {model ? (
        <Record key={model.id} model={model} version={stored.version} />
      ) : data ? (
        <PageMessage title="There is no such record" />
      ) : error ? (
        <LoadError title="The record cannot be read" onRetry={refetch} />
      ) : (
        <Waiting>Opening the record…</Waiting>
      )}
    </div>
  )
}

/** Back and again through what was done to the record. */
function Undo({ model }: { model: ModelRecord & { version: number } }) {
  const dispatch = useAppDispatch()
  const current = useCallback(
    (_: Collection, id: string) => (id === model.id ? model : undefined),
    [model],
  )
  const write = useCallback(
    (writes: readonly Write[]) => {
      for (const action of put('', 'what was taken back', writes)) dispatch(action)
    },
    [dispatch],
  )
  return <UndoButtons {...useUndoOf(model.id, current, write)} />
}

function Record({ model, version }: { model: ModelRecord; version: number }) {
  const dispatch = useAppDispatch()
  const { machine, sources } = model
  function change(fields: ModelChange, typing?: string) {
    const writes = [changing('models', { ...model, version }, fields)]
    dispatch(recordUndo({ jobId: model.id, step: { writes, typing } }))
    for (const action of put('', '', writes)) dispatch(action)
  }
  const form = useRecordForm('models', model, ModelChange.shape, change)
  const sourcing = useSourcing(sources, (next) => change({ sources: next }, ALONG))
  return (
    <main
      id="work"
      tabIndex={-1}
      className="outline-none mx-auto grid w-full max-w-7xl items-start gap-4 p-4 lg:grid-cols-[1.1fr_1fr]"
    >
      <div className="flex flex-col gap-4">
        <LayoutEditor machine={machine} onSlots={(slots) => form.set(slots, 'machine', 'slots')} />
        <Panel title="Opening it">
          <Opening form={form} />
        </Panel>
        <Panel title="Validated lists">
          <ValidatedLists model={model} />
        </Panel>
        <Panel title="Notes">
          <Field label="Notes" error={form.error('note')}>
            {(control) => (
              <TextInput
                {...control}
                lines={3}
                value={form.value('note')}
                onValue={(text) => form.set(text, 'note')}
              />
            )}
          </Field>
          <ModelHistory id={model.id} />
          <Remove model={model} version={version} />
        </Panel>
      </div>
      <div className="flex flex-col gap-4">
        <Panel title="What it is">
          <div className="grid grid-cols-2 gap-3">
            <NameFields form={form} machine={machine} label="Model" />
          </div>
        </Panel>
        <Panel title="Slots and soldered memory">
          <SlotFields form={form} machine={machine} sourcing={sourcing} />
        </Panel>
        <Panel title="Limits">
          <LimitFields form={form} machine={machine} sourcing={sourcing} />
        </Panel>
        <Panel title="Controller, firmware, voltage">
          <ControllerFields form={form} machine={machine} sourcing={sourcing} />
        </Panel>
        <Panel title="Under the cover">
          <InsideFields form={form} machine={machine} />
        </Panel>
      </div>
    </main>
  )
}

function Panel({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section aria-label={title} className="flex flex-col gap-3 bg-sheet p-4">
      <h2 className="font-semibold">{title}</h2>
      {children}
    </section>
  )
}

/** What was seen on the first of this model: a hatch or the display, and how the battery is cut off. */
function OpensBy({ form }: { form: RecordForm }) {
  const isLaptop = form.value('machine', 'kind') === 'laptop'
  if (!isLaptop && form.value('machine', 'kind') !== 'all-in-one') return null
  const hatch = form.value('hatch')
  return (
    <>
      <Field label="The slots are behind" className="max-w-96">
        {(control) => (
          <Select
            {...control}
            value={hatch === null ? '' : hatch ? 'hatch' : 'other'}
            options={isLaptop ? LAPTOP_HATCH_OPTIONS : HATCH_OPTIONS}
            onValue={(value) => form.set(value === '' ? null : value === 'hatch', 'hatch')}
          />
        )}
      </Field>
      {isLaptop && (
        <Field label="The battery" className="max-w-96">
          {(control) => (
            <Select
              {...control}
              value={(form.value('battery') as Battery | null) ?? ''}
              options={BATTERY_OPTIONS}
              onValue={(value) => form.set(value === '' ? null : value, 'battery')}
            />
          )}
        </Field>
      )}
    </>
  )
}

/** How long it takes to get at the slots, what is under which cover, and what to take care of. */
function Opening({ form }: { form: RecordForm }) {
  const covers = form.value('covers') as Cover[]
  const cautions = form.value('cautions') as string[]
  return (
    <>
      <Field
        label="Minutes to open and close"
        className="max-w-56"
        error={form.error('openingMinutes') && 'These are no minutes.'}
      >
        {(control) => (
          <TextInput
            {...control}
            inputMode="numeric"
            value={form.value('openingMinutes')}
            onValue={(text) => form.set(numberFrom(text), 'openingMinutes')}
          />
        )}
      </Field>
      <OpensBy form={form} />
      <fieldset className="flex flex-col gap-1.5">
        <legend className="mb-1 text-sm font-semibold">What is under which cover</legend>
        {covers.map((_, at) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: covers are being named here and keep their places
          <div key={at} className="flex flex-wrap items-start gap-1.5">
            <TextInput
              id={`cover-${at}`}
              aria-label={`Cover ${at + 1}`}
              aria-invalid={form.error('covers', at, 'cover') !== undefined}
              aria-describedby={undefined}
              placeholder="bottom, ten screws"
              className="max-w-60"
              value={form.value('covers', at, 'cover')}
              onValue={(text) => form.set(text, 'covers', at, 'cover')}
            />
            <TextInput
              id={`hides-${at}`}
              aria-label={`What is under cover ${at + 1}`}
              aria-invalid={false}
              aria-describedby={undefined}
              placeholder="both slots, battery plug"
              className="max-w-72"
              value={form.value('covers', at, 'hides')}
              onValue={(text) => form.set(text, 'covers', at, 'hides')}
            />
            <RemoveRow
              label={`Remove cover ${at + 1}`}
              onPress={() => form.set(covers.toSpliced(at, 1), 'covers')}
            />
          </div>
        ))}
        <Button
          className="self-start"
          onClick={() => form.set([...covers, { cover: 'bottom', hides: '' }], 'covers')}
        >
          <Plus size={16} aria-hidden /> Cover
        </Button>
      </fieldset>
      <fieldset className="flex flex-col gap-1.5">
        <legend className="mb-1 text-sm font-semibold">Cautions of this model</legend>
        {cautions.map((_, at) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: cautions are being written here and keep their places
          <div key={at} className="flex items-start gap-1.5">
            <TextInput
              id={`caution-${at}`}
              aria-label={`Caution ${at + 1}`}
              aria-invalid={form.error('cautions', at) !== undefined}
              aria-describedby={undefined}
              value={form.value('cautions', at)}
              onValue={(text) => form.set(text, 'cautions', at)}
            />
            <RemoveRow
              label={`Remove caution ${at + 1}`}
              onPress={() => form.set(cautions.toSpliced(at, 1), 'cautions')}
            />
          </div>
        ))}
        <Button
          className="self-start"
          onClick={() => form.set([...cautions, 'Battery plug off first.'], 'cautions')}
        >
          <Plus size={16} aria-hidden /> Caution
        </Button>
        <p className="text-sm text-ink-2">
          The maker’s service instructions and local rules come first. A swollen battery, a mains
          power supply or a glued display is for someone qualified.
        </p>
      </fieldset>
    </>
  )
}

function RemoveRow({ label, onPress }: { label: string; onPress: () => void }) {
  return (
    <IconButton label={label} onClick={onPress} look="remove">
      <Trash2 size={17} aria-hidden />
    </IconButton>
  )
}

function ModelHistory({ id }: { id: string }) {
  const [open, setOpen] = useState(false)
  const { data, error } = useModelHistoryQuery(id, {
    skip: !open,
    refetchOnMountOrArgChange: true,
  })
  return (
    <Disclosure onOpen={setOpen} summary={<span className="font-semibold">History</span>}>
      {error && <p className="text-ink-2">The server does not answer.</p>}
      <HistoryLines lines={data ?? []} />
    </Disclosure>
  )
}

function Remove({ model, version }: { model: ModelRecord; version: number }) {
  const navigate = useNavigate()
  const [asking, setAsking] = useState(false)
  const [remove, { error, isLoading }] = useRemoveModelMutation()
  async function go() {
    const answer = await remove({ ...model, version })
    if (answer.error) return
    notify(`Removed: ${model.machine.name}.`)
    navigate('/machines')
  }
  return (
    <>
      <Button look="stop" className="self-start" onClick={() => setAsking(true)}>
        Remove this record
      </Button>
      <Dialog open={asking} onOpen={setAsking} title={`Remove ${model.machine.name}?`}>
        <p className="mb-3">Its validated lists go with it. Jobs keep what they have.</p>
        {error && (
          <ErrorText className="mb-3">
            {'status' in error && error.status === 409
              ? 'It cannot go: a customer’s machine is of this model, or it was just changed.'
              : 'The server does not answer.'}
          </ErrorText>
        )}
        <div className="flex justify-end gap-3">
          <Button onClick={() => setAsking(false)}>Keep it</Button>
          <Button look="stop" disabled={isLoading} onClick={go}>
            Remove
          </Button>
        </div>
      </Dialog>
    </>
  )
}
