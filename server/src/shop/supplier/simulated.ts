import { createHash } from 'node:crypto'
import { setTimeout as pause } from 'node:timers/promises'
import { matcherOf } from '@tembrix/core/shop/counter'
import type { PurchaseOrder } from '@tembrix/core/shop/orders'
import type {
  Confirmation,
  ConfirmedLine,
  DeliveryNote,
  Offered,
  SupplierBehaviour,
  SupplierQuery,
} from '@tembrix/core/things/records'
import { addDays, formatISO, parseISO } from 'date-fns'
import { CATALOGUE, type CatalogueEntry } from './catalogue'
import { type Supplier, SupplierFailed } from './supplier'

export const SUPPLIER_NAME = 'Marrowby Parts'

/** The most offers a search answers. */
const MOST = 60

/** How long an answer takes, ms. */
const USUAL_DELAY = 150
const DELAY: Record<SupplierBehaviour, number> = {
  steady: USUAL_DELAY,
  slow: 4000,
  failing: 300,
  part: USUAL_DELAY,
  wrong: USUAL_DELAY,
  refusing: USUAL_DELAY,
}

/** What a shop pays, of what the catalogue says customers pay. */
const TRADE_SHARE = 0.8

export interface SimulatedSupplier extends Supplier {
  behaviour: SupplierBehaviour
}

/**
 * A stand-in for a supplier's service: a catalogue of made-up articles whose prices and stock change
 * from day to day, answered after a delay, or not at all when its behaviour is failing.
 */
export function simulatedSupplier(today = () => new Date().toISOString().slice(0, 10)) {
  async function delay(signal: AbortSignal) {
    await pause(DELAY[supplier.behaviour], undefined, { signal })
    if (supplier.behaviour === 'failing') throw new SupplierFailed()
  }
  async function answer(signal: AbortSignal, entries: readonly CatalogueEntry[]) {
    await delay(signal)
    return entries.map((entry) => offerOn(today(), entry)).sort((a, b) => a.price - b.price)
  }
  const supplier: SimulatedSupplier = {
    name: SUPPLIER_NAME,
    behaviour: 'steady',
    search: (query, signal) =>
      answer(signal, CATALOGUE.filter(matching(query))).then((offers) => offers.slice(0, MOST)),
    ask: (articles, signal) => {
      const asked = new Set(articles)
      return answer(
        signal,
        CATALOGUE.filter(({ module }) => asked.has(module.article)),
      )
    },
    place: async (order, signal) => {
      await delay(signal)
      return confirmationOf(order, supplier.behaviour)
    },
    deliveries: async (order, signal) => {
      await delay(signal)
      return [noteOf(order, supplier.behaviour)]
    },
  }
  return supplier
}

const referenceOf = ({ id }: PurchaseOrder): string => `MP-${id.slice(0, 8).toUpperCase()}`

function confirmationOf(order: PurchaseOrder, behaviour: SupplierBehaviour): Confirmation {
  return {
    at: new Date().toISOString(),
    reference: referenceOf(order),
    lines: order.lines.map((line) => confirmed(order.on, line, behaviour)),
  }
}

/** The line as the catalogue has it on the day of the order. */
function confirmed(
  on: string,
  { line: lineId, partNumber, quantity }: PurchaseOrder['lines'][number],
  behaviour: SupplierBehaviour,
): ConfirmedLine {
  const entry = CATALOGUE.find(({ module }) => module.article === partNumber)
  const refused = { lineId, times: 0, cost: null, dueOn: null }
  if (!entry) return { ...refused, why: 'No longer sold.' }
  if (behaviour === 'refusing') return { ...refused, why: 'Cannot be delivered at present.' }
  const { price, stock, leadDays } = offerOn(on, entry)
  return {
    lineId,
    times: quantity,
    cost: Math.round(price * TRADE_SHARE),
    dueOn: formatISO(addDays(parseISO(on), leadDays ?? 0), { representation: 'date' }),
    why: (stock ?? 0) < quantity ? 'Not in stock: comes later.' : '',
  }
}

/** Its parcel: everything, half of it, or a part number that nobody ordered. */
function noteOf(order: PurchaseOrder, behaviour: SupplierBehaviour): DeliveryNote {
  const lines =
    behaviour === 'part' ? order.lines.slice(0, Math.ceil(order.lines.length / 2)) : order.lines
  return {
    number: `${referenceOf(order)}-1`,
    on: order.on,
    lines: lines.map(({ line: lineId, partNumber, quantity }) => ({
      lineId,
      partNumber: behaviour === 'wrong' ? otherThan(partNumber) : partNumber,
      quantity:
        behaviour === 'part' && order.lines.length === 1 ? Math.ceil(quantity / 2) : quantity,
    })),
  }
}

const otherThan = (partNumber: string): string =>
  CATALOGUE.find(({ module }) => module.article !== partNumber)?.module.article ?? partNumber

function matching({ text, generation, formFactor }: SupplierQuery) {
  const says = matcherOf(text)
  return ({ module }: CatalogueEntry) => {
    if (generation && module.generation !== generation) return false
    if (formFactor && module.formFactor !== formFactor) return false
    const rates = module.speeds.map(({ dataRate }) => dataRate).join(' ')
    const { article, capacityGiB, ranks, deviceWidth } = module
    const form = module.formFactor === 'SODIMM' ? 'so-dimm sodimm' : module.formFactor
    const organised = `${ranks}rx${deviceWidth}`
    return says(
      `${article} ${module.generation} ${capacityGiB} ${capacityGiB}gb ${capacityGiB}gib ${rates} ${form} ${organised} ${module.kit ? 'kit' : ''}`,
    )
  }
}

/** Price within 4 % of the list, stock and lead time, all settled by article and day. */
function offerOn(day: string, { module, price }: CatalogueEntry): Offered {
  const chance = createHash('sha256').update(`${module.article} ${day}`).digest()
  const [swing, amount, wait] = chance as unknown as [number, number, number]
  const stock = amount < 24 ? 0 : 1 + (amount % 40)
  return {
    module,
    price: Math.round((price * (1 + (swing - 128) / 3200)) / 10) * 10,
    stock,
    leadDays: stock === 0 ? 7 + (wait % 14) : 1 + (wait % 4),
  }
}
