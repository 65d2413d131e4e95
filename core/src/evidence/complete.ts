import {
  type Machine,
  Module,
  plainName,
  STANDARD_STEPS,
  USUAL_VOLTAGE,
  usualSpeed,
} from '../model'
import type { ModuleFigures } from '../readings'

export interface Completed {
  module: Module
  /** The figures that were not read but taken as usual. */
  assumed: string[]
}

const WIDTHS = [4, 8, 16, 32, 64]

/**
 * A whole module from what was read of it; what is missing is as usual for this machine, and named.
 * Null where the capacity is not known or the figures make no module.
 */
export function complete(figures: Partial<ModuleFigures>, machine: Machine): Completed | null {
  if (figures.capacityGiB === undefined) return null
  const assumed: string[] = []
  const or = <T>(what: string, value: T | undefined, usual: T): T => {
    if (value !== undefined) return value
    assumed.push(what)
    return usual
  }
  const generation = or('generation', figures.generation, machine.generation)
  const dataRate = or('speeds', figures.speeds?.[0]?.dataRate, likelyRate(machine, generation))
  const width = WIDTHS.find((one) => one === figures.deviceWidth)
  const usual = usualSpeed(generation, dataRate)
  const speed = { ...usual, ...figures.speeds?.[0] }
  if (figures.speeds?.[0] && figures.speeds[0].cl === undefined) assumed.push('timings')
  const draft = {
    article: '',
    generation,
    formFactor: or('formFactor', figures.formFactor, machine.formFactor),
    buffering: or('buffering', figures.buffering, machine.buffering[0] ?? 'unbuffered'),
    ecc: or('ecc', figures.ecc, machine.ecc === 'required'),
    capacityGiB: figures.capacityGiB,
    ranks: or('ranks', figures.ranks, 1),
    deviceWidth: or('deviceWidth', width, 8),
    voltages: or('voltages', figures.voltages, [USUAL_VOLTAGE[generation]]),
    speeds: [{ ...speed, kind: 'standard' as const }],
    kit: null,
  }
  const parsed = Module.safeParse({ ...draft, article: figures.partNumber ?? plainName(draft) })
  return parsed.success ? { module: parsed.data, assumed } : null
}

function likelyRate(machine: Machine, generation: Machine['generation']): number {
  const rating = Math.max(...machine.limits.dataRates.map((row) => row.dataRate))
  const steps = STANDARD_STEPS[generation]
  return steps.findLast((step) => step <= rating) ?? (steps[0] as number)
}
