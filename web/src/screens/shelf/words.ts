import { matcherOf } from '@tembrix/core/shop/counter'
import type { Module } from '@tembrix/core/things/model'
import type { ShopModule } from '@tembrix/core/things/records'
import { describeModule, organisation, rateOf } from '../../parts/board'

/** The words a search for a piece looks among. */
export function searchedText({
  module,
  serialNumber,
  supplier,
  note,
  keptFor,
}: ShopModule): string {
  const kept = keptFor ? `job ${keptFor.number}` : ''
  const said = `${describeModule(module)} ${organisation(module)} ${module.article} ${module.kit?.id ?? ''}`
  return `${said} ${serialNumber} ${supplier} ${note} ${kept}`
}

/** Whether every word of a search is found in a piece. */
export function piecesMatching(search: string) {
  const matches = matcherOf(search)
  return (piece: ShopModule) => matches(searchedText(piece))
}

export interface KitOnShelf {
  id: string
  pieces: ShopModule[]
  /** Whether all that were tested together are there. */
  whole: boolean
}

/** Pieces that lie there as a kit together, the others each alone, in the order given. */
export function inKits(pieces: readonly ShopModule[]): KitOnShelf[] {
  const kits = new Map<string, ShopModule[]>()
  for (const piece of pieces) {
    const key = piece.module.kit?.id ?? piece.id
    kits.set(key, [...(kits.get(key) ?? []), piece])
  }
  return [...kits].map(([id, members]) => {
    const size = members[0]?.module.kit?.size ?? 1
    return { id, pieces: members, whole: size > 1 && members.length === size }
  })
}

/** By generation, form, size and rate, as a box is sorted. */
export function byKind(a: ShopModule, b: ShopModule): number {
  const key = ({ module }: ShopModule) => `${module.generation} ${module.formFactor}`
  return (
    key(a).localeCompare(key(b)) ||
    a.module.capacityGiB - b.module.capacityGiB ||
    rateOf(a.module) - rateOf(b.module) ||
    a.module.article.localeCompare(b.module.article) ||
    a.serialNumber.localeCompare(b.serialNumber)
  )
}

export const kitOf = ({ kit }: Module): string => (kit ? `kit of ${kit.size}` : 'single')
