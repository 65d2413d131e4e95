import { createHash } from 'node:crypto'
import { setTimeout as pause } from 'node:timers/promises'
import type { Offered, SupplierBehaviour, SupplierQuery } from '@tembrix/core/records'
import { CATALOGUE, type CatalogueEntry } from './catalogue'
import { type Supplier, SupplierFailed } from './supplier'

export const SUPPLIER_NAME = 'Marrowby Parts'

/** The most offers a search answers. */
const MOST = 60

/** How long an answer takes, ms. */
const DELAY: Record<SupplierBehaviour, number> = { steady: 150, slow: 4000, failing: 300 }

export interface SimulatedSupplier extends Supplier {
  behaviour: SupplierBehaviour
}

/**
 * A stand-in for a supplier's service: a catalogue of made-up articles whose prices and stock change
 * from day to day, answered after a delay, or not at all when its behaviour is failing.
 */
export function simulatedSupplier(today = () => new Date().toISOString().slice(0, 10)) {
  async function answer(signal: AbortSignal, entries: readonly CatalogueEntry[]) {
    await pause(DELAY[supplier.behaviour], undefined, { signal })
    if (supplier.behaviour === 'failing') throw new SupplierFailed()
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
  }
  return supplier
}

function matching({ text, generation, formFactor }: SupplierQuery) {
  const words = text.toLowerCase().split(/\s+/).filter(Boolean)
  return ({ module }: CatalogueEntry) => {
    if (generation && module.generation !== generation) return false
    if (formFactor && module.formFactor !== formFactor) return false
    const rates = module.speeds.map(({ dataRate }) => dataRate).join(' ')
    const said = `${module.article} ${module.generation} ${module.capacityGiB} ${module.capacityGiB}gb ${module.capacityGiB}gib ${rates} ${module.kit ? 'kit' : ''}`
    return words.every((word) => said.toLowerCase().includes(word))
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
