import {
  type Hindrance,
  type Lead,
  type OfferedOption,
  offerOf,
  promisedOf,
  type Situation,
  situationOf,
} from '@tembrix/core/shop/job'
import type { LabourPart } from '@tembrix/core/shop/quote'
import { soldSpeedOf } from '@tembrix/core/things/model'
import {
  type ModelRecord,
  type Plan,
  type Purchase,
  type Quote,
  type QuoteDocument,
  type QuotedOption,
  type QuoteOption,
  type ShopModule,
  settingsOf,
  type Terms,
} from '@tembrix/core/things/records'
import { addDays, parseISO } from 'date-fns'
import { day, isoDay, tidy } from '../../../../base/format'
import { formOf, rateOf } from '../../../../parts/board'
import type { JobNeed, JobView, ModelList } from '../../base/file'
import { offerWording, usualTitle } from './wording'

/** What a quote is worked out from. */
export interface Basis {
  view: JobView
  terms: Terms
  model: ModelRecord | undefined
  gainOf: JobNeed['gainOf']
  validated: ModelList | null
}

/** An option with what it rests on, as the editor shows it. */
export interface Worked {
  option: QuoteOption
  plan: Plan
  situation: Situation
  removed: string[]
  labour: LabourPart[]
  calculatedMinutes: number
  usualTitle: string
  usualWording: string
  quoted: QuotedOption
  /** A module has no price: it would be given away. */
  unpriced: boolean
  /** Why it cannot be offered as it is; empty where it can. */
  hindrances: string[]
}

/** Until when a quote stands: as set, else so many days from the day it was begun. */
export function validUntilOf(
  { validUntil, createdAt }: Pick<Quote, 'validUntil' | 'createdAt'>,
  { validDays }: Pick<Terms, 'validDays'>,
): string {
  const begun = createdAt === '' ? new Date() : parseISO(createdAt)
  return validUntil ?? isoDay(addDays(begun, validDays))
}

/** Works an option out; null where its plan is gone. */
export function workedOption(basis: Basis, quote: Quote, option: QuoteOption): Worked | null {
  const { view, terms, model, gainOf, validated } = basis
  const { file, machine, pieces } = view
  const plan = file.plans.find(({ id }) => id === option.planId)
  if (!plan) return null
  const situation = situationOf(machine, plan.placement ?? file.found, pieces, settingsOf(plan))
  const gain = gainOf(promisedOf(machine, situation).situation.evaluation, situation.placement)
  const given = { planned: situation, plan, option, quote, model, terms, gain, validated }
  const offer = offerOf(view, given)
  const { facts, sum } = offer
  const title = usualTitle(facts)
  const wording = offerWording(facts)
  return {
    option,
    plan,
    situation,
    removed: offer.removed,
    labour: offer.labour,
    calculatedMinutes: offer.calculatedMinutes,
    usualTitle: title,
    usualWording: wording,
    quoted: {
      id: option.id,
      title: option.title || title,
      wording: option.wording ?? wording,
      lines: linesOf(offer, option),
      net: sum.net,
      tax: sum.tax,
      total: sum.total,
      credit: sum.credit,
      toPay: sum.toPay,
      deposit: sum.deposit,
      ...(option.other ? { other: option.other } : {}),
      placement: situation.assignment,
      machines: offer.machines,
      minutes: offer.minutes,
      profile: plan.profile,
      manual: plan.manual,
    },
    unpriced: offer.unpriced,
    hindrances: [
      ...offer.hindrances.map(hindranceWords),
      ...(isLate(facts.lead, file.dueOn) ? ['The parts arrive after the job is due.'] : []),
    ],
  }
}

function linesOf(
  offer: OfferedOption,
  { underWarranty }: Pick<QuoteOption, 'underWarranty'>,
): QuotedOption['lines'] {
  const { machines, purchases, minutes, extras, credits, sum, waived } = offer
  const each = machines > 1 ? ' for each' : ''
  const work = {
    kind: 'labour' as const,
    text: `Work, ${minutes} minutes${each}`,
    quantity: machines,
  }
  return [
    ...purchases.map((one) => partLine({ ...one, times: one.times * machines })),
    ...(minutes > 0 ? [{ ...work, amount: sum.labour }] : []),
    ...extras.map(({ text, amount }) => ({ kind: 'extra' as const, text, quantity: 1, amount })),
    ...(waived > 0
      ? [
          {
            kind: 'extra' as const,
            text: `Under our warranty (job ${underWarranty}): parts and work are free`,
            quantity: 1,
            amount: -waived,
          },
        ]
      : []),
    ...credits.map(({ module, amount }) => ({
      kind: 'credit' as const,
      text: `Your old module of ${tidy(module.capacityGiB)} GB (${module.article}), bought from you`,
      quantity: machines,
      amount: -amount * machines,
    })),
  ]
}

function partLine({ piece, times, price }: Purchase): QuotedOption['lines'][number] {
  const { module, source } = piece
  const { condition, testedOn } = piece as ShopModule
  const kit = source === 'supplier' ? module.kit : null
  const size = `${tidy(module.capacityGiB)} GB`
  const what = kit ? `Memory kit, ${kit.size} modules of ${size}` : `Memory module, ${size}`
  const used =
    condition === 'used' ? `, used${testedOn ? `, tested on ${day(testedOn)}` : ', untested'}` : ''
  const standard = rateOf(module)
  const sold = soldSpeedOf(module)?.dataRate ?? standard
  const without = sold === standard ? '' : ` (${standard} without its memory profile)`
  const speed = `${module.generation}-${sold}${without}`
  const text = `${what}, ${speed} ${formOf(module)}${used} (${module.article})`
  return { kind: 'part', text: text.slice(0, 200), quantity: times, amount: times * (price ?? 0) }
}

function hindranceWords(one: Hindrance): string {
  switch (one.code) {
    case 'NO_START':
      return 'As planned the machine does not start.'
    case 'NO_PRICE':
      return `${one.article} has no price.`
    case 'ONE_PIECE':
      return `${one.article} on the shelf is one piece: several machines need a supplier’s.`
    case 'OUT_OF_STOCK':
      return `${one.article}: ${one.left === 0 ? 'out of stock' : `only ${one.left} to be had`}.`
  }
}

const isLate = (lead: Lead | null, dueOn: string | null): boolean =>
  dueOn !== null && lead !== null && !lead.inShop && isoDay(addDays(new Date(), lead.days)) > dueOn

/** The quote as the customer sees it: as approved, or as it stands now. Null where nothing is offered. */
export function documentOf(
  { view: { file, machine }, terms }: Basis,
  quote: Quote,
  worked: readonly Worked[],
): QuoteDocument | null {
  if (quote.document) return quote.document
  if (worked.length === 0) return null
  const { shopName, address, currency, taxPercent, pricesIncludeTax, returnTerms } = terms
  return {
    shopName,
    address,
    customerName: file.customer.name,
    machineName: file.machines > 1 ? `${file.machines} × ${machine.name}` : machine.name,
    currency,
    taxPercent,
    pricesIncludeTax,
    validUntil: validUntilOf(quote, terms),
    note: quote.note,
    returnTerms,
    options: namedApart(worked.map(({ quoted }) => quoted)),
  }
}

/** Options that would be called the same are told apart by what is bought for them. */
export function namedApart<O extends Pick<QuotedOption, 'title' | 'lines'>>(
  options: readonly O[],
): O[] {
  return options.map((option) => {
    if (options.every((other) => other === option || other.title !== option.title)) return option
    const parts = option.lines.filter(({ kind }) => kind === 'part')
    const what = parts
      .map(({ text, quantity }) => (quantity > 1 ? `${quantity} × ${text}` : text))
      .join('; ')
    const title = `${option.title}: ${what === '' ? 'nothing bought' : what}`
    return { ...option, title: title.slice(0, 200) }
  })
}
