import { stateOf } from '@tembrix/core/shop/quote'
import {
  OPTIONS_AT_MOST,
  OTHER_SPENDS,
  type OtherSpend,
  type Plan,
  QuoteChange,
  type QuoteOption,
  type Quote as QuoteRecord,
} from '@tembrix/core/things/records'
import { SlidersHorizontal, Trash2 } from 'lucide-react'
import { useState } from 'react'
import { Link } from 'react-router'
import { making, removing } from '../../../../base/data'
import { money, noDate, numberFrom, today } from '../../../../base/format'
import { Button, callout, DateInput, Field, Select, TextInput } from '../../../../base/ui'
import { TermsDialog } from '../../../../parts/shop'
import { useJob, useJobForm, useJobPart } from '../../base/file'
import { Following } from '../../base/groups'
import { EndButton } from '../handover'
import { Approve } from './Approve'
import { validUntilOf } from './document'
import { OfferedVersion } from './OfferedVersion'
import { OptionEditor } from './OptionEditor'
import { SheetLink, sheetOf } from './SheetLink'
import { STATES } from './states'
import { type Quoting, useQuote } from './useQuote'
import { OTHER_TITLES } from './wording'

const optionOf = (planId: string): QuoteOption => ({
  id: crypto.randomUUID(),
  planId,
  title: '',
  wording: null,
  minutes: null,
  credits: {},
  extras: [],
})

/** What the customer is offered: plans as options with their price, until one is approved. */
export function QuoteScreen() {
  const follows = useJobPart(({ file }) => file.lead !== null)
  return follows ? <Followed /> : <OwnQuote />
}

/** The quote of the first of several like machines, which is for this one too. */
function Followed() {
  const { file } = useJob()
  const quote = file.quotes.at(-1)
  return (
    <div className="mx-auto flex w-full max-w-6xl flex-col gap-3">
      <h2 className="text-lg font-semibold">Quote</h2>
      <Following what="the quote" step="quote" />
      {quote && (
        <p>{STATES[stateOf(quote, file.quotes, today())]({ quote, document: quote.document })}</p>
      )}
    </div>
  )
}

function OwnQuote() {
  const quoting = useQuote()
  const [settling, setSettling] = useState(false)
  const { quote, terms } = quoting
  return (
    <div className="mx-auto flex max-w-6xl flex-col gap-3">
      <div className="flex items-center gap-2 border-b-2 border-rule">
        <h2 className="mr-auto pb-1 text-lg font-semibold">
          Quote{quote && quote.number > 1 ? `, version ${quote.number}` : ''}
        </h2>
        <Button look="quiet" onClick={() => setSettling(true)}>
          <SlidersHorizontal size={17} aria-hidden /> The shop’s terms
        </Button>
      </div>
      {terms.shopName === '' && (
        <p className={callout({ tone: 'ask' })}>
          The shop has no name yet: it stands on every quote.{' '}
          <button
            type="button"
            className="inline-flex min-h-11 items-center underline"
            onClick={() => setSettling(true)}
          >
            Set the terms
          </button>
        </p>
      )}
      {!quote ? (
        <Begin />
      ) : quote.document ? (
        <OfferedVersion key={quote.id} quote={quote} document={quote.document} />
      ) : (
        <Draft quote={quote} quoting={quoting} />
      )}
      <Versions />
      <EndButton />
      {settling && <TermsDialog onClose={() => setSettling(false)} />}
    </div>
  )
}

/** Every version but the newest, each as it was. */
function Versions() {
  const { file } = useJob()
  const before = file.quotes.slice(0, -1)
  if (before.length === 0) return null
  return (
    <section aria-label="Versions before" className="border-t border-rule pt-2 text-[0.93rem]">
      <h3 className="font-semibold">Versions before</h3>
      <ul>
        {before.map((quote) => (
          <li key={quote.id}>
            <Link
              to={sheetOf(file.id, quote.number)}
              className="inline-flex min-h-11 items-center underline"
            >
              Version {quote.number}
            </Link>
            : {STATES[stateOf(quote, file.quotes, today())]({ quote, document: quote.document })}
          </li>
        ))}
      </ul>
    </section>
  )
}

function useBegin() {
  const { file, edit } = useJob()
  return (options: QuoteOption[]) => edit.act('', [making('quotes', { jobId: file.id, options })])
}

/** Begins an option that is no change of memory: a plan of its own that leaves the slots as found, and what is done. */
function useOther() {
  const { file, edit } = useJob()
  return (other: OtherSpend): QuoteOption => {
    const made = making('plans', { jobId: file.id, name: OTHER_TITLES[other] })
    edit.act('another spend', [made])
    const disk = { id: crypto.randomUUID(), text: 'Solid-state disk', amount: 0 }
    return { ...optionOf(made.recordId), other, extras: other === 'disk' ? [disk] : [] }
  }
}

function OfferOther({ onOffer }: { onOffer: (option: QuoteOption) => void }) {
  const other = useOther()
  return (
    <Select
      aria-label="Offer something other than memory"
      value=""
      options={[
        { value: '', label: 'Offer something other than memory…' },
        ...OTHER_SPENDS.map((value) => ({ value: value as string, label: OTHER_TITLES[value] })),
      ]}
      onValue={(value) => value && onOffer(other(value as OtherSpend))}
    />
  )
}

function Begin() {
  const { file, planned, plan } = useJob()
  const begin = useBegin()
  const all = file.plans.slice(0, OPTIONS_AT_MOST)
  if (!planned.evaluation.starts) {
    return <p>There is nothing to offer yet: as planned the machine does not start.</p>
  }
  return (
    <>
      <p>
        {plan.placement === null
          ? 'Nothing is planned yet: the board shows what was found. Plan first, or offer what is kept beside it.'
          : 'Offer the plan on the board, or several kept plans as options to choose from.'}
      </p>
      <div className="flex flex-wrap gap-2">
        <Button look="main" onClick={() => begin([optionOf(plan.id)])}>
          Quote the plan on the board
        </Button>
        {all.length > 1 && (
          <Button onClick={() => begin(all.map(({ id }) => optionOf(id)))}>
            Quote {all.length} plans to choose from
          </Button>
        )}
        <OfferOther onOffer={(option) => begin([option])} />
      </div>
    </>
  )
}

function Draft({ quote, quoting }: { quote: QuoteRecord; quoting: Quoting }) {
  const { file, edit } = useJob()
  const { worked, terms, document } = quoting
  const form = useJobForm('quotes', quote, QuoteChange.shape)
  const [open, setOpen] = useState<string | null>(worked[0]?.option.id ?? null)
  const offered = new Set(quote.options.map(({ planId }) => planId))
  const others = file.plans.filter(({ id }) => !offered.has(id))
  const titleOf = (id: string) => document?.options.find((one) => one.id === id)?.title
  const setOptions = (options: QuoteOption[]) => form.set(options, 'options')
  return (
    <div className="grid content-start gap-x-8 gap-y-3 @4xl:grid-cols-[minmax(0,5fr)_minmax(0,3fr)]">
      <div className="flex flex-col gap-3">
        <ul aria-label="Options" className="flex flex-col gap-1.5">
          {worked.map((one) => {
            const { option, quoted, plan, hindrances } = one
            const at = quote.options.findIndex(({ id }) => id === option.id)
            const isOpen = open === option.id
            return (
              <li key={option.id} className="border border-rule-2">
                <button
                  type="button"
                  aria-expanded={isOpen}
                  onClick={() => setOpen(isOpen ? null : option.id)}
                  className="grid min-h-12 w-full grid-cols-[1fr_auto] gap-x-3 px-3 py-1.5 text-left hover:bg-sheet-2"
                >
                  <b className="font-semibold">{titleOf(option.id) ?? quoted.title}</b>
                  <b className="font-semibold">{money(quoted.toPay)}</b>
                  <span className="col-span-2 text-sm text-ink-2">
                    {nameOf(plan, file.plans)}
                    {hindrances.length > 0 && (
                      <span className="font-medium text-risk"> · {hindrances[0]}</span>
                    )}
                  </span>
                </button>
                {isOpen && (
                  <div className="border-t border-rule px-3 pt-2">
                    <OptionEditor
                      worked={one}
                      terms={terms}
                      value={(...path) => form.value('options', at, ...path)}
                      error={(...path) => form.error('options', at, ...path)}
                      set={(value, ...path) => form.set(value, 'options', at, ...path)}
                      onRemove={() =>
                        setOptions(quote.options.filter(({ id }) => id !== option.id))
                      }
                    />
                  </div>
                )}
              </li>
            )
          })}
        </ul>
        {worked.length < quote.options.length && (
          <p className="text-sm text-risk">
            A plan that was offered is gone.{' '}
            <button
              type="button"
              className="inline-flex min-h-11 items-center underline"
              onClick={() => setOptions(worked.map(({ option }) => option))}
            >
              Take its option off
            </button>
          </p>
        )}
        {others.length > 0 && quote.options.length < OPTIONS_AT_MOST && (
          <Select
            aria-label="Offer a further plan"
            value=""
            options={[
              { value: '', label: 'Offer a further plan…' },
              ...others.map((plan) => ({ value: plan.id, label: nameOf(plan, file.plans) })),
            ]}
            onValue={(planId) => planId && setOptions([...quote.options, optionOf(planId)])}
          />
        )}
        {quote.options.length < OPTIONS_AT_MOST && (
          <OfferOther onOffer={(option) => setOptions([...quote.options, option])} />
        )}
      </div>
      <div className="flex flex-col gap-3">
        <div className="grid grid-cols-2 gap-3">
          <Field
            label="Valid until"
            error={form.error('validUntil') && noDate()}
            hint={`${terms.validDays} days from when it was begun, unless set.`}
          >
            {(control) => (
              <DateInput
                {...control}
                value={form.value('validUntil') ?? validUntilOf(quote, terms)}
                onValue={(text) => form.set(text === '' ? null : text, 'validUntil')}
              />
            )}
          </Field>
          <Field
            label="Deposit, %"
            error={form.error('depositPercent')}
            hint={`${terms.depositPercent} by the shop’s terms.`}
          >
            {(control) => (
              <TextInput
                {...control}
                inputMode="decimal"
                placeholder={String(terms.depositPercent)}
                value={form.value('depositPercent')}
                onValue={(text) => form.set(numberFrom(text), 'depositPercent')}
              />
            )}
          </Field>
        </div>
        <Field label="Note on the quote" error={form.error('note')}>
          {(control) => (
            <TextInput
              {...control}
              lines={2}
              value={form.value('note')}
              onValue={(text) => form.set(text, 'note')}
            />
          )}
        </Field>
        {document && (
          <>
            <SheetLink jobId={file.id} />
            <Approve quote={quote} document={document} worked={worked} />
          </>
        )}
        <Button
          look="quiet"
          className="self-start"
          onClick={() => edit.act('', [removing('quotes', quote)])}
        >
          <Trash2 size={17} aria-hidden /> Drop this draft
        </Button>
      </div>
    </div>
  )
}

const nameOf = (plan: Plan, plans: readonly Plan[]) =>
  plan.id === plans[0]?.id ? 'the plan on the board' : plan.name
