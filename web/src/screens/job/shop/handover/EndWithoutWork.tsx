import { isHere, type JobUnit, type PlannedPart } from '@tembrix/core/shop/orders'
import { ENDINGS, type WithoutWork } from '@tembrix/core/things/records'
import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { changing } from '../../../../base/data'
import { CHOICES, currencySign, minorFrom } from '../../../../base/format'
import { useTechnician } from '../../../../base/shell'
import { Button, callout, Dialog, Field, TextInput } from '../../../../base/ui'
import { useJob } from '../../base/file'

/** Orders of which parts for the job have not come, each once. */
const ordersAwaited = (parts: readonly PlannedPart[]): JobUnit['order'][] => {
  const open = parts.flatMap((part) => (!isHere(part) && part.ordered ? [part.ordered.order] : []))
  return [...new Map(open.map((order) => [order.id, order])).values()]
}

/** Ends a job without work: how, a word on it, a fee, and what is given back. */
export function EndWithoutWork({ onClose }: { onClose: () => void }) {
  const { file, edit, parts } = useJob()
  const orders = ordersAwaited(parts ?? [])
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
          What the shelf keeps for it is let go of. The machine comes back as a new visit.
        </p>
        {orders.length > 0 && (
          <p className={callout({ tone: 'risk' })}>
            Ordered for it:{' '}
            {orders.map(({ id, number, supplier, sent }, at) => (
              <span key={id}>
                {at > 0 && ', '}
                <Link to={`/orders/${id}`} className="inline-flex min-h-11 items-center underline">
                  order {number}
                </Link>{' '}
                of {supplier}
                {!sent && ', not sent yet'}
              </span>
            ))}
            . Cancel it there; what comes all the same goes to the shelf, or back.
          </p>
        )}
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
