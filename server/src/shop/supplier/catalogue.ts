import type { Generation, Module } from '@tembrix/core/things/model'
import { ARTICLES, article } from './articles'

/** What each generation costs, minor units a GiB, and how much a module costs besides. */
const PER_GIB: Partial<Record<Generation, number>> = { DDR3: 290, DDR4: 190, DDR5: 260 }
const EACH = 350

/** Capacities and rates that the made-up makers sell plainly, by generation. */
const RANGE: [Generation, string, number[], number[]][] = [
  ['DDR3', '3', [2, 4, 8], [1600, 1333]],
  ['DDR4', '4', [4, 8, 16, 32], [3200, 2666, 2400]],
  ['DDR5', '5', [8, 16, 24, 32, 48], [5600, 4800]],
]

export interface CatalogueEntry {
  module: Module
  /** Before the day's changes, minor units for all its pieces. */
  price: number
}

/** Everything the simulated supplier sells: the named articles, and a plain range with kits of two. */
export const CATALOGUE: readonly CatalogueEntry[] = unique([
  ...Object.values(ARTICLES),
  ...RANGE.flatMap(([generation, digit, capacities, rates]) =>
    (['DIMM', 'SODIMM'] as const).flatMap((form) =>
      capacities.flatMap((capacity) =>
        rates.flatMap((rate) => plainAndKit(generation, digit, form, capacity, rate, rates)),
      ),
    ),
  ),
]).map((module) => ({ module, price: priceOf(module) }))

function plainAndKit(
  generation: Generation,
  digit: string,
  form: 'DIMM' | 'SODIMM',
  capacity: number,
  rate: number,
  rates: readonly number[],
): Module[] {
  const lower = rates.filter((one) => one <= rate)
  const maker = form === 'DIMM' ? `Quillen Q${digit}` : `Larkfield L${digit}`
  const single = article(`${maker}-${capacity}-${rate}`, generation, form, capacity, lower)
  const set = `W${digit}${form === 'DIMM' ? '' : 'S'}`
  const kit = { id: `${set}-2x${capacity}-${rate}`, size: 2 }
  return [single, { ...single, article: `Wendover ${set}-2x${capacity}-${rate}`, kit }]
}

function unique(modules: readonly Module[]): Module[] {
  return [...new Map(modules.map((module) => [module.article, module])).values()]
}

function priceOf({ generation, capacityGiB, kit, buffering, speeds }: Module): number {
  const profile = speeds.some(({ kind }) => kind === 'profile') ? 1.15 : 1
  const kind = buffering === 'unbuffered' ? 1 : 1.4
  const top = Math.max(...speeds.map(({ dataRate }) => dataRate))
  const each = EACH + capacityGiB * ((PER_GIB[generation] ?? 250) + top / 100) * kind * profile
  return Math.round((each * (kit?.size ?? 1)) / 100) * 100 - 10
}
