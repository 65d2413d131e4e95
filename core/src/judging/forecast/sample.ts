/// <reference path="../../things/random/jstat.d.ts" />
import jStat from 'jstat'
import { random } from '../../things/random'
import type { ShareRange } from './works'

/** How many draws a forecast rests on. */
export const DRAWS = 512
const SEED = 20_261

/** Places from 0 to 1, one in each of `DRAWS` equal parts, in an order of their own for each dimension. */
function stratified(dimension: number): number[] {
  const next = random(SEED + dimension)
  const places = Array.from({ length: DRAWS }, (_, at) => (at + 0.5) / DRAWS)
  for (let at = places.length - 1; at > 0; at -= 1) {
    const other = Math.floor(next() * (at + 1))
    ;[places[at], places[other]] = [places[other] as number, places[at] as number]
  }
  return places
}

const DIMENSIONS = [
  'waits',
  'streams',
  'asks',
  'chip',
  'words',
  'queue',
  'need',
  'paging',
  'bound',
  'slowest',
  'machine',
  'organisation',
] as const
export type Dimension = (typeof DIMENSIONS)[number]

/** The same draws every time (a Latin hypercube), so that forecasts can be compared. */
const PLACES = Object.fromEntries(DIMENSIONS.map((name, at) => [name, stratified(at)])) as Record<
  Dimension,
  number[]
>

export const placeIn = (dimension: Dimension, draw: number): number =>
  PLACES[dimension][draw] as number

/** A value of the standard normal distribution. */
export const normalIn = (dimension: Dimension, draw: number): number =>
  NORMAL[dimension]?.[draw] ?? 0

const NORMAL: Partial<Record<Dimension, number[]>> = {
  machine: PLACES.machine.map((place) => jStat.normal.inv(place, 0, 1)),
}

/** A value of a range, evenly. */
export const evenly = ({ low, high }: ShareRange, place: number): number =>
  low + (high - low) * place

/** A value of a range, evenly in orders of magnitude. */
export const byMagnitude = ({ low, high }: ShareRange, place: number): number =>
  low * (high / low) ** place

/** A value through low, likely (the middle of the draws) and high. */
export function through(
  { low, likely, high }: { low: number; likely: number; high: number },
  place: number,
): number {
  return place < 0.5
    ? low + (likely - low) * place * 2
    : likely + (high - likely) * (place - 0.5) * 2
}

/** The value below which this share of the draws lies, between the two nearest. */
export function quantile(sorted: ArrayLike<number>, share: number): number {
  const at = share * (sorted.length - 1)
  const [below, above] = [Math.floor(at), Math.ceil(at)]
  const low = sorted[below] as number
  return low + ((sorted[above] as number) - low) * (at - below)
}
