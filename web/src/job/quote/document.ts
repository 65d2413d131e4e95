import { fittingSteps } from '@tembrix/core/fitting'
import type { MixForecast } from '@tembrix/core/forecast'
import { type Evaluation, type Module, soldSpeedOf } from '@tembrix/core/model'
import { mixingRisk } from '@tembrix/core/plan'
import { type LabourPart, labourOf, minutesOf, priced } from '@tembrix/core/quote'
import {
  type Assignment,
  type ModelRecord,
  movesOf,
  type Plan,
  type Purchase,
  purchasesOf,
  type Quote,
  type QuoteDocument,
  type QuotedOption,
  type QuoteOption,
  type ShopModule,
  type Terms,
  UNFITTED,
} from '@tembrix/core/records'
import { addDays, formatISO } from 'date-fns'
import { formOf, rateOf } from '../../board'
import { money, tidy } from '../../ui'
import { type JobView, type Situation, situationOf } from '../file'
import { type Told, usualTitle, wordingOf } from './wording'

/** What a quote is worked out from. */
export interface Basis {
  view: JobView
  terms: Terms
  model: ModelRecord | undefined
  gainOf: (after: Evaluation) => MixForecast | null
}

/** An option with what it rests on, as the editor shows it. */
export interface Worked {
  option: QuoteOption
  plan: Plan
  situation: Situation
  removed: string[]
  labour: LabourPart[]
  reckonedMinutes: number
  usualTitle: string
  usualWording: string
  quoted: QuotedOption
  /** Why it cannot be offered as it is; empty where it can. */
  hindrances: string[]
}

export const isoDay = (date: Date) => formatISO(date, { representation: 'date' })

/** Works an option out; null where its plan is gone. */
export function workedOption(basis: Basis, quote: Quote, option: QuoteOption): Worked | null {
  const { view, terms, gainOf } = basis
  const { file, machine, now, pieces } = view
  const plan = file.plans.find(({ id }) => id === option.planId)
  if (!plan) return null
  const situation = situationOf(machine, plan.placement ?? file.found, pieces, plan.profile)
  const { assignment, placement, settings, evaluation } = situation
  const { removed } = movesOf(now.assignment, assignment)
  const purchases = purchasesOf(assignment, pieces)
  const switched = plan.profile && evaluation.run?.profile === true
  const labour = labourOf(stepsFor(basis, assignment, switched))
  const reckonedMinutes = minutesOf(labour)
  const minutes = option.minutes ?? reckonedMinutes
  const credits = removed.flatMap((id) => {
    const amount = option.credits[id] ?? 0
    return amount > 0 ? [{ id, amount }] : []
  })
  const extras = option.extras.filter(({ text, amount }) => text !== '' && amount !== 0)
  const sum = priced({
    currency: terms.currency,
    parts: purchases.map(({ times, price }) => times * (price ?? 0)),
    minutes,
    hourlyRate: terms.hourlyRate,
    extras: extras.map(({ amount }) => amount),
    credits: credits.map(({ amount }) => amount),
    taxPercent: terms.taxPercent,
    pricesIncludeTax: terms.pricesIncludeTax,
    depositPercent: quote.depositPercent ?? terms.depositPercent,
  })
  const moduleOf = (id: string) => pieces.get(id)?.module as Module
  const lines: QuotedOption['lines'] = [
    ...purchases.map(partLine),
    ...(minutes > 0
      ? [
          {
            kind: 'labour' as const,
            text: `Work, ${minutes} minutes`,
            quantity: 1,
            amount: sum.labour,
          },
        ]
      : []),
    ...extras.map(({ text, amount }) => ({ kind: 'extra' as const, text, quantity: 1, amount })),
    ...credits.map(({ id, amount }) => ({
      kind: 'credit' as const,
      text: `Your old module of ${tidy(moduleOf(id).capacityGiB)} GB, bought from you`,
      quantity: 1,
      amount: -amount,
    })),
  ]
  const found = new Set(Object.values(now.assignment).map(({ moduleId }) => moduleId))
  const told: Told = {
    kind: machine.kind,
    before: now.evaluation,
    after: evaluation,
    kept: [...found].filter((id) => !removed.includes(id)).map(moduleOf),
    added: Object.values(assignment).flatMap(({ moduleId }) =>
      found.has(moduleId) ? [] : [moduleOf(moduleId)],
    ),
    addedAre: stateOf(purchases),
    removed: removed.map(moduleOf),
    asKit: purchases.some(({ piece }) => piece.module.kit !== null),
    gain: gainOf(evaluation),
    mixing: mixingRisk(machine, placement, settings, machine.touchy ?? false).level,
    profile: switched,
    credit: sum.credit > 0 ? money(sum.credit) : null,
    leadDays: leadDaysOf(purchases),
  }
  const title = usualTitle(told)
  const wording = wordingOf(told)
  return {
    option,
    plan,
    situation,
    removed,
    labour,
    reckonedMinutes,
    usualTitle: title,
    usualWording: wording,
    quoted: {
      id: option.id,
      title: option.title || title,
      wording: option.wording ?? wording,
      lines,
      net: sum.net,
      tax: sum.tax,
      total: sum.total,
      credit: sum.credit,
      toPay: sum.toPay,
      deposit: sum.deposit,
      placement: assignment,
      profile: plan.profile,
    },
    hindrances: hindrancesOf(evaluation, purchases, told.leadDays, file.dueOn),
  }
}

/** The steps of the fitting that a plan would take, which say how long it lasts. */
function stepsFor({ view, terms, model }: Basis, planned: Assignment, profile: boolean) {
  const { machine, now, file } = view
  return fittingSteps({
    machine,
    found: now.assignment,
    planned,
    expected: null,
    profile,
    static: 'strap',
    hatch: file.fits[0]?.hatch ?? UNFITTED.hatch,
    covers: model?.covers ?? [],
    cautions: [],
    openingMinutes: model?.openingMinutes ?? null,
    table: terms.labour,
  })
}

function partLine({ piece, times, price }: Purchase): QuotedOption['lines'][number] {
  const { module, source } = piece
  const { condition, testedOn } = piece as ShopModule
  const kit = source === 'supplier' ? module.kit : null
  const size = `${tidy(module.capacityGiB)} GB`
  const what = kit ? `Memory kit, ${kit.size} modules of ${size}` : `Memory module, ${size}`
  const used = condition === 'used' ? `, used${testedOn ? ', tested' : ''}` : ''
  const standard = rateOf(module)
  const sold = soldSpeedOf(module)?.dataRate ?? standard
  const without = sold === standard ? '' : ` (${standard} without its memory profile)`
  const speed = `${module.generation}-${sold}${without}`
  const text = `${what}, ${speed} ${formOf(module)}${used} (${module.article})`
  return { kind: 'part', text: text.slice(0, 200), quantity: times, amount: times * (price ?? 0) }
}

function stateOf(purchases: readonly Purchase[]): Told['addedAre'] {
  const used = purchases.map(({ piece }) => (piece as ShopModule).condition === 'used')
  return used.every(Boolean) ? 'used' : used.some(Boolean) ? 'both' : 'new'
}

/** The longest wait for what suppliers bring; 0 where all is in the shop, null where it is not known or nothing is bought. */
function leadDaysOf(purchases: readonly Purchase[]): number | null {
  if (purchases.length === 0) return null
  const days = purchases.map(({ piece }) =>
    piece.source === 'shelf' ? 0 : (piece as ShopModule).leadDays,
  )
  return days.some((one) => one === null) ? null : Math.max(...(days as number[]))
}

function hindrancesOf(
  { starts }: Evaluation,
  purchases: readonly Purchase[],
  leadDays: number | null,
  dueOn: string | null,
): string[] {
  const said: string[] = []
  if (!starts) said.push('As planned the machine does not start.')
  for (const { piece, price, times } of purchases) {
    const { article } = piece.module
    const { stock } = piece as ShopModule
    if (price === null) said.push(`${article} has no price.`)
    if (piece.source === 'supplier' && stock !== null && stock < times) {
      said.push(`${article}: ${stock === 0 ? 'out of stock' : `only ${stock} to be had`}.`)
    }
  }
  if (dueOn && leadDays !== null && isoDay(addDays(new Date(), leadDays)) > dueOn) {
    said.push('The parts arrive after the job is due.')
  }
  return said
}

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
    machineName: machine.name,
    currency,
    taxPercent,
    pricesIncludeTax,
    validUntil: quote.validUntil ?? isoDay(addDays(new Date(), terms.validDays)),
    note: quote.note,
    returnTerms,
    options: worked.map(({ quoted }) => quoted),
  }
}
