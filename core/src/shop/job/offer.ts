import { fittingSteps } from '../../bench/fitting'
import type { SoakPlan } from '../../bench/soak'
import type { AboveRating } from '../../judging/evaluate'
import type { Forecast } from '../../judging/forecast'
import { type FirmwareReason, type MixingLevel, mixingRisk } from '../../judging/plan'
import { areAllListed, type ValidatedIndex } from '../../reading/lists'
import type { Evaluation, Machine, Module } from '../../things/model'
import {
  type Destination,
  type JobFile,
  type ModelRecord,
  movesOf,
  type OtherSpend,
  type Piece,
  type Plan,
  type Purchase,
  purchasesOf,
  type Quote,
  type QuoteOption,
  type ShopModule,
  type Terms,
  type Warranty,
} from '../../things/records'
import { type Priced, priced } from '../money'
import { type LabourPart, labourOf, minutesOf, OTHER_MINUTES } from '../quote'
import { firmwareReasons, fittingInput, profileVolts } from './fitting'
import { promisedOf } from './promised'
import { soakOf } from './proof'
import type { Situation } from './situation'

/** A module that goes in: new, used, or one the customer brought; null where nobody has said. */
export interface Added {
  module: Module
  state: 'new' | 'used' | 'own' | null
  /** Of a used one: the day it was tested. */
  testedOn: string | null
}

/** A module that comes out: what it is bought for (minor units), and where the customer wants it. */
export interface TakenOut {
  module: Module
  credit: number | null
  goesTo: Destination | null
}

/** When what is bought is here, with the day the supplier said so. */
export type Lead = { inShop: true } | { inShop: false; days: number; saidOn: string | null }

/** What the sentences of an offer rest on. Modules are those in slots; soldered memory is in the totals. */
export interface OfferFacts {
  kind: Machine['kind']
  before: Evaluation
  after: Evaluation
  kept: readonly Module[]
  /** Memory fixed to the board, GiB. */
  solderedGiB: number
  /** Somebody has looked, or a report says, what is in the machine; without that nothing is said of it. */
  looked: boolean
  added: readonly Added[]
  removed: readonly TakenOut[]
  /** How many modules of one complete kit are in the slots, with nothing else beside it; null otherwise. */
  wholeKit: number | null
  gain: Forecast | null
  mixing: MixingLevel
  /** The only thing mixed is a module beside soldered memory. */
  besideSoldered: boolean
  /** How far the plan runs above the controller's rating; null where it does not. */
  above: AboveRating | null
  /** The memory profile is turned on for it: its voltage where known, V. */
  profile: { volts: number | null } | null
  integratedGraphics: boolean
  firmware: readonly FirmwareReason[]
  /** Null where nobody knows, or nothing is bought. */
  lead: Lead | null
  /** The test before it is handed over; null where nothing changes. */
  soak: SoakPlan | null
  /** The shop's rules. */
  testHours: number | null
  warranty: Warranty
  /** The maker's list that names all of it for this number of modules; null where none does. */
  listedBy: string | null
  /** The work done in place of a change of memory; null for a change of memory. */
  other: OtherSpend | null
}

/** Why an option cannot be offered as it is. `left` is how many a supplier has. */
export type Hindrance =
  | { code: 'NO_START' }
  | { code: 'NO_PRICE'; article: string }
  | { code: 'OUT_OF_STOCK'; article: string; left: number }
  /** A piece of the shelf, of which there is one, for several machines. */
  | { code: 'ONE_PIECE'; article: string }

/** A job as far as an offer goes. */
export interface ToOffer {
  file: Pick<JobFile, 'fits' | 'verifications' | 'sizing' | 'machines' | 'readings'>
  machine: Machine
  now: Situation
  pieces: ReadonlyMap<string, Piece>
}

/** One option worked out: what is bought, done and set off for each machine, what it comes to for all, what it rests on. */
export interface OfferedOption {
  machines: number
  purchases: Purchase[]
  /** The customer's modules that come out, by id. */
  removed: string[]
  labour: LabourPart[]
  calculatedMinutes: number
  minutes: number
  credits: { id: string; module: Module; amount: number }[]
  extras: QuoteOption['extras']
  /** Parts and work that our warranty covers, minor units. */
  waived: number
  sum: Priced
  facts: OfferFacts
  /** A module has no price: it would be given away. */
  unpriced: boolean
  hindrances: Hindrance[]
}

export interface OfferInput {
  /** What the slots come to by the option's plan. */
  planned: Situation
  plan: Pick<Plan, 'profile'>
  option: Pick<QuoteOption, 'minutes' | 'credits' | 'extras' | 'other' | 'underWarranty'>
  quote: Pick<Quote, 'depositPercent'>
  model: ModelRecord | undefined
  terms: Terms
  /** What the change brings for the customer's work; null where it cannot be said. */
  gain: Forecast | null
  /** The newest list of tested modules for this model. */
  validated: { name: string; index: ValidatedIndex } | null
}

/** Works an option out. Extras without a text or an amount, and credits of nothing, are left out. */
export function offerOf(job: ToOffer, input: OfferInput): OfferedOption {
  const { planned, plan, option, quote, model, terms } = input
  const { machine, now, pieces } = job
  const { removed } = movesOf(now.assignment, planned.assignment)
  const purchases = purchasesOf(planned.assignment, pieces)
  const { other } = option
  const labour = other ? [] : labourOf(fittingSteps(fittingInput(job, planned, model, terms)))
  const calculatedMinutes = other ? OTHER_MINUTES.value[other] : minutesOf(labour)
  const minutes = option.minutes ?? calculatedMinutes
  const credits = removed.flatMap((id) => {
    const [amount, module] = [option.credits[id] ?? 0, pieces.get(id)?.module]
    return module && amount > 0 ? [{ id, module, amount }] : []
  })
  const extras = option.extras.filter(({ text, amount }) => text !== '' && amount !== 0)
  const { machines } = job.file
  const unpricedDisk = other === 'disk' && !extras.some(({ amount }) => amount > 0)
  const parts = purchases.map(({ times, price }) => machines * times * (price ?? 0))
  const work = Math.round((terms.hourlyRate * machines * minutes) / 60)
  const waived =
    option.underWarranty === undefined ? 0 : parts.reduce((all, one) => all + one, work)
  const sum = priced({
    ...terms,
    parts,
    minutes: machines * minutes,
    extras: [...extras.map(({ amount }) => amount), -waived],
    credits: credits.map(({ amount }) => machines * amount),
    depositPercent: quote.depositPercent ?? terms.depositPercent,
  })
  const { placement, settings, evaluation } = planned
  const { situation: promised, above } = promisedOf(machine, planned)
  const mixing = mixingRisk(machine, placement, settings, machine.touchy ?? false)
  const switched = plan.profile && promised.evaluation.run?.profile === true
  const facts: OfferFacts = {
    kind: machine.kind,
    looked: now.evaluation.capacity.installedGiB > 0 || job.file.readings.length > 0,
    before: now.evaluation,
    after: promised.evaluation,
    above,
    ...modulesOf(job, planned, removed, credits),
    gain: input.gain,
    mixing: mixing.level,
    solderedGiB: machine.soldered.reduce((all, { module }) => all + module.capacityGiB, 0),
    besideSoldered: mixing.reasons.every((reason) => reason === 'SOLDERED'),
    profile: switched ? { volts: profileVolts(planned) } : null,
    integratedGraphics: job.file.sizing.integratedGraphics === true,
    firmware: firmwareReasons(job, planned),
    lead: leadOf(purchases),
    soak: other ? null : soakOf(planned, job.file.verifications[0]?.soak ?? null, terms),
    testHours: terms.testHours,
    warranty: terms.warranty,
    listedBy: listedBy(input.validated, planned),
    other: other ?? null,
  }
  return {
    machines,
    purchases,
    removed,
    labour,
    calculatedMinutes,
    minutes,
    credits,
    extras,
    waived,
    sum,
    facts,
    unpriced: unpricedDisk || purchases.some(({ price }) => price === null),
    hindrances: [
      ...hindrancesOf(evaluation, purchases, machines),
      ...(unpricedDisk ? [{ code: 'NO_PRICE' as const, article: 'The disk' }] : []),
    ],
  }
}

function listedBy(validated: OfferInput['validated'], { placement }: Situation): string | null {
  if (!validated) return null
  const articles = Object.values(placement).flatMap((module) => (module ? [module.article] : []))
  return areAllListed(validated.index, articles) ? validated.name : null
}

/** Modules that stay, go in and come out, each with what is on record of it. */
function modulesOf(
  { now, pieces, file, machine }: ToOffer,
  { assignment, placement }: Situation,
  removed: readonly string[],
  credits: OfferedOption['credits'],
): Pick<OfferFacts, 'kept' | 'added' | 'removed' | 'wholeKit'> {
  const found = new Set(Object.values(now.assignment).map(({ moduleId }) => moduleId))
  const placed = Object.entries(assignment).flatMap(([slot, { moduleId }]) => {
    const [module, piece] = [placement[slot], pieces.get(moduleId)]
    return module && piece ? [{ piece, module }] : []
  })
  const goesTo = file.fits[0]?.removed ?? {}
  return {
    kept: placed.filter(({ piece }) => found.has(piece.id)).map(({ module }) => module),
    added: placed
      .filter(({ piece }) => !found.has(piece.id))
      .map(({ piece, module }) => addedOf(piece, module)),
    removed: removed.flatMap((id) => {
      const module = pieces.get(id)?.module
      const credit = credits.find((one) => one.id === id)?.amount ?? null
      return module ? [{ module, credit, goesTo: goesTo[id]?.to ?? null }] : []
    }),
    wholeKit: wholeKitOf(
      placed.map(({ module }) => module),
      machine.soldered.length > 0,
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
  const kit = modules[0]?.kit
  if (!kit || soldered || kit.size < 2) return null
  return modules.length === kit.size && modules.every((one) => one.kit?.id === kit.id)
    ? kit.size
    : null
}

/** The longest wait for what suppliers bring, and the first day one of them said so; null where it is not known or nothing is bought. */
function leadOf(purchases: readonly Purchase[]): Lead | null {
  if (purchases.length === 0) return null
  const supplied = purchases.flatMap(({ piece }) =>
    piece.source === 'shelf' ? [] : [piece as ShopModule],
  )
  if (supplied.length === 0) return { inShop: true }
  const days = supplied.flatMap(({ leadDays }) => leadDays ?? [])
  if (days.length < supplied.length) return null
  const asked = supplied.flatMap(({ askedAt }) => askedAt ?? []).sort()
  return { inShop: false, days: Math.max(0, ...days), saidOn: asked[0] ?? null }
}

function hindrancesOf(
  { starts }: Evaluation,
  purchases: readonly Purchase[],
  machines: number,
): Hindrance[] {
  const found: Hindrance[] = starts ? [] : [{ code: 'NO_START' }]
  for (const { piece, price, times } of purchases) {
    const { article } = piece.module
    const { stock } = piece as ShopModule
    if (price === null) found.push({ code: 'NO_PRICE', article })
    if (piece.source === 'shelf' && machines > 1) found.push({ code: 'ONE_PIECE', article })
    if (piece.source === 'supplier' && typeof stock === 'number' && stock < times * machines) {
      found.push({ code: 'OUT_OF_STOCK', article, left: stock })
    }
  }
  return found
}
