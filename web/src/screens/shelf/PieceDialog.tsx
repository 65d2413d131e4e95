import { fromLabels } from '@tembrix/core/evidence'
import { usualMachineFor } from '@tembrix/core/machines'
import type { FormFactor, Module } from '@tembrix/core/model'
import { CONDITIONS, ModuleChange, type ShopModule } from '@tembrix/core/records'
import { formatISO } from 'date-fns'
import { type FormEvent, useState } from 'react'
import { useActMutation, useChangeModuleMutation, useRemoveModuleMutation } from '../../base/data'
import {
  Button,
  Confirm,
  currencySign,
  Dialog,
  Field,
  inUnits,
  minorFrom,
  numberFrom,
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

interface Draft {
  module: Module | null
  label: string
  /** The form factor, where the label does not print it. */
  form: FormFactor | null
  asksForm: boolean
  price: unknown
  condition: string
  testedOn: string
  warrantyUntil: string
  serials: string
  fromJobId: string
  fromJob: number | null
  note: string
  pieces: unknown
}

function start(piece: ShopModule | undefined): Draft {
  return {
    module: piece?.module ?? null,
    label: '',
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

/** A piece of the shelf: what it is, what state it is in, where it is from, what it costs. */
export function PieceDialog({ piece, kit, onClose }: Props) {
  const [draft, setDraft] = useState(() => start(piece))
  const [correcting, setCorrecting] = useState(false)
  const [tried, setTried] = useState(false)
  const [act, acting] = useActMutation()
  const [ids] = useState(() => Array.from({ length: MOST_PIECES }, () => crypto.randomUUID()))
  const [asking, setAsking] = useState(false)
  const [change, changing] = useChangeModuleMutation()
  const [remove, removing] = useRemoveModuleMutation()
  const set = (changes: Partial<Draft>) => setDraft((now) => ({ ...now, ...changes }))

  const fields = {
    price: draft.price,
    condition: draft.condition || null,
    testedOn: draft.testedOn || null,
    warrantyUntil: draft.warrantyUntil || null,
    fromJobId: draft.fromJobId || null,
    note: draft.note,
  }
  const parsed = ModuleChange.safeParse(fields)
  const faultAt = (name: string) =>
    tried ? parsed.error?.issues.find(({ path }) => path[0] === name)?.message : undefined
  const pieces = Number(draft.pieces)
  const countable = Number.isInteger(pieces) && pieces >= 1 && pieces <= MOST_PIECES
  const failed = acting.error ?? changing.error ?? removing.error

  function readLabel(label: string, form: FormFactor | null) {
    const [found] = fromLabels(label, form)
    set({
      label,
      form,
      asksForm: found?.asksForm ?? false,
      ...(found?.module ? { module: found.module, pieces: found.pieces } : {}),
    })
  }

  async function submit(event: FormEvent) {
    event.preventDefault()
    setTried(true)
    if (!draft.module || !parsed.success || !countable) return
    const { module } = draft
    if (piece) {
      const { id, version } = piece
      const serialNumber = draft.serials.trim()
      const answer = await change({ id, version, ...parsed.data, module, serialNumber })
      if (!answer.error) onClose()
      return
    }
    const serials = draft.serials.split(/[\n,;]+/).map((one) => one.trim())
    // Under ids of their own, so that a kit whose answer was lost is on the shelf once.
    const id = `${module.article} ${ids[0]?.slice(0, 8)}`
    const kit = pieces > 1 ? { id, size: pieces } : null
    const answer = await act(
      ids.slice(0, pieces).map((piece, at) => {
        const serialNumber = serials[at] ?? ''
        const fields = { source: 'shelf', ...parsed.data, module: { ...module, kit }, serialNumber }
        return { action: 'create', collection: 'modules', id: piece, fields }
      }),
    )
    if (!answer.error) onClose()
  }

  if (correcting) {
    return (
      <ModuleDialog
        title="What it is"
        action="That is it"
        start={draft.module ? draftOf(draft.module) : likelyModule(usualMachineFor({}))}
        onDone={(module) => {
          set({ module: { ...module, kit: draft.module?.kit ?? null } })
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
      <form onSubmit={submit} noValidate className="flex flex-col gap-3">
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
                value={draft.label}
                onValue={(label) => readLabel(label, draft.form)}
              />
            )}
          </Field>
        )}
        {draft.asksForm && (
          <FormFactorField value={draft.form} onValue={(form) => readLabel(draft.label, form)} />
        )}
        <div className="flex items-center gap-3 border-l-4 border-rule-2 bg-sheet-2 px-3 py-1.5">
          <span className="flex-1" aria-live="polite">
            {draft.module ? (
              <>
                <b className="font-semibold">{describeModule(draft.module)}</b>{' '}
                {organisation(draft.module)}
                <span className="block text-sm text-ink-2">{draft.module.article}</span>
              </>
            ) : (
              <span className={tried ? 'font-medium text-stop' : 'text-ink-2'}>
                Not said yet what it is.
              </span>
            )}
          </span>
          <Button onClick={() => setCorrecting(true)}>
            {draft.module ? 'Correct its figures' : 'Enter its figures'}
          </Button>
        </div>
        <div className="grid grid-cols-2 gap-3 sm:grid-cols-3">
          <Field
            label={`Price${pieces > 1 ? ' of each' : ''}, ${currencySign()}`}
            error={faultAt('price') && 'This is no amount of money.'}
            hint="Without one it cannot be planned with."
          >
            {(control) => (
              <TextInput
                {...control}
                inputMode="decimal"
                value={inUnits(draft.price)}
                onValue={(text) => set({ price: minorFrom(text) })}
              />
            )}
          </Field>
          <Field label="State">
            {(control) => (
              <Select
                {...control}
                value={draft.condition}
                options={[
                  { value: '', label: 'not known' },
                  ...CONDITIONS.map((value) => ({ value, label: value })),
                ]}
                onValue={(condition) => set({ condition })}
              />
            )}
          </Field>
          <Field
            label="Tested on"
            error={faultAt('testedOn')}
            aside={
              <button
                type="button"
                className="self-start text-sm underline"
                onClick={() => set({ testedOn: formatISO(new Date(), { representation: 'date' }) })}
              >
                today
              </button>
            }
          >
            {(control) => (
              <TextInput
                {...control}
                type="date"
                value={draft.testedOn}
                onValue={(testedOn) => set({ testedOn })}
              />
            )}
          </Field>
          <Field
            label="Under warranty until"
            error={faultAt('warrantyUntil')}
            hint="Its maker’s or supplier’s."
          >
            {(control) => (
              <TextInput
                {...control}
                type="date"
                value={draft.warrantyUntil}
                onValue={(warrantyUntil) => set({ warrantyUntil })}
              />
            )}
          </Field>
          {!piece && (
            <Field
              label="Pieces"
              error={tried && !countable ? 'From 1 to 8.' : undefined}
              hint="More than one: a kit that stays together."
            >
              {(control) => (
                <TextInput
                  {...control}
                  inputMode="numeric"
                  value={draft.pieces}
                  onValue={(text) => set({ pieces: numberFrom(text) })}
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
                value={draft.serials}
                onValue={(serials) => set({ serials })}
              />
            )}
          </Field>
          <FromJob
            jobId={draft.fromJobId}
            number={draft.fromJob}
            onChoose={(fromJobId, fromJob) => set({ fromJobId, fromJob })}
          />
          <Field label="Note" className="sm:col-span-3">
            {(control) => (
              <TextInput {...control} value={draft.note} onValue={(note) => set({ note })} />
            )}
          </Field>
        </div>
        {failed && (
          <p role="alert" className="font-medium text-stop">
            {messageOf(failed)}
          </p>
        )}
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
                if (!answer.error) onClose()
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
  const said = (error as { data?: { error?: { message?: string } } }).data?.error?.message
  return said ?? 'The server does not answer. Nothing typed is lost; try again in a moment.'
}
