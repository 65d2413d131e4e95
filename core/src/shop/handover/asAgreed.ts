import type { Machine, Module } from '../../things/model'
import { type Piece, placementOf, type QuotedOption } from '../../things/records'
import type { Situation } from '../job'

/**
 * Whether what is planned now, and was fitted, is what the customer agreed to: by article, whichever piece it is. True
 * where a module agreed to is not known any more, so that nobody is told of a difference that may be none.
 */
export function isAsAgreed(
  { placement, profile }: Pick<QuotedOption, 'placement' | 'profile'>,
  machine: Machine,
  { placement: fitted, settings }: Pick<Situation, 'placement' | 'settings'>,
  pieces: ReadonlyMap<string, Piece>,
): boolean {
  const slots = machine.slots.map(({ id }) => id)
  if (slots.some((id) => placement[id] && !pieces.has(placement[id].moduleId))) return true
  const agreed = placementOf(machine, placement, pieces)
  const article = (module: Module | null | undefined) =>
    module ? `${module.article} ${module.capacityGiB}` : ''
  const alike = slots.every((id) => article(agreed[id]) === article(fitted[id]))
  return alike && profile === settings.profile
}
