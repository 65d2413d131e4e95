import {
  agreedTo,
  heldBeside,
  isAgreed,
  optionsAgain,
  type QuoteState,
  stateOf,
} from '@tembrix/core/shop/quote'
import type { Quote, QuoteDocument, QuotedOption } from '@tembrix/core/things/records'
import { FilePlus2 } from 'lucide-react'
import { useState } from 'react'
import { changing, making, removing } from '../../../../base/data'
import { dayAndTime, moneyIn, plural, today } from '../../../../base/format'
import { useTechnician } from '../../../../base/shell'
import { Button, callout, Field, Select, TextInput } from '../../../../base/ui'
import { OnTo, useJob } from '../../base/file'
import { Approve } from './Approve'
import { SheetLink } from './SheetLink'
import { STATES } from './states'

interface Props {
  quote: Quote
  document: QuoteDocument
}

/** A version that was offered: it stays as it is, and here is what became of it. */
export function OfferedVersion({ quote, document }: Props) {
  const { file } = useJob()
  const state = stateOf(quote, file.quotes, today())
  const option = document.options.find(({ id }) => id === quote.approval?.optionId)
  return (
    <div className="flex max-w-3xl flex-col gap-3">
      {state === 'approved' && option ? (
        <Approved quote={quote} document={document} option={option} />
      ) : (
        <Standing quote={quote} document={document} state={state} />
      )}
      {(state === 'offered' || state === 'expired') && (
        <Approve quote={quote} document={document} />
      )}
      {(option ? [option] : document.options).map((one) => (
        <Lines key={one.id} option={one} document={document} />
      ))}
      <div className="flex flex-wrap gap-2">
        <SheetLink jobId={file.id} version={quote.number} />
        <NewVersion quote={quote} />
      </div>
      {!quote.ended && <End quote={quote} />}
    </div>
  )
}

/** What became of a version that nobody has agreed to, or no longer. */
function Standing({ quote, document, state }: Props & { state: QuoteState }) {
  return (
    <section aria-label="Where it stands" className={callout({ tone: 'note' })}>
      <p className="font-semibold">{STATES[state]({ quote, document })}</p>
      {quote.ended?.why && <p>{quote.ended.why}</p>}
    </section>
  )
}

function Approved({ quote, document, option }: Props & { option: QuotedOption }) {
  const { file, plan, planned, edit } = useJob()
  const money = moneyIn(document.currency)
  const { approval } = quote
  if (!approval) return null
  const differs = !isAgreed(option, planned.assignment, plan, file.machines, file.fits[0]?.replaced)
  return (
    <>
      <section aria-label="Approval" className={callout({ tone: 'good' })}>
        <p className="font-semibold">
          {option.title}, {money(option.toPay)}
        </p>
        <p>
          Approved by <b className="font-semibold">{approval.name}</b> on {dayAndTime(approval.at)}
          {approval.takenBy && `, told to ${approval.takenBy}`}.
        </p>
        {option.deposit > 0 && <p>Deposit: {money(option.deposit)}.</p>}
      </section>
      {differs && (
        <section className={callout({ tone: 'risk' })}>
          <p className="mb-1">
            <b className="font-semibold">The board shows another plan</b> than was approved.
          </p>
          <Button
            onClick={() =>
              edit.step('plans', plan, {
                placement: option.placement,
                profile: option.profile,
                manual: option.manual === undefined ? plan.manual : option.manual,
              })
            }
          >
            Put the approved plan on the board
          </Button>
        </section>
      )}
      {agreedTo(file.quotes) === quote && !differs && (
        <>
          <OnTo step="fit">On to Fit</OnTo>
          <NotChosen />
        </>
      )}
    </>
  )
}

/** Plans kept beside the approved one hold what they would use; they are let go of on request. */
function NotChosen() {
  const { file, plan, pieces, edit } = useJob()
  const others = file.plans.filter(({ id }) => id !== plan.id)
  const held = heldBeside(plan.placement ?? {}, others, pieces)
  if (held === 0) return null
  return (
    <section className={callout({ tone: 'ask' })}>
      <p className="mb-1">
        Plans that were not chosen still hold {plural(held, 'piece')} of the shelf for this job.
      </p>
      <Button
        onClick={() => {
          const writes = others.map((one) => removing('plans', one))
          edit.act('letting go of the plans not chosen', writes)
        }}
      >
        Let go of the plans not chosen
      </Button>
    </section>
  )
}

function Lines({ option, document }: { option: QuotedOption; document: QuoteDocument }) {
  const money = moneyIn(document.currency)
  return (
    <section aria-label={option.title}>
      <h3 className="font-semibold">{option.title}</h3>
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
    </section>
  )
}

function NewVersion({ quote }: { quote: Quote }) {
  const { file, edit } = useJob()
  function begin() {
    const options = optionsAgain(quote, file.plans, file.found, () => crypto.randomUUID())
    const { depositPercent, note } = quote
    edit.act('', [making('quotes', { jobId: file.id, options, depositPercent, note })])
  }
  return (
    <Button onClick={begin}>
      <FilePlus2 size={17} aria-hidden /> A new version
    </Button>
  )
}

/** The customer says no, or it is taken back; with the reason, if one was given. */
function End({ quote }: { quote: Quote }) {
  const { file, edit } = useJob()
  const [technician] = useTechnician()
  const [as, setAs] = useState<'' | 'declined' | 'withdrawn'>('')
  const [why, setWhy] = useState('')
  if (quote.approval && file.fits[0]?.finishedAt) return null
  function end() {
    if (!as) return
    const ended = { as, at: new Date().toISOString(), by: technician, why: why.trim() }
    const back = quote.approval && file.stage === 'fit'
    edit.settle('the end of this version', [
      changing('quotes', quote, { ended }),
      ...(back ? [changing('jobs', file, { stage: 'quote' })] : []),
    ])
  }
  const withdrawn = { value: 'withdrawn' as const, label: 'It is withdrawn' }
  const declined = { value: 'declined' as const, label: 'The customer declined it' }
  return (
    <section aria-label="End of this version" className="border-t border-rule pt-2">
      <Select
        aria-label="How this version ends"
        value={as}
        options={[
          { value: '', label: 'Close it without an order…' },
          ...(quote.approval ? [withdrawn] : [declined, withdrawn]),
        ]}
        onValue={(value) => setAs(value as typeof as)}
      />
      {as && (
        <div className="mt-2 grid grid-cols-[1fr_auto] items-end gap-3">
          <Field label="Why, if it was said">
            {(control) => <TextInput {...control} value={why} onValue={setWhy} />}
          </Field>
          <Button look="main" onClick={end}>
            {as === 'declined' ? 'Declined' : 'Withdrawn'}
          </Button>
        </div>
      )}
    </section>
  )
}
