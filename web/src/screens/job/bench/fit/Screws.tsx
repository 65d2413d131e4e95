import { backwards, lengthsOf, screwQuestions } from '@tembrix/core/bench/fitting'
import { SCREW_HEADS, ScrewPin } from '@tembrix/core/things/records'
import { Trash2 } from 'lucide-react'
import { useState } from 'react'
import { changed, useAppDispatch } from '../../../../base/data'
import { CHOICES, numberFrom, plural, tidy } from '../../../../base/format'
import { Button, Check, callout, Field, Select, TextInput } from '../../../../base/ui'
import { useJob } from '../../base/file'
import { AddPhoto } from './FitOptions'
import { PinMark, ScrewDrawing } from './ScrewDrawing'
import type { Fitting } from './useFit'
import { questionWords } from './words'

const USUAL: Omit<ScrewPin, 'id' | 'x' | 'y'> = {
  lengthMm: 5,
  head: 'cross',
  captive: false,
  under: 'nothing',
  leftOut: false,
}

/** The screws of the cover on a picture of it: placed as they come out, played backwards at closing. */
export function Screws({ fitting }: { fitting: Fitting }) {
  const { file } = useJob()
  const { fit, set, steps, model } = fitting
  const [chosen, setChosen] = useState<string | null>(null)
  const putIn = steps.some(({ code, id }) => code === 'PUT_IN' && fit.ticks[id])
  const [closing, setClosing] = useState(putIn)
  const { screws } = fit
  const pin = screws.find(({ id }) => id === chosen)
  const setPins = (pins: ScrewPin[]) => set({ screws: pins })
  const change = (changes: Partial<ScrewPin>) =>
    setPins(screws.map((one) => (one.id === chosen ? { ...one, ...changes } : one)))

  function place(x: number, y: number) {
    const { id: _, x: __, y: ___, ...like } = screws.at(-1) ?? { id: '', x: 0, y: 0, ...USUAL }
    // Of its own, so that pins set at two screens are two.
    const id = crypto.randomUUID()
    setPins([...screws, { ...like, captive: false, leftOut: false, id, x, y }])
    setChosen(id)
  }

  function remove(id: string) {
    set({
      screws: screws.filter((one) => one.id !== id),
      screwsBack: fit.screwsBack.filter((one) => one !== id),
    })
    setChosen(null)
  }

  const back = new Set(fit.screwsBack)
  const toggleBack = (id: string) =>
    set({
      screwsBack: back.has(id) ? fit.screwsBack.filter((one) => one !== id) : [...back, id],
    })
  const kept = model?.screwMap
  return (
    <>
      <div className="flex flex-wrap items-center gap-2">
        <Button
          look={closing ? 'plain' : 'main'}
          aria-pressed={!closing}
          onClick={() => setClosing(false)}
        >
          Taking out
        </Button>
        <Button
          look={closing ? 'main' : 'plain'}
          aria-pressed={closing}
          disabled={screws.length === 0}
          onClick={() => setClosing(true)}
        >
          Putting back
        </Button>
        <span className="text-sm text-ink-2">{plural(screws.length, 'screw')}</span>
      </div>
      {screws.length === 0 && kept && kept.pins.length > 0 && (
        <p className={callout({ tone: 'ask', className: 'flex items-center gap-3' })}>
          <span className="flex-1">
            {model.machine.name} has a map with {plural(kept.pins.length, 'screw')} from an earlier
            job.
          </span>
          <Button
            onClick={() => set({ screws: kept.pins.map(unplaced), screwPhotoId: kept.photoId })}
          >
            Take it
          </Button>
        </p>
      )}
      <ScrewDrawing
        pins={screws}
        photoId={fit.screwPhotoId}
        chosen={chosen}
        back={closing ? back : null}
        onPlace={closing ? null : place}
        onPin={closing ? toggleBack : setChosen}
        onMove={(id, x, y) =>
          setPins(screws.map((one) => (one.id === id ? { ...one, x, y } : one)))
        }
        onRemove={remove}
      />
      {closing ? (
        <Closing fitting={fitting} back={back} onToggle={toggleBack} />
      ) : (
        <>
          {pin ? (
            <PinForm
              key={pin.id}
              pin={pin}
              number={screws.indexOf(pin) + 1}
              onChange={change}
              onRemove={() => remove(pin.id)}
            />
          ) : (
            <p className="text-sm text-ink-2">
              Press where a screw came out, or move the cross with the arrow keys and press Enter. A
              new pin is like the last one.
            </p>
          )}
          <div className="flex flex-wrap items-center gap-2 border-t border-rule pt-2">
            <span className="w-44">
              <Select
                aria-label="Picture under the pins"
                value={fit.screwPhotoId ?? ''}
                options={[
                  { value: '', label: 'blank outline' },
                  ...file.photos.map(({ id, caption }, at) => ({
                    value: id,
                    label: caption || `photo ${at + 1}`,
                  })),
                  ...(fit.screwPhotoId && !file.photos.some(({ id }) => id === fit.screwPhotoId)
                    ? [{ value: fit.screwPhotoId, label: 'photo of the model' }]
                    : []),
                ]}
                onValue={(id) => set({ screwPhotoId: id === '' ? null : id })}
              />
            </span>
            <AddPhoto onAdded={(screwPhotoId) => set({ screwPhotoId })} />
            <KeepWithModel fitting={fitting} />
          </div>
        </>
      )}
    </>
  )
}

/** A pin of a kept map, for a machine whose screws have yet to come out. */
const unplaced = (pin: ScrewPin): ScrewPin => ({ ...pin, leftOut: false })

function KeepWithModel({ fitting: { fit, model } }: { fitting: Fitting }) {
  const dispatch = useAppDispatch()
  if (!model || fit.screws.length === 0) return null
  const map = { pins: fit.screws, photoId: fit.screwPhotoId }
  const same = JSON.stringify(model.screwMap) === JSON.stringify(map)
  if (same) return <span className="text-sm text-ink-2">Kept with {model.machine.name}.</span>
  return (
    <Button
      onClick={() => {
        const { id: recordId, version } = model
        const target = { jobId: '', collection: 'models', recordId, version } as const
        dispatch(changed(target, { screwMap: map }, model))
      }}
    >
      Keep with {model.machine.name}
    </Button>
  )
}

interface PinFormProps {
  pin: ScrewPin
  number: number
  onChange: (changes: Partial<ScrewPin>) => void
  onRemove: () => void
}

function PinForm({ pin, number, onChange, onRemove }: PinFormProps) {
  const [typed, setTyped] = useState<unknown>(pin.lengthMm)
  const parsed = ScrewPin.shape.lengthMm.safeParse(typed)
  return (
    <section aria-label={`Screw ${number}`} className="border-2 border-rule p-2">
      <h3 className="mb-1 font-semibold">Screw {number}</h3>
      <div className="grid grid-cols-3 gap-2">
        <Field label="Length, mm" error={parsed.error?.issues[0]?.message}>
          {(control) => (
            <TextInput
              {...control}
              inputMode="decimal"
              value={typed}
              onValue={(text) => {
                const length = numberFrom(text)
                setTyped(length)
                const fits = ScrewPin.shape.lengthMm.safeParse(length)
                if (fits.success) onChange({ lengthMm: fits.data })
              }}
            />
          )}
        </Field>
        <Field label="Head">
          {(control) => (
            <Select
              {...control}
              value={pin.head}
              options={SCREW_HEADS.map((value) => ({ value, label: CHOICES.head[value] }))}
              onValue={(head) => onChange({ head })}
            />
          )}
        </Field>
        <Field label="Hidden under">
          {(control) => (
            <Select
              {...control}
              value={pin.under}
              options={[
                { value: 'nothing', label: 'nothing' },
                { value: 'cap', label: 'a cap' },
                { value: 'foot', label: 'a foot' },
              ]}
              onValue={(under) => onChange({ under })}
            />
          )}
        </Field>
      </div>
      <div className="flex flex-wrap items-center gap-x-4">
        <Check
          label="Captive"
          checked={pin.captive}
          onChecked={(captive) => onChange({ captive })}
        />
        <Check
          label="Damaged, left out"
          checked={pin.leftOut}
          onChecked={(leftOut) => onChange({ leftOut })}
        />
        <Button look="quiet" className="ml-auto" onClick={onRemove}>
          <Trash2 size={17} aria-hidden /> Remove
        </Button>
      </div>
    </section>
  )
}

interface ClosingProps {
  fitting: Fitting
  back: ReadonlySet<string>
  onToggle: (id: string) => void
}

/** The map backwards: each screw into its hole, then the count of what is left. */
function Closing({ fitting: { fit, set }, back, onToggle }: ClosingProps) {
  const { screws, screwsLeft } = fit
  const number = (id: string) => String(screws.findIndex((pin) => pin.id === id) + 1)
  const left =
    screwsLeft &&
    new Map(Object.entries(screwsLeft).map(([length, count]) => [Number(length), count]))
  const questions = screwQuestions(screws, back, left)
  const lengths = lengthsOf(screws)
  return (
    <>
      <ol aria-label="Screws, backwards" className="grid grid-cols-2 gap-x-3">
        {backwards(screws).map((pin) => (
          <li key={pin.id} className="flex items-center gap-2 border-b border-rule">
            <PinMark pin={pin} lengths={lengths} number={number(pin.id)} />
            <Check
              label={`${tidy(pin.lengthMm)} mm${pin.captive ? ', captive' : ''}${pin.under === 'nothing' ? '' : `, under a ${pin.under}`}`}
              checked={back.has(pin.id)}
              onChecked={() => onToggle(pin.id)}
            />
          </li>
        ))}
      </ol>
      {screws.some(({ leftOut }) => leftOut) && (
        <p className="text-sm text-risk">
          Left out as damaged:{' '}
          {screws
            .filter(({ leftOut }) => leftOut)
            .map(({ id }) => number(id))
            .join(', ')}
          . Tell the customer.
        </p>
      )}
      <fieldset>
        <legend className="text-sm font-semibold">Left on the tray</legend>
        <div className="flex flex-wrap items-end gap-2">
          {lengths.map((length) => (
            <Field key={length} label={`${tidy(length)} mm`} className="w-20">
              {(control) => (
                <TextInput
                  {...control}
                  inputMode="numeric"
                  value={screwsLeft?.[String(length)] ?? ''}
                  onValue={(text) => {
                    const count = numberFrom(text) ?? 0
                    if (typeof count !== 'number' || !Number.isInteger(count) || count < 0) return
                    set({ screwsLeft: { ...screwsLeft, [String(length)]: count } })
                  }}
                />
              )}
            </Field>
          ))}
          <Button
            onClick={() =>
              set({ screwsLeft: Object.fromEntries(lengths.map((length) => [String(length), 0])) })
            }
          >
            Nothing left
          </Button>
        </div>
      </fieldset>
      <ul aria-label="Screw questions" aria-live="polite" className="flex flex-col gap-1">
        {questions.map((question) => (
          <li
            key={JSON.stringify(question)}
            className={callout({ tone: question.code === 'NOT_BACK' ? 'note' : 'stop' })}
          >
            {questionWords(question, number)}
          </li>
        ))}
        {questions.length === 0 && (
          <li className={callout({ tone: 'good' })}>
            {left
              ? 'Every screw is back, and nothing is left.'
              : 'Every hole is filled. Is anything left on the tray?'}
          </li>
        )}
      </ul>
    </>
  )
}
