import { type Machine, Module } from '../../things/model'
import { moduleStops } from '../evaluate'
import { Offer, type PlanRequest, type SetAside } from './request'

/** Pieces that come together: one the customer has, or what one purchase of an offer brings. */
export interface Bundle {
  source: 'onHand' | 'offer'
  /** Place among the customer's pieces or among the offers. */
  index: number
  module: Module
  pieces: number
  price: number
  /** How often it can be had. */
  stock: number
}

export interface BundleSupply {
  bundles: Bundle[]
  setAside: SetAside[]
}

/** What of a request's pieces and offers can be used in the machine, in the request's order. */
export function supplyOf({ machine, onHand, offers }: PlanRequest): BundleSupply {
  const bundles: Bundle[] = []
  const setAside: SetAside[] = []

  onHand.forEach((one, index) => {
    const parsed = Module.safeParse(one)
    const reasons = parsed.success ? moduleStops(machine, parsed.data) : ['NOT_A_MODULE' as const]
    if (parsed.success && reasons.length === 0) {
      bundles.push({ source: 'onHand', index, module: parsed.data, pieces: 1, price: 0, stock: 1 })
    } else {
      setAside.push({ source: 'onHand', index, id: null, reasons, fields: faults(parsed) })
    }
  })

  const seen = new Set<string>()
  offers.forEach((one, index) => {
    const parsed = Offer.safeParse(one)
    const reasons = parsed.success
      ? refusals(machine, parsed.data, seen)
      : ['NOT_AN_OFFER' as const]
    if (parsed.success && reasons.length === 0) {
      const { module, pieces, price, stock } = parsed.data
      bundles.push({ source: 'offer', index, module, pieces, price, stock })
    } else {
      const id = (one as { id?: unknown } | null)?.id
      const named = typeof id === 'string' ? id : null
      setAside.push({ source: 'offer', index, id: named, reasons, fields: faults(parsed) })
    }
  })
  return { bundles, setAside }
}

function refusals(machine: Machine, offer: Offer, seen: Set<string>): SetAside['reasons'] {
  const reasons: SetAside['reasons'] = moduleStops(machine, offer.module)
  if (seen.has(offer.id)) reasons.push('DOUBLED_ID')
  seen.add(offer.id)
  if (offer.stock === 0) reasons.push('OUT_OF_STOCK')
  if (offer.pieces > machine.slots.length) reasons.push('TOO_MANY_PIECES')
  return reasons
}

function faults(parsed: ReturnType<typeof Module.safeParse | typeof Offer.safeParse>) {
  if (parsed.success) return []
  return parsed.error.issues.map(({ path, message }) => ({ path: path.join('.'), message }))
}

/** How a module sits beside its like when bought: the pieces of a kit share its id. */
export function boughtModule(module: Module, pieces: number, kitId: string): Module {
  return pieces > 1 ? { ...module, kit: { id: kitId, size: pieces } } : module
}
