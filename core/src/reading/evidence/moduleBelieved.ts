import {
  type Generation,
  type Machine,
  Module,
  type ModuleTimes,
  plainName,
  type Speed,
  STANDARD_STEPS,
  USUAL_VOLTAGE,
  usualOrganisation,
  usualSpeed,
  usualTimes,
} from '../../things/model'
import type { ModuleFigures, ReadSpeed } from '../facts'
import type { Belief } from './believe'

/** A figure that was taken as usual; `timings` are a standard speed's, `profileTimings` a profile's. */
export type Assumed = keyof ModuleFigures | 'standardSpeed' | 'timings' | 'profileTimings'

/** A module made of what is believed of it. */
export interface MadeModule {
  module: Module
  /** The figures that were not read but taken as usual. */
  assumed: Assumed[]
}

/** What makes a figure follow from the machine: a module that sits in it has its form and generation. */
export interface ModuleSurroundings {
  machine: Machine
  inMachine: boolean
}

const WIDTHS = [4, 8, 16, 32, 64]

/** The standard speed of parts sold by a profile, where it is not known: as low as they come, MT/s. */
export const LOW_STANDARD: Partial<Record<Generation, number>> = {
  DDR2: 667,
  DDR3: 1333,
  DDR4: 2133,
  DDR5: 4800,
}

/** Generations whose modules have one voltage only. */
const ONE_VOLTAGE: readonly Generation[] = ['DDR2', 'DDR4', 'DDR5']

/** Figures without which nothing can be said of a module, and which are asked for. */
export function missingIn(
  figures: Partial<ModuleFigures>,
  { inMachine }: Pick<ModuleSurroundings, 'inMachine'>,
): ('capacityGiB' | 'generation' | 'formFactor')[] {
  const needed = inMachine
    ? (['capacityGiB'] as const)
    : (['capacityGiB', 'generation', 'formFactor'] as const)
  return needed.filter((what) => figures[what] === undefined)
}

/** The module that beliefs about it make. */
export const moduleBelieved = (
  beliefs: readonly Belief[],
  surroundings: ModuleSurroundings,
): MadeModule | null =>
  complete(Object.fromEntries(beliefs.map(({ what, value }) => [what, value])), surroundings)

/**
 * A whole module from what was read of it; what is missing is as usual for this machine, and named.
 * Null where `missingIn` names something, or the figures make no module.
 */
export function complete(
  figures: Partial<ModuleFigures>,
  { machine, inMachine }: ModuleSurroundings,
): MadeModule | null {
  const { capacityGiB } = figures
  if (capacityGiB === undefined || missingIn(figures, { inMachine }).length > 0) return null
  const assumed: Assumed[] = []
  const or = <T>(what: Assumed, value: T | undefined, usual: T): T => {
    if (value !== undefined) return value
    assumed.push(what)
    return usual
  }
  const generation = or('generation', figures.generation, machine.generation)
  const width = WIDTHS.find((one) => one === figures.deviceWidth)
  const speeds = speedsOf(figures.speeds ?? [], generation, machine, assumed)
  const usual = usualOrganisation(generation, capacityGiB)
  const ecc = figures.buffering === 'registered' || figures.buffering === 'load-reduced'
  const draft = {
    article: '',
    generation,
    formFactor: or('formFactor', figures.formFactor, machine.formFactor),
    buffering: or('buffering', figures.buffering, machine.buffering[0] ?? 'unbuffered'),
    ecc: or('ecc', figures.ecc, ecc || machine.ecc === 'required'),
    capacityGiB,
    ranks: or('ranks', figures.ranks, usual.ranks),
    deviceWidth: or('deviceWidth', width, usual.deviceWidth),
    voltages: voltagesOf(figures, generation, machine, assumed),
    speeds,
    ...timesOf(figures, generation, speeds),
    ...(figures.heightMm === undefined ? {} : { heightMm: figures.heightMm }),
    kit: null,
  }
  const article = figures.partNumber ?? plainName(draft)
  const kit = figures.kit ? { id: article, size: figures.kit.size } : null
  const parsed = Module.safeParse({ ...draft, article, kit })
  return parsed.success ? { module: parsed.data, assumed } : null
}

/** The times that its contents hold, else those of the bin on its label. */
function timesOf(
  { times, speeds: read }: Partial<ModuleFigures>,
  generation: Generation,
  speeds: readonly Speed[],
): { times?: ModuleTimes } {
  if (!read?.some(({ kind }) => kind === 'standard')) return {}
  const own = times ?? usualTimes(generation, speeds)
  return own ? { times: own } : {}
}

/** DDR3 and low-power memory come at several voltages: what sits in a machine accepts the machine's. */
function voltagesOf(
  { voltages }: Partial<ModuleFigures>,
  generation: Generation,
  machine: Machine,
  assumed: Assumed[],
): number[] {
  if (voltages) return voltages
  if (ONE_VOLTAGE.includes(generation)) return [USUAL_VOLTAGE[generation]]
  assumed.push('voltages')
  return machine.generation === generation ? [...machine.voltages] : [USUAL_VOLTAGE[generation]]
}

/** The speeds as read, with what is missing filled in: a standard one, and timings. */
function speedsOf(
  read: readonly ReadSpeed[],
  generation: Generation,
  machine: Machine,
  assumed: Assumed[],
): Speed[] {
  const profiles = read.filter(({ kind }) => kind === 'profile')
  const standard = read.filter(({ kind }) => kind === 'standard')
  if (standard.length === 0) {
    const low = LOW_STANDARD[generation]
    const known = profiles.length > 0 && low !== undefined
    assumed.push(known ? 'standardSpeed' : 'speeds')
    const dataRate = known ? low : likelyRate(machine, generation)
    standard.push({ kind: 'standard', dataRate })
  } else if (standard.some((speed) => !isTimed(speed))) assumed.push('timings')
  if (profiles.some((speed) => !isTimed(speed))) assumed.push('profileTimings')
  return [
    ...standard.map((speed) => ({ ...usualBeside(generation, speed), ...speed })),
    ...profiles.map((speed) => ({ ...besideCl(generation, speed), ...speed })),
  ]
}

const isTimed = ({ cl, trcd, trp }: ReadSpeed): boolean =>
  cl !== undefined && trcd !== undefined && trp !== undefined

/** The usual timings of a standard speed; where its CL is another than usual, tRCD and tRP go with it. */
function usualBeside(generation: Generation, { dataRate, cl }: ReadSpeed): Speed {
  const usual = usualSpeed(generation, dataRate)
  return cl === undefined || cl === usual.cl ? usual : { ...usual, cl, trcd: cl, trp: cl }
}

/** A profile's timings where only its CL is printed: tRCD and tRP as the CL, tRAS as both together. */
function besideCl(generation: Generation, { dataRate, cl }: ReadSpeed): Speed {
  const usual = usualSpeed(generation, dataRate)
  if (cl === undefined) return { ...usual, kind: 'profile' }
  return { kind: 'profile', dataRate, cl, trcd: cl, trp: cl, tras: 2 * cl }
}

function likelyRate(machine: Machine, generation: Generation): number {
  const rating = Math.max(...machine.limits.dataRates.map((row) => row.dataRate))
  const steps = STANDARD_STEPS[generation]
  return steps.findLast((step) => step <= rating) ?? (steps[0] as number)
}
