import { suggestedCredit } from '@tembrix/core/shop/money'
import type { Extra, QuoteOption, Terms } from '@tembrix/core/things/records'
import { Plus, RotateCcw, Trash2 } from 'lucide-react'
import {
  capacity,
  currencySign,
  inUnits,
  minorFrom,
  money,
  numberFrom,
} from '../../../../base/format'
import { Button, callout, Field, IconButton, TextInput } from '../../../../base/ui'
import { WORK_NAMES } from '../../../../parts/handling'
import { useJob, useOffers } from '../../base/file'
import type { Worked } from './document'

interface Props {
  worked: Worked
  terms: Terms
  /** Sets fields of the option; what cannot be accepted is kept as typed. */
  value: (...path: (string | number)[]) => unknown
  error: (...path: (string | number)[]) => string | undefined
  set: (value: unknown, ...path: (string | number)[]) => void
  onRemove: () => void
}

/** One option: its words for the customer, its work, old modules, and what it adds up to. */
export function OptionEditor({ worked, terms, value, error, set, onRemove }: Props) {
  const { option, quoted, hindrances, plan } = worked
  return (
    <div className="flex flex-col gap-3 pb-3">
      {hindrances.length > 0 && (
        <ul className={callout({ tone: 'risk' })}>
          {hindrances.map((one) => (
            <li key={one}>{one}</li>
          ))}
        </ul>
      )}
      <Field label="Heading" error={error('title')}>
        {(control) => (
          <TextInput
            {...control}
            placeholder={worked.usualTitle}
            value={value('title')}
            onValue={(text) => set(text, 'title')}
          />
        )}
      </Field>
      <Field
        label="For the customer"
        error={error('wording')}
        aside={
          option.wording === null ? (
            <p className="text-sm text-ink-2">Written from the plan; change it as you like.</p>
          ) : (
            <button
              type="button"
              className="flex min-h-11 items-center gap-1.5 self-start text-sm underline"
              onClick={() => set(null, 'wording')}
            >
              <RotateCcw size={14} aria-hidden /> Yours; write it from the plan again
            </button>
          )
        }
      >
        {(control) => (
          <TextInput
            {...control}
            lines={6}
            value={value('wording') ?? worked.usualWording}
            onValue={(text) => set(text, 'wording')}
          />
        )}
      </Field>
      <Labour worked={worked} terms={terms} value={value} error={error} set={set} />
      <Credits worked={worked} terms={terms} value={value} error={error} set={set} />
      <Extras option={option} value={value} error={error} set={set} />
      <Sum quoted={quoted} terms={terms} />
      <Button look="quiet" className="self-start" onClick={onRemove}>
        <Trash2 size={17} aria-hidden /> Do not offer {plan.name}
      </Button>
    </div>
  )
}

type Part = Pick<Props, 'worked' | 'terms' | 'value' | 'error' | 'set'>

function Labour({ worked, terms, value, error, set }: Part) {
  const { option, labour, calculatedMinutes } = worked
  return (
    <div className="grid grid-cols-[7rem_1fr] gap-3">
      <Field label="Minutes" error={error('minutes')}>
        {(control) => (
          <TextInput
            {...control}
            inputMode="numeric"
            placeholder={String(calculatedMinutes)}
            value={value('minutes')}
            onValue={(text) => set(numberFrom(text), 'minutes')}
          />
        )}
      </Field>
      <p className="self-end pb-2 text-sm text-ink-2">
        {option.minutes !== null && `Calculated ${calculatedMinutes}: `}
        {labour.map(({ work, minutes }) => `${WORK_NAMES[work]} ${minutes}`).join(', ') ||
          (option.other ? 'A figure to begin with: set your own.' : 'Nothing to do.')}
        {' · '}
        {money(terms.hourlyRate)} an hour
      </p>
    </div>
  )
}

function Credits({ worked: { removed }, terms, value, error, set }: Part) {
  const { pieces, shop } = useJob()
  const { reading } = useOffers()
  if (removed.length === 0) return null
  return (
    <fieldset>
      <legend className="text-sm font-semibold">Old modules taken, {currencySign()} each</legend>
      <p className="mb-1 text-sm text-ink-2">Nothing entered: the customer gets it back.</p>
      {removed.map((id) => {
        const module = pieces.get(id)?.module
        if (!module) return null
        const suggested = suggestedCredit(module, shop, terms.creditPercent)
        const label = `${capacity(module.capacityGiB)} ${module.article}`
        return (
          <div key={id} className="mb-1 flex items-center gap-3">
            <span className="flex-1">{label}</span>
            {!reading && suggested > 0 && (
              <button
                type="button"
                className="min-h-11 min-w-11 text-sm underline"
                onClick={() => set(suggested, 'credits', id)}
              >
                {money(suggested)}
              </button>
            )}
            <span className="w-28">
              <TextInput
                id={`credit-${id}`}
                aria-label={`Credit for ${label}`}
                aria-invalid={error('credits', id) !== undefined}
                aria-describedby={undefined}
                inputMode="decimal"
                value={inUnits(value('credits', id))}
                onValue={(text) => set(minorFrom(text) ?? 0, 'credits', id)}
              />
            </span>
          </div>
        )
      })}
    </fieldset>
  )
}

function Extras({
  option,
  value,
  error,
  set,
}: Pick<Props, 'value' | 'error' | 'set'> & { option: QuoteOption }) {
  const add = () => {
    const fresh: Extra = { id: crypto.randomUUID(), text: '', amount: 0 }
    set([...option.extras, fresh], 'extras')
  }
  return (
    <fieldset>
      <legend className="sr-only">Further lines</legend>
      {option.extras.map(({ id }, at) => (
        <div key={id} className="mb-1 flex gap-2">
          <TextInput
            id={`extra-${id}`}
            aria-label={`What further line ${at + 1} is for`}
            aria-invalid={error('extras', at, 'text') !== undefined}
            aria-describedby={undefined}
            placeholder="Cleaning the fan"
            value={value('extras', at, 'text')}
            onValue={(text) => set(text, 'extras', at, 'text')}
          />
          <span className="w-28 shrink-0">
            <TextInput
              id={`amount-${id}`}
              aria-label={`Amount of further line ${at + 1}`}
              aria-invalid={error('extras', at, 'amount') !== undefined}
              aria-describedby={undefined}
              inputMode="decimal"
              value={inUnits(value('extras', at, 'amount'))}
              onValue={(text) => set(minorFrom(text) ?? 0, 'extras', at, 'amount')}
            />
          </span>
          <IconButton
            label={`Remove further line ${at + 1}`}
            onClick={() =>
              set(
                option.extras.filter((one) => one.id !== id),
                'extras',
              )
            }
            look="remove"
          >
            <Trash2 size={17} aria-hidden />
          </IconButton>
        </div>
      ))}
      <button
        type="button"
        disabled={option.extras.length >= 10}
        onClick={add}
        className="flex min-h-11 items-center gap-1.5 text-sm underline"
      >
        <Plus size={15} aria-hidden /> A further line
      </button>
    </fieldset>
  )
}

function Sum({ quoted, terms }: { quoted: Worked['quoted']; terms: Terms }) {
  const { file } = useJob()
  const left = file.budget === null ? null : file.budget - quoted.toPay
  const row = (name: string, amount: string, strong = false) => (
    <tr key={name} className={strong ? 'border-t border-rule-2 font-semibold' : ''}>
      <th scope="row" className={`py-0.5 pr-3 text-left ${strong ? '' : 'font-normal'}`}>
        {name}
      </th>
      <td className="text-right whitespace-nowrap">{amount}</td>
    </tr>
  )
  return (
    <table className="w-full text-[0.93rem]" aria-label={`What ${quoted.title} comes to`}>
      <tbody>
        {quoted.lines
          .filter(({ kind }) => kind !== 'credit')
          .map(({ text, quantity, amount }) =>
            row(quantity > 1 ? `${quantity} × ${text}` : text, money(amount)),
          )}
        {!terms.pricesIncludeTax && row(`Tax, ${terms.taxPercent} %`, money(quoted.tax))}
        {row('Total', money(quoted.total), true)}
        {terms.pricesIncludeTax && row(`of which tax, ${terms.taxPercent} %`, money(quoted.tax))}
        {quoted.credit > 0 && row('Old modules', money(-quoted.credit))}
        {quoted.credit > 0 && row('To pay', money(quoted.toPay), true)}
        {quoted.deposit > 0 && row('Deposit', money(quoted.deposit))}
        {left !== null &&
          row(left >= 0 ? 'Left of the budget' : 'Over the budget', money(Math.abs(left)))}
      </tbody>
    </table>
  )
}
