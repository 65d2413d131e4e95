import { fittingSteps } from '@tembrix/core/fitting'
import type { Forecast } from '@tembrix/core/forecast'
import {
  firmwareReasons,
  fittingInput,
  profileVolts,
  type Situation,
  situationOf,
} from '@tembrix/core/job'
import { type Evaluation, type Module, soldSpeedOf } from '@tembrix/core/model'
import { mixingRisk } from '@tembrix/core/plan'
import { type LabourPart, labourOf, minutesOf, priced } from '@tembrix/core/quote'
import {
  type ModelRecord,
  movesOf,
  type Piece,
  type Plan,
  type Purchase,
  purchasesOf,
  type Quote,
  type QuoteDocument,
  type QuotedOption,
  type QuoteOption,
  type ShopModule,
  settingsOf,
  type Terms,
} from '@tembrix/core/records'
import { addDays, parseISO } from 'date-fns'
import { formOf, rateOf } from '../../board'
import { day, isoDay, money, tidy } from '../../ui'
import type { JobView } from '../file'
import type { Added, QuoteFacts } from './facts'
import { usualTitle, wordingOf } from './wording'

/** What a quote is worked out from. */
export interface Basis {
  view: JobView
  terms: Terms
  model: ModelRecord | undefined
  gainOf: (after: Evaluation) => Forecast | null
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
  const { view, terms, model, gainOf } = basis
  const { file, machine, now, pieces } = view
  const plan = file.plans.find(({ id }) => id === option.planId)
  if (!plan) return null
  const situation = situationOf(machine, plan.placement ?? file.found, pieces, settingsOf(plan))
  const { assignment, placement, settings, evaluation } = situation
  const { removed } = movesOf(now.assignment, assignment)
  const purchases = purchasesOf(assignment, pieces)
  const switched = plan.profile && evaluation.run?.profile === true
  const labour = labourOf(fittingSteps(fittingInput(view, situation, model, terms)))
  const calculatedMinutes = minutesOf(labour)
  const minutes = option.minutes ?? calculatedMinutes
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
      text: `Your old module of ${tidy(moduleOf(id).capacityGiB)} GB (${moduleOf(id).article}), bought from you`,
      quantity: 1,
      amount: -amount,
    })),
  ]
  const mixing = mixingRisk(machine, placement, settings, machine.touchy ?? false)
  const facts: QuoteFacts = {
    kind: machine.kind,
    before: now.evaluation,
    after: evaluation,
    ...modulesOf(view, situation, removed, credits),
    gain: gainOf(evaluation),
    mixing: mixing.level,
    solderedGiB: machine.soldered.reduce((sum, { module }) => sum + module.capacityGiB, 0),
    besideSoldered: mixing.reasons.every((reason) => reason === 'SOLDERED'),
    profile: switched ? { volts: profileVolts(situation) } : null,
    integratedGraphics: file.sizing.integratedGraphics === true,
    firmware: firmwareReasons(view, situation),
    lead: leadOf(purchases),
    testHours: terms.testHours,
    warranty: terms.warranty,
  }
  const title = usualTitle(facts)
  const wording = wordingOf(facts)
  return {
    option,
    plan,
    situation,
    removed,
    labour,
    calculatedMinutes,
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
    unpriced: purchases.some(({ price }) => price === null),
    hindrances: hindrancesOf(evaluation, purchases, facts.lead, file.dueOn),
  }
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

/** Modules that stay, go in and come out, each with what is on record of it. */
function modulesOf(
  { now, pieces, file }: JobView,
  { assignment, placement }: Situation,
  removed: readonly string[],
  credits: readonly { id: string; amount: number }[],
): Pick<QuoteFacts, 'kept' | 'added' | 'removed' | 'wholeKit'> {
  const found = new Set(Object.values(now.assignment).map(({ moduleId }) => moduleId))
  const placed = Object.entries(assignment).flatMap(([slot, { moduleId }]) => {
    const module = placement[slot]
    return module ? [{ moduleId, module }] : []
  })
  const goesTo = file.fits[0]?.removed ?? {}
  return {
    kept: placed.filter(({ moduleId }) => found.has(moduleId)).map(({ module }) => module),
    added: placed
      .filter(({ moduleId }) => !found.has(moduleId))
      .map(({ moduleId, module }) => addedOf(pieces.get(moduleId) as Piece, module)),
    removed: removed.map((id) => {
      const credit = credits.find((one) => one.id === id)
      return {
        module: pieces.get(id)?.module as Module,
        credit: credit ? money(credit.amount) : null,
        goesTo: goesTo[id]?.to ?? null,
      }
    }),
    wholeKit: wholeKitOf(
      placed.map(({ module }) => module),
      now.evaluation.capacity.installedGiB > 0 && file.machine.machine.soldered.length > 0,
    ),
  }
}

function addedOf(piece: Piece, module: Module): Added {
  const { condition, testedOn } = piece as ShopModule
  if (piece.source === 'customer') return { module, state: 'own', testedOn: null }
  const state = condition ?? (piece.source === 'supplier' ? 'new' : null)
  return { module, state, testedOn: state === 'used' ? testedOn : null }
}

/** The size of the one kit that everything in the machine is, complete and alone; null otherwise. */
function wholeKitOf(modules: readonly Module[], soldered: boolean): number | null {
  const [first] = modules
  const kit = first?.kit
  if (!kit || soldered || kit.size < 2) return null
  return modules.length === kit.size && modules.every((one) => one.kit?.id === kit.id)
    ? kit.size
    : null
}

/** The longest wait for what suppliers bring, and the first day one of them said so; null where it is not known or nothing is bought. */
function leadOf(purchases: readonly Purchase[]): QuoteFacts['lead'] {
  if (purchases.length === 0) return null
  const supplied = purchases.flatMap(({ piece }) =>
    piece.source === 'shelf' ? [] : [piece as ShopModule],
  )
  if (supplied.length === 0) return { inShop: true }
  if (supplied.some(({ leadDays }) => leadDays === null)) return null
  const asked = supplied.flatMap(({ askedAt }) => (askedAt ? [askedAt] : [])).sort()
  return {
    inShop: false,
    days: Math.max(0, ...supplied.map(({ leadDays }) => leadDays as number)),
    saidOn: asked[0] ?? null,
  }
}

function hindrancesOf(
  { starts }: Evaluation,
  purchases: readonly Purchase[],
  lead: QuoteFacts['lead'],
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
  if (dueOn && lead && !lead.inShop && isoDay(addDays(new Date(), lead.days)) > dueOn) {
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
