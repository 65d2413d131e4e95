import { fromLabels } from '@tembrix/core/reading/evidence'
import { usualMachineFor } from '@tembrix/core/things/machines'
import type { FormFactor, Module } from '@tembrix/core/things/model'
import { ModuleChange, PIECE_CONDITIONS, type ShopModule } from '@tembrix/core/things/records'
import { useState } from 'react'
import { z } from 'zod'
import {
  saidOf,
  useActMutation,
  useChangeModuleMutation,
  useRemoveModuleMutation,
} from '../../base/data'
import { Faults, useSaveForm } from '../../base/form'
import { currencySign, inUnits, minorFrom, noDate, numberFrom, today } from '../../base/format'
import { notify } from '../../base/toast'
import {
  Button,
  Confirm,
  callout,
  DateInput,
  Dialog,
  ErrorText,
  Field,
  Select,
  TextInput,
} from '../../base/ui'
import { describeModule, organisation } from '../../parts/board'
import { draftOf, FormFactorField, likelyModule, ModuleDialog } from '../../parts/machineFields'
import { FromJob } from './FromJob'
import type { KitOnShelf } from './words'

interface Props {
  /** What is changed; none: something is put on the shelf. */
  piece?: ShopModule
  kit?: KitOnShelf
  onClose: () => void
}

function start(piece: ShopModule | undefined) {
  return {
    module: piece?.module ?? null,
    label: '',
    /** The form factor, where the label does not print it. */
    form: null,
    asksForm: false,
    price: piece?.price ?? null,
    condition: piece?.condition ?? (piece ? '' : 'used'),
    testedOn: piece?.testedOn ?? '',
    warrantyUntil: piece?.warrantyUntil ?? '',
    serials: piece?.serialNumber ?? '',
    fromJobId: piece?.fromJobId ?? '',
    fromJob: piece?.fromJob ?? null,
    note: piece?.note ?? '',
    pieces: 1,
  }
}

/** Pieces of one kit, at most. */
const MOST_PIECES = 8

const { price, condition, testedOn, warrantyUntil, fromJobId, note } = ModuleChange.shape

/** What was left empty is not known. */
const orNull = <T extends z.ZodType>(schema: T) =>
  z.preprocess((value) => (value === '' ? null : value), schema)

const PieceForm = z.object({
  module: z.custom<Module>(
    (value) => value !== null,
    'Say what it is: by its label or its figures.',
  ),
  price,
  condition: orNull(condition),
  testedOn: orNull(testedOn),
  warrantyUntil: orNull(warrantyUntil),
  fromJobId: orNull(fromJobId),
  note,
  serials: z.string(),
  pieces: z
    .int(`From 1 to ${MOST_PIECES}.`)
    .min(1, `From 1 to ${MOST_PIECES}.`)
    .max(MOST_PIECES, `From 1 to ${MOST_PIECES}.`),
})

/** A piece of the shelf: what it is, what state it is in, where it is from, what it costs. */
export function PieceDialog({ piece, kit, onClose }: Props) {
  const [correcting, setCorrecting] = useState(false)
  const [act, acting] = useActMutation()
  const [ids] = useState(() => Array.from({ length: MOST_PIECES }, () => crypto.randomUUID()))
  const [asking, setAsking] = useState(false)
  const [change, changing] = useChangeModuleMutation()
  const [remove, removing] = useRemoveModuleMutation()
  const failed = acting.error ?? changing.error ?? removing.error

  function done(what: string) {
    const article = piece?.module.article ?? (form.value('module') as Module | null)?.article
    notify(article ? `${what}: ${article}.` : `${what}.`)
    onClose()
  }

  const form = useSaveForm(
    PieceForm,
    start(piece),
    async ({ module, serials, pieces, ...rest }) => {
      if (piece) {
        const { id, version } = piece
        const answer = await change({ id, version, ...rest, module, serialNumber: serials.trim() })
        if (!answer.error) done('Saved')
        return
      }
      const each = serials.split(/[\n,;]+/).map((one) => one.trim())
      // Under ids of their own, so that a kit whose answer was lost is on the shelf once.
      const id = `${module.article} ${ids[0]?.slice(0, 8)}`
      const kit = pieces > 1 ? { id, size: pieces } : null
      const answer = await act(
        ids.slice(0, pieces).map((piece, at) => {
          const serialNumber = each[at] ?? ''
          const fields = { source: 'shelf', ...rest, module: { ...module, kit }, serialNumber }
          return { action: 'create', collection: 'modules', id: piece, fields }
        }),
      )
      if (!answer.error) done('On the shelf')
    },
  )
  const { value, set, error } = form
  const module = value('module') as Module | null
  const factor = value('form') as FormFactor | null
  const label = value('label') as string
  const pieces = Number(value('pieces'))

  function readLabel(label: string, factor: FormFactor | null) {
    const [found] = fromLabels(label, factor)
    set('label', label)
    set('form', factor)
    set('asksForm', found?.asksForm ?? false)
    if (!found?.module) return
    set('module', found.module)
    set('pieces', found.pieces)
  }

  if (correcting) {
    return (
      <ModuleDialog
        title="What it is"
        action="That is it"
        start={module ? draftOf(module) : likelyModule(usualMachineFor({}))}
        onDone={(corrected) => {
          set('module', { ...corrected, kit: module?.kit ?? null })
          setCorrecting(false)
        }}
        onClose={() => setCorrecting(false)}
      />
    )
  }
  return (
    <Dialog
      open
      onOpen={onClose}
      title={piece ? 'A piece on the shelf' : 'Put on the shelf'}
      {...(kit?.whole
        ? { intro: `One of a kit of ${kit.pieces.length} that lies here whole.` }
        : {})}
    >
      <form onSubmit={form.submit} noValidate className="flex flex-col gap-3">
        <Faults count={form.faults} />
        {!piece && (
          <Field
            label="Its label"
            hint="As printed, such as 8GB 1Rx8 PC4-3200AA-SA2-11; or enter its figures."
          >
            {(control) => (
              <TextInput
                {...control}
                autoFocus
                className="font-mono"
                value={label}
                onValue={(text) => readLabel(text, factor)}
              />
            )}
          </Field>
        )}
        {value('asksForm') === true && (
          <FormFactorField value={factor} onValue={(chosen) => readLabel(label, chosen)} />
        )}
        <div className={callout({ tone: 'note', className: 'flex items-center gap-3' })}>
          <span className="flex-1" aria-live="polite">
            {module ? (
              <>
                <b className="font-semibold">{describeModule(module)}</b> {organisation(module)}
                <span className="block text-sm text-ink-2">{module.article}</span>
              </>
            ) : (
              <span className={error('module') ? 'font-medium text-stop' : 'text-ink-2'}>
                {error('module') ?? 'Not said yet what it is.'}
              </span>
            )}
          </span>
          <Button onClick={() => setCorrecting(true)}>
            {module ? 'Correct its figures' : 'Enter its figures'}
          </Button>
        </div>
        <div className="grid grid-cols-2 gap-3 sm:grid-cols-3">
          <Field
            label={`Price${pieces > 1 ? ' of each' : ''}, ${currencySign()}`}
            error={error('price') && 'Enter an amount of money.'}
            hint="Without one it cannot be planned with."
          >
            {(control) => (
              <TextInput
                {...control}
                inputMode="decimal"
                value={inUnits(value('price'))}
                onValue={(text) => set('price', minorFrom(text))}
              />
            )}
          </Field>
          <Field label="State">
            {(control) => (
              <Select
                {...control}
                value={String(value('condition'))}
                options={[
                  { value: '', label: 'unknown' },
                  ...PIECE_CONDITIONS.map((value) => ({ value, label: value })),
                ]}
                onValue={(chosen) => set('condition', chosen)}
              />
            )}
          </Field>
          <Field
            label="Tested on"
            error={error('testedOn') && noDate()}
            aside={
              <button
                type="button"
                className="min-h-11 min-w-11 self-start text-left text-sm underline"
                onClick={() => set('testedOn', today())}
              >
                today
              </button>
            }
          >
            {(control) => (
              <DateInput
                {...control}
                value={value('testedOn')}
                onValue={(text) => set('testedOn', text)}
              />
            )}
          </Field>
          <Field
            label="Under warranty until"
            error={error('warrantyUntil') && noDate()}
            hint="Its maker’s or supplier’s."
          >
            {(control) => (
              <DateInput
                {...control}
                value={value('warrantyUntil')}
                onValue={(text) => set('warrantyUntil', text)}
              />
            )}
          </Field>
          {!piece && (
            <Field
              label="Pieces"
              error={error('pieces')}
              hint="More than one: a kit that stays together."
            >
              {(control) => (
                <TextInput
                  {...control}
                  inputMode="numeric"
                  value={value('pieces')}
                  onValue={(text) => set('pieces', numberFrom(text))}
                />
              )}
            </Field>
          )}
          <Field
            label={pieces > 1 && !piece ? 'Serial numbers' : 'Serial number'}
            className="sm:col-span-2"
            hint={pieces > 1 && !piece ? 'One a piece, with commas between.' : undefined}
          >
            {(control) => (
              <TextInput
                {...control}
                className="font-mono"
                value={value('serials')}
                onValue={(text) => set('serials', text)}
              />
            )}
          </Field>
          <FromJob
            jobId={String(value('fromJobId') ?? '')}
            number={value('fromJob') as number | null}
            onChoose={(jobId, number) => {
              set('fromJobId', jobId)
              set('fromJob', number)
            }}
          />
          <Field label="Note" className="sm:col-span-3">
            {(control) => (
              <TextInput {...control} value={value('note')} onValue={(text) => set('note', text)} />
            )}
          </Field>
        </div>
        {failed && <ErrorText>{messageOf(failed)}</ErrorText>}
        <div className="flex flex-wrap justify-end gap-3">
          {piece && (
            <Button
              look="stop"
              className="mr-auto"
              disabled={piece.keptFor !== null}
              title={piece.keptFor ? `Kept for job ${piece.keptFor.number}` : undefined}
              onClick={() => setAsking(true)}
            >
              Take off the shelf
            </Button>
          )}
          {piece && asking && (
            <Confirm
              title="Take it off the shelf?"
              action="Take it off"
              onConfirm={async () => {
                const answer = await remove(piece)
                if (!answer.error) done('Off the shelf')
              }}
              onClose={() => setAsking(false)}
            >
              {describeModule(piece.module)}, {piece.module.article}, and what is noted of it go for
              good.
            </Confirm>
          )}
          <Button onClick={onClose}>Cancel</Button>
          <Button look="main" type="submit" disabled={acting.isLoading || changing.isLoading}>
            {piece ? 'Save' : 'Put it there'}
          </Button>
        </div>
      </form>
    </Dialog>
  )
}

function messageOf(error: unknown): string {
  return saidOf(error, 'The server does not answer. Nothing typed is lost; try again in a moment.')
}
