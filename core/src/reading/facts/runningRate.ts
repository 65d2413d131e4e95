import { type Generation, standardStep } from '../../things/model'
import type { RunningRate } from './facts'
import { plausibleRate, soldSpeed } from './rateNames'

/** A figure a readout prints for a rate; `unit` as it says it, if it does. */
export interface Printed {
  figure: number
  unit: 'MT/s' | 'MHz' | null
}

/** A printed figure is one of these; half a step is printed rounded either way. */
const near = (a: number, b: number) => Math.abs(a - b) <= Math.max(1, b * 0.01)

const neat = (generation: Generation, rate: number) => soldSpeed(generation, rate) ?? rate

/**
 * The data rates (MT/s) a module's printed rated speed can mean, the likelier first. In MT/s a
 * plausible figure is the rate; in MHz, or without a unit, it may be the clock as well.
 */
export function ratedReadings({ figure, unit }: Printed, generation: Generation | null): number[] {
  if (!(figure > 0)) return []
  if (!generation) return [figure]
  const asRate = plausibleRate(generation, figure)
  const asClock = standardStep(generation, figure * 2) !== undefined
  if (asRate && (unit === 'MT/s' || !asClock)) return [neat(generation, figure)]
  if (asClock && !asRate) return [neat(generation, figure * 2)]
  if (asRate) return [neat(generation, figure), neat(generation, figure * 2)]
  return [figure]
}

/** Whether any generation of modules has such a standard step. */
const isSomeStep = (rate: number): boolean =>
  (['DDR', 'DDR2', 'DDR3', 'DDR4', 'DDR5'] as const).some(
    (generation) => standardStep(generation, rate) !== undefined,
  )

/**
 * Whether the rate a running system prints is the data rate or the clock, by the module's own rates
 * (MT/s): one that equals a rate of its own is the rate, half of one is the clock. Otherwise by what
 * the generation knows below the module's top; what cannot be decided is ambiguous, with both readings.
 */
export function runningRate(
  { figure, unit }: Printed,
  own: readonly number[],
  generation: Generation | null,
): RunningRate | null {
  if (!(figure > 0)) return null
  const say = (clockOrRate: RunningRate['clockOrRate'], ...readings: number[]): RunningRate => ({
    configuredDataRate: readings[0] as number,
    clockOrRate,
    printed: figure,
    readings,
  })
  const equal = own.length === 1 ? own.find((rate) => near(figure, rate)) : undefined
  if (equal !== undefined) return say('rate', equal)
  const half = own.length === 1 ? own.find((rate) => near(figure * 2, rate)) : undefined
  if (half !== undefined) return say('clock', half)
  const top = own.length > 0 ? Math.max(...own) * 1.01 : Number.POSITIVE_INFINITY
  const fits = (rate: number) =>
    rate <= top && (generation === null ? isSomeStep(rate) : plausibleRate(generation, rate))
  const [asRate, asClock] = [fits(figure), fits(figure * 2)]
  const rate = generation ? neat(generation, figure) : figure
  const doubled = generation ? neat(generation, figure * 2) : figure * 2
  if (asRate && (!asClock || (unit === 'MT/s' && own.length === 0))) return say('rate', rate)
  if (asClock && !asRate) return say('clock', doubled)
  if (asRate) return say('ambiguous', rate, doubled)
  return figure > top ? say('rate', rate) : say('ambiguous', rate, doubled)
}
