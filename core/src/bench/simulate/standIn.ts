import { fillingOrder } from '../../judging/plan'
import {
  type Machine,
  type Module,
  STANDARD_STEPS,
  usualOrganisation,
  usualSpeed,
  usualVoltages,
} from '../../things/model'
import { random } from '../../things/random'
import { type Arrangement, type Fault, faultsOf, type Suspicion, suspectOf } from '../diagnose'
import { hide } from './hidden'
import type { SimulatedMachine } from './simulated'

/** What a stand-in has in store once its new modules are fitted. */
export const IN_STORE = ['fault', 'no-start', 'comes-and-goes', 'only-warm'] as const
export type InStore = (typeof IN_STORE)[number]

/** How a stand-in is besides: held back by its browser; keeping memory and listing slots it lacks; losing its setup. */
export const TRAITS = ['held', 'odd', 'forgets'] as const
export type Trait = (typeof TRAITS)[number]

const TRAIT: Record<Trait, Partial<SimulatedMachine>> = {
  held: { ceilingGBs: 11 },
  odd: { reservedGiB: 4, phantomSlots: 2 },
  forgets: { forgetsSetup: true },
}

/** How often a fault that comes and goes shows. */
const COMES = 0.5

/** A simulated machine that goes through a job in place of the real one: from what it is found with to what is fitted. */
export interface StandIn extends SimulatedMachine {
  /** What it was found with. */
  found: Arrangement
  /** What is hidden in it once it is fitted; null where nothing is, or where it has been. */
  inStore: InStore | null
}

/** A stand-in as it is found, with these modules in it; sound until it is fitted. */
export function standIn(
  machine: Machine,
  modules: Readonly<Record<string, Module>>,
  found: Arrangement,
  kind: InStore | Trait | null,
  seed: number,
): StandIn {
  return {
    machine,
    modules,
    found,
    hidden: soundIn(found),
    last: null,
    seed,
    inStore: IN_STORE.find((one) => one === kind) ?? null,
    ...(TRAITS.some((one) => one === kind) ? TRAIT[kind as Trait] : {}),
  }
}

/** The stand-in as it was found: sound, with noise of its own. */
export const asFound = (stand: StandIn): StandIn => ({
  ...stand,
  hidden: soundIn(stand.found),
  inStore: null,
  last: null,
  seed: stand.seed + APART,
})
const APART = 1_000_000_000

const soundIn = (arrangement: Arrangement) => {
  const modules = Object.values(arrangement)
  const bench = { order: [], mustFill: [], modules, known: [], profiles: false }
  return hide(bench, arrangement, [])
}

/** The stand-in with the modules of a plan to hand; what it has in store is hidden in it with the first plan. */
export function fittedOut(
  stand: StandIn,
  modules: Readonly<Record<string, Module>>,
  suspicion: Suspicion | null,
): StandIn {
  const withModules = { ...stand, modules: { ...stand.modules, ...modules } }
  if (!suspicion) return withModules
  const { bench, arrangement } = suspicion
  const { inStore, hidden } = stand
  if (inStore) {
    const faults = [faultFor(inStore, suspicion, stand.seed)]
    return { ...withModules, inStore: null, hidden: hide(bench, arrangement, faults) }
  }
  return { ...withModules, hidden: { ...hidden, bench } }
}

/** What is hidden in a stand-in, part by part. */
export const hiddenIn = ({ hidden }: StandIn): string[] => hidden.faults.map(suspectOf)

function faultFor(inStore: InStore, suspicion: Suspicion, seed: number): Fault {
  const { bench, arrangement } = suspicion
  const shows = inStore === 'comes-and-goes' ? COMES : 1
  const could = faultsOf(suspicion).filter(
    (fault: Fault) =>
      !fault.cured &&
      !fault.onlyWarm &&
      fault.shows === shows &&
      (inStore !== 'only-warm' || fault.kind === 'MODULE') &&
      fault.kind !== 'NOTHING' &&
      (inStore !== 'no-start' || fault.way === 'stops') &&
      !(fault.kind === 'SLOT' && arrangement[fault.slot] === undefined) &&
      !(fault.kind === 'ORDER' || (fault.kind === 'PAIR' && bench.modules.length < 3)),
  )
  const fault = could[Math.floor(random(seed)() * could.length)] as Fault
  return inStore === 'only-warm' ? { ...fault, onlyWarm: true } : fault
}

/** What a machine of which nothing is known yet may be found with: one or two usual modules, by slot. */
export function usuallyFound(machine: Machine, seed: number): Record<string, Module> {
  const chance = random(seed)
  const order = fillingOrder(machine)
  const count = Math.min(order.length, chance() < 0.5 ? 1 : 2)
  const capacityGiB = machine.generation === 'DDR5' || chance() < 0.5 ? 8 : 4
  const module = usualModule(machine, capacityGiB)
  return Object.fromEntries(order.slice(0, count).map((slot) => [slot, module]))
}

/** A plain module for a machine, at a step in the middle of its generation. */
function usualModule({ generation, formFactor }: Machine, capacityGiB: number): Module {
  const steps = STANDARD_STEPS[generation]
  const dataRate = steps[steps.length >> 1] as number
  return {
    article: 'simulated module',
    generation,
    formFactor,
    buffering: 'unbuffered',
    ecc: false,
    capacityGiB,
    ...usualOrganisation(generation, capacityGiB),
    voltages: usualVoltages(generation, dataRate),
    speeds: [usualSpeed(generation, dataRate)],
    kit: null,
  }
}
