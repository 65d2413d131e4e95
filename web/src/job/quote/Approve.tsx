import { isAgreed, optionsAgain } from '@tembrix/core/quote'
import { Approval, type Quote, type QuoteDocument, STAGES } from '@tembrix/core/records'
import { format, parseISO } from 'date-fns'
import { BadgeCheck, FilePlus2 } from 'lucide-react'
import { useState } from 'react'
import { created, useAppDispatch } from '../../data'
import { useTechnician } from '../../shell'
import { Button, day, Field, moneyIn, overdue, TextInput } from '../../ui'
import { useJob } from '../file'
import type { Worked } from './document'
import { SheetLink } from './SheetLink'

interface Props {
  quote: Quote
  document: QuoteDocument
  worked: readonly Worked[]
}

/** The customer agrees: which option, and who says so. What is then on the quote stays as it is. */
export function Approve({ quote, document, worked }: Props) {
  const { file, plan, edit } = useJob()
  const [technician] = useTechnician()
  const [optionId, setOptionId] = useState(
    document.options.length === 1 ? document.options[0]?.id : '',
  )
  const [name, setName] = useState(file.customer.name)
  const [tried, setTried] = useState(false)
  const money = moneyIn(document.currency)
  const option = document.options.find(({ id }) => id === optionId)
  const expired = overdue(document.validUntil)
  const unpriced = worked.some(({ option: { id }, unpriced: open }) => id === optionId && open)
  const broken = worked.find(
    ({ option: { id }, situation }) => id === optionId && !situation.evaluation.starts,
  )

  function approve() {
    setTried(true)
    const approval = Approval.safeParse({
      name,
      optionId: option?.id,
      at: new Date().toISOString(),
      takenBy: technician,
    })
    if (!approval.success || !option || broken || expired || unpriced) return
    edit.set('quotes', quote, { approval: approval.data, document })
    const chosen = worked.find(({ option: { id } }) => id === option.id)?.plan
    if (chosen && chosen.id !== plan.id) {
      // The approved plan goes on the board, and what was there is kept in its place.
      const { placement, profile, manual } = plan
      edit.set('plans', chosen, { placement, profile, manual })
    }
    const { placement, profile } = option
    edit.set('plans', plan, { placement, profile, manual: chosen?.manual ?? null })
    if (STAGES.indexOf(file.stage) < STAGES.indexOf('fit')) {
      edit.set('jobs', file, { stage: 'fit' })
    }
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
        <p className="mb-2 border-l-4 border-stop bg-stop-soft px-3 py-1.5">
          This quote ran out on {day(document.validUntil)}. Prices may have moved: look them over
          and set a new date above before it is agreed to.
        </p>
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
        From then on the quote stays as it is, with the time; a change is a new version.
      </p>
    </section>
  )
}

interface ApprovedProps {
  quote: Quote
  approval: Approval
}

/** An approved quote: who agreed to what, and whether the board still says the same. */
export function Approved({ quote, approval }: ApprovedProps) {
  const { file, plan, planned, edit } = useJob()
  const dispatch = useAppDispatch()
  const option = quote.document?.options.find(({ id }) => id === approval.optionId)
  if (!option || !quote.document) return null
  const money = moneyIn(quote.document.currency)
  const differs = !isAgreed(option, planned.assignment, plan.profile)

  function begin() {
    const target = { jobId: file.id, collection: 'quotes' as const }
    const options = optionsAgain(quote, file.plans, file.found, () => crypto.randomUUID())
    const { depositPercent, note } = quote
    dispatch(
      created(
        { ...target, recordId: crypto.randomUUID() },
        {
          jobId: file.id,
          options,
          depositPercent,
          note,
        },
      ),
    )
  }

  return (
    <>
      <section aria-label="Approval" className="border-l-4 border-act bg-act-soft px-3 py-2">
        <p className="font-semibold">
          {option.title}, {money(option.toPay)}
        </p>
        <p>
          Approved by <b className="font-semibold">{approval.name}</b> on{' '}
          {format(parseISO(approval.at), 'd MMM yyyy, HH:mm')}
          {approval.takenBy && `, told to ${approval.takenBy}`}.
        </p>
        {option.deposit > 0 && <p>Deposit: {money(option.deposit)}.</p>}
      </section>
      {differs && (
        <section className="border-l-4 border-risk-line bg-risk-soft px-3 py-2">
          <p className="mb-1">
            <b className="font-semibold">The board shows another plan</b> than was approved.
          </p>
          <Button
            onClick={() =>
              edit.step('plans', plan, { placement: option.placement, profile: option.profile })
            }
          >
            Put the approved plan on the board
          </Button>
        </section>
      )}
      <p className="whitespace-pre-line">{option.wording}</p>
      <table className="w-full text-[0.93rem]">
        <tbody>
          {option.lines.map(({ text, quantity, amount }) => (
            <tr key={text} className="border-b border-rule">
              <td className="py-0.5 pr-3">{quantity > 1 ? `${quantity} × ${text}` : text}</td>
              <td className="text-right whitespace-nowrap">{money(amount)}</td>
            </tr>
          ))}
          <tr className="font-semibold">
            <td className="py-1">To pay</td>
            <td className="text-right">{money(option.toPay)}</td>
          </tr>
        </tbody>
      </table>
      <div className="flex flex-wrap gap-2">
        <SheetLink jobId={file.id} version={quote.number} />
        <Button onClick={begin}>
          <FilePlus2 size={17} aria-hidden /> A new version
        </Button>
      </div>
    </>
  )
}
