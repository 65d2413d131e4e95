import { z } from 'zod'
import { Module } from '../model'
import { Money, ShortText } from './stored'

export const Pieces = z.int().min(0).max(1_000_000)
export const Days = z.int().min(0).max(365)

/** What a supplier says it sells: `price` in minor units for all pieces of its kit, `stock` purchases. */
export const Offered = z.object({
  module: Module,
  price: Money,
  stock: Pieces.nullable(),
  leadDays: Days.nullable(),
})
export type Offered = z.infer<typeof Offered>

/** What tells a supplier's offers apart: the article, and how many are sold together. */
export const offeredKey = ({ module }: { module: Module }): string =>
  `${module.kit?.size ?? 1} ${module.article.toLowerCase()}`

/** What is looked for at a supplier; the text is found in the article or among the figures. */
export const SupplierQuery = z.object({
  text: ShortText.default(''),
  generation: Module.shape.generation.optional(),
  formFactor: Module.shape.formFactor.optional(),
})
export type SupplierQuery = z.infer<typeof SupplierQuery>

/**
 * How the simulated supplier answers, and what it does with orders (`part`: sends half of them for now, `wrong`:
 * sends other parts): for trying what happens when a real one does not answer well.
 */
export const SUPPLIER_BEHAVIOURS = [
  'steady',
  'slow',
  'failing',
  'part',
  'wrong',
  'refusing',
] as const
export const SupplierBehaviour = z.enum(SUPPLIER_BEHAVIOURS)
export type SupplierBehaviour = z.infer<typeof SupplierBehaviour>

export interface SupplierAnswer {
  supplier: string
  offers: Offered[]
  /** Which of these the shop has taken up, by `offeredKey`. */
  takenUp: string[]
}
