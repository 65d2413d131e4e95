import { heldBeside, planOffering } from '@tembrix/core/shop/quote'
import { Approval, type Quote, type QuoteDocument, STAGES } from '@tembrix/core/things/records'
import { BadgeCheck, Send } from 'lucide-react'
import { useState } from 'react'
import { changing, removing, type Write } from '../../../../base/data'
import { day, moneyIn, overdue, plural } from '../../../../base/format'
import { useTechnician } from '../../../../base/shell'
import { Button, callout, Field, TextInput } from '../../../../base/ui'
import { useJob } from '../../base/file'
import type { Worked } from './document'

interface Props {
  quote: Quote
  document: QuoteDocument
  /** The options of a draft with what they rest on; none once it was offered. */
  worked?: readonly Worked[]
}

/** The customer agrees: which option, and who says so. What is then on the quote stays as it is. */
export function Approve({ quote, document, worked = [] }: Props) {
  const { file, plan, pieces, edit } = useJob()
  const [technician] = useTechnician()
  const [optionId, setOptionId] = useState(
    document.options.length === 1 ? document.options[0]?.id : '',
  )
  const [name, setName] = useState(file.customer.name)
  const [tried, setTried] = useState(false)
  const [lettingGo, setLettingGo] = useState(true)
  const money = moneyIn(document.currency)
  const option = document.options.find(({ id }) => id === optionId)
  const expired = overdue(document.validUntil)
  const unpriced = worked.some(({ option: { id }, unpriced: open }) => id === optionId && open)
  const broken = worked.find(
    ({ option: { id }, situation }) => id === optionId && !situation.evaluation.starts,
  )

  const held = option ? heldBeside(option.placement, file.plans, pieces) : 0
  const letGo = lettingGo && held > 0

  const offer = () => ({ offered: { at: new Date().toISOString(), by: technician }, document })

  function approve() {
    setTried(true)
    const approval = Approval.safeParse({
      name,
      optionId: option?.id,
      at: new Date().toISOString(),
      takenBy: technician,
    })
    if (!approval.success || !option || broken || expired || unpriced) return
    const writes: Write[] = [
      changing('quotes', quote, { ...(quote.document ? {} : offer()), approval: approval.data }),
    ]
    const { planId } = quote.options.find(({ id }) => id === option.id) ?? {}
    const chosen =
      planOffering(option, file.plans, file.found) ?? file.plans.find(({ id }) => id === planId)
    if (letGo) {
      const others = file.plans.filter(({ id }) => id !== plan.id)
      writes.push(...others.map((one) => removing('plans', one)))
    } else if (chosen && chosen.id !== plan.id) {
      // The approved plan goes on the board, and what was there is kept in its place.
      const { placement, profile, manual } = plan
      writes.push(changing('plans', chosen, { placement, profile, manual }))
    }
    const { placement, profile } = option
    const manual = option.manual ?? chosen?.manual ?? null
    writes.push(changing('plans', plan, { placement, profile, manual }))
    if (STAGES.indexOf(file.stage) < STAGES.indexOf('fit')) {
      writes.push(changing('jobs', file, { stage: 'fit' }))
    }
    edit.settle('the approval', writes)
  }

  return (
    <section aria-label="Approval" className="border-2 border-ink p-3">
      <h3 className="mb-1 font-semibold">The customer agrees</h3>
      <fieldset className="mb-2">
        <legend className="sr-only">Which option</legend>
        {document.options.map(({ id, title, toPay }) => (
          <label key={id} className="flex min-h-11 cursor-pointer items-center gap-3">
            <input
              type="radio"
              name="approved"
              className="size-5 accent-[var(--act)]"
              checked={optionId === id}
              onChange={() => setOptionId(id)}
            />
            <span className="flex-1">{title}</span>
            {money(toPay)}
          </label>
        ))}
        {tried && !option && <p className="text-sm font-medium text-stop">Say which option.</p>}
        {tried && unpriced && (
          <p className="text-sm font-medium text-stop">
            A module of this option has no price yet; it would be given away.
          </p>
        )}
        {tried && broken && (
          <p className="text-sm font-medium text-stop">
            With this plan the machine does not start; it cannot be agreed to.
          </p>
        )}
      </fieldset>
      {expired && (
        <p className={callout({ tone: 'stop', className: 'mb-2' })}>
          This quote ran out on {day(document.validUntil)}. Prices may have moved: look them over{' '}
          {quote.document ? 'in a new version' : 'and set a new date above'} before it is agreed to.
        </p>
      )}
      {held > 0 && (
        <label className="mb-2 flex min-h-11 cursor-pointer items-center gap-3">
          <input
            type="checkbox"
            className="size-5 accent-[var(--act)]"
            checked={lettingGo}
            onChange={({ target }) => setLettingGo(target.checked)}
          />
          Let go of the plans not chosen and of the {plural(held, 'piece')} of the shelf they hold
        </label>
      )}
      <div className="grid grid-cols-[1fr_auto] items-end gap-3">
        <Field
          label="Who agrees"
          error={tried && name.trim() === '' ? 'Who approves it?' : undefined}
        >
          {(control) => <TextInput {...control} value={name} onValue={setName} />}
        </Field>
        <Button look="main" onClick={approve}>
          <BadgeCheck size={18} aria-hidden /> Approved
        </Button>
      </div>
      <p className="mt-2 text-sm text-ink-2">
        Once offered or approved, this version stays as it is, with the time; a change is a new
        version.
      </p>
      {!quote.document && (
        <Button
          className="mt-2"
          disabled={expired || worked.some(stopsOffer)}
          onClick={() => edit.set('quotes', quote, offer())}
        >
          <Send size={17} aria-hidden /> Offered, no answer yet
        </Button>
      )}
    </section>
  )
}

const stopsOffer = ({ unpriced, situation }: Worked) => unpriced || !situation.evaluation.starts
