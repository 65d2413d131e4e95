import { ENDINGS, type WithoutWork } from '@tembrix/core/things/records'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { changing } from '../../../../base/data'
import { CHOICES, currencySign, minorFrom } from '../../../../base/format'
import { useTechnician } from '../../../../base/shell'
import { Button, Dialog, Field, TextInput } from '../../../../base/ui'
import { useJob } from '../../base/file'

/** Ends a job without work: how, a word on it, a fee, and what is given back. */
export function EndWithoutWork({ onClose }: { onClose: () => void }) {
  const { file, edit } = useJob()
  const navigate = useNavigate()
  const [technician] = useTechnician()
  const [as, setAs] = useState<WithoutWork['as']>('declined')
  const [note, setNote] = useState('')
  const [fee, setFee] = useState('')
  const amount = minorFrom(fee)
  const isAmount = amount === null || (typeof amount === 'number' && amount >= 0)

  function end() {
    if (!isAmount) return
    const at = new Date().toISOString()
    const withoutWork = { as, note, fee: amount as number | null, at, by: technician }
    edit.settle('the end of the job', [changing('jobs', file, { withoutWork })])
    onClose()
    navigate(`/jobs/${file.id}/handover`)
  }

  return (
    <Dialog open onOpen={onClose} title="End this job without work">
      <div className="flex flex-col gap-3">
        <fieldset>
          <legend className="mb-1 text-sm font-semibold">Why</legend>
          {ENDINGS.map((one) => (
            <label key={one} className="flex min-h-11 items-center gap-2">
              <input
                type="radio"
                name="ending"
                className="size-5 accent-act"
                checked={as === one}
                onChange={() => setAs(one)}
              />
              {CHOICES.withoutWork[one]}
            </label>
          ))}
        </fieldset>
        <Field label="A word on it" hint="May be left empty.">
          {(control) => (
            <TextInput {...control} value={note} onValue={(text) => setNote(text.slice(0, 500))} />
          )}
        </Field>
        <Field
          label={`Fee, ${currencySign()}`}
          hint="Empty: nothing is charged."
          error={isAmount ? undefined : 'Enter an amount of money.'}
        >
          {(control) => <TextInput {...control} inputMode="decimal" value={fee} onValue={setFee} />}
        </Field>
        <p className="text-sm text-ink-2">
          {file.accessories.length > 0 && `Give back with it: ${file.accessories.join(', ')}. `}
          What the shelf keeps for it is let go of; what is on order stays with the shop, under
          Orders. The machine comes back as a new visit.
        </p>
        <div className="flex justify-end gap-3">
          <Button onClick={onClose}>Go on with it</Button>
          <Button look="main" onClick={end}>
            End the job
          </Button>
        </div>
      </div>
    </Dialog>
  )
}
