import { fillingOrder } from '../../judging/plan'
import { firstStart, type Trained } from '../../things/knowledge'
import type { Machine } from '../../things/model'
import { type Assignment, type LabourTable, movesOf } from '../../things/records'
import type { SoakPlan } from '../soak'
import { type BenchWork, type StepDetails, type Ways, workOn } from './bench'
import { cautionsOf } from './cautions'
import type { BenchState } from './condition'
import { type Openness, type Setup, setupOf } from './setup'
import type { FittingStep, StepSubject } from './step'

export interface FittingInput extends Openness {
  machine: Machine
  found: Assignment
  planned: Assignment
  /** What the machine should hold and run at after; null where that is not known. */
  expected: { gib: number; dataRate: number } | null
  /** The memory profile is to be switched on. */
  profile: boolean
  /** What is set by hand in the setup: a speed, and the timings it then runs at. */
  setByHand: Pick<StepSubject, 'dataRate' | 'timings'> | null
  /** It runs with a profile now, which is off while modules change. */
  profileNow: boolean
  /** The firmware is to be updated first. */
  firmwareFirst: boolean
  /** The planned modules, as far as they decide how long the first start takes. */
  trained: Trained
  /** The machine holds more after than before. */
  grows: boolean
  /** The test before it is handed over. */
  soak: SoakPlan
  /** Graphics memory to be set, GiB of the main memory; null where it stays as it is. */
  graphicsGiB: number | null
  /** Modules that keep what they hold without power. */
  nonVolatile: readonly string[]
  /** It starts as it came. */
  starts: boolean
  /** What the record of this model says. */
  cautions: readonly string[]
  openingMinutes: number | null
  table: LabourTable
}

/** A machine as it comes to the bench. */
export const asItComes = ({ battery }: Setup, starts: boolean): BenchState => ({
  running: true,
  inSystem: starts,
  starts,
  plugged: true,
  battery: battery === 'none' ? 'none' : 'live',
  drained: false,
  grounded: null,
  lying: false,
  opened: 0,
  seated: true,
  tested: starts,
  riskAgreed: false,
  driveOut: false,
  restored: true,
})

/**
 * Every step of the work at the bench, in order: cautions to acknowledge, the machine made safe,
 * opened, modules out (what is filled last first) and in (in filling order), a first start into the setup and a
 * short test while it is still open, closed in reverse, started; the customer's system last, once a test has
 * passed. Where no module moves, only what the setup needs. The minutes add up to the labour.
 */
export function fittingSteps(input: FittingInput): FittingStep[] {
  const { machine, found, planned, profile } = input
  const setup = setupOf(machine, input)
  const inside = movesOf(found, planned).moves > 0
  const set = profile || input.setByHand !== null || input.graphicsGiB !== null
  if (!inside && !set) return []
  const work = workOn(setup, asItComes(setup, input.starts), openingOf(input, setup))
  for (const code of cautionsOf(setup, inside)) work.do(code)
  if (inside) for (const text of input.cautions) work.do('CAUTION_MODEL', { about: { text } })
  prepare(work, input, setup, inside)
  if (inside) {
    moveModules(work, input, setup)
    tryOpen(work, input, setup)
    work.during('close')
    close(work, setup)
  }
  work.during('start')
  if (inside) work.do('START')
  if (set) inSetup(work, input)
  inSystem(work, input, inside)
  const { about, ...from } = testMedium(setup)
  const { passes, warm, hours } = input.soak
  const soak = { ...about, passes, warm, wait: { low: hours.low * 60, high: hours.high * 60 } }
  work.do('STABILITY', {
    ...from,
    about: soak,
    work: 'stability',
    minutes: input.table.stability,
  })
  return work.steps
}

/** Firmware or a value of the setup is changed. */
const changesSetup = ({
  firmwareFirst,
  profileNow,
  profile,
  setByHand,
  graphicsGiB,
}: FittingInput): boolean =>
  firmwareFirst || profileNow || profile || setByHand !== null || graphicsGiB !== null

function prepare(work: BenchWork, input: FittingInput, { battery }: Setup, inside: boolean): void {
  work.do('BACKUP')
  work.do('KEY_AT_HAND')
  if (input.starts) {
    if (inside) work.do('ERRORS_BEFORE')
    if (changesSetup(input)) {
      work.do('ENCRYPTION_SUSPENDED')
      work.do('SETUP_NOTED')
    }
  }
  if (input.firmwareFirst) work.do('FIRMWARE_UPDATE')
  if (!inside) return
  for (const slot of slotsEmptied(input)) {
    const moduleId = input.found[slot]?.moduleId as string
    if (!input.nonVolatile.includes(moduleId)) continue
    work.do('ERASE_NONVOLATILE', { slots: [slot], about: { moduleId } })
  }
  const { profileName } = input.machine
  if (input.profileNow) work.do('PROFILE_OFF', profileName ? { about: { text: profileName } } : {})
  if (battery === 'plug' || battery === 'setup') work.do('CHARGE_LOW')
}

/** Whether a slot's module is the same after as before. */
function stays({ found, planned }: FittingInput, slot: string): boolean {
  const [was, is] = [found[slot], planned[slot]]
  return !!was && !!is && was.moduleId === is.moduleId && was.unit === is.unit
}

/** Slots whose module is taken out, what is filled last first. */
const slotsEmptied = (input: FittingInput): string[] =>
  [...fillingOrder(input.machine)]
    .reverse()
    .filter((slot) => input.found[slot] && !stays(input, slot))

function moveModules(work: BenchWork, input: FittingInput, { fastening }: Setup): void {
  const { machine, found, planned, table } = input
  const order = fillingOrder(machine)
  const into = order.filter((slot) => planned[slot] && !stays(input, slot))
  const cameFrom = (moduleId: string) =>
    Object.keys(found).find((slot) => found[slot]?.moduleId === moduleId)
  const labour = { work: 'module', minutes: table.module } as const
  const tools = toolsFor(fastening)
  for (const slot of slotsEmptied(input)) {
    const about = { moduleId: found[slot]?.moduleId as string, fastening }
    work.do('TAKE_OUT', { slots: [slot], about, tools, ...labour })
  }
  if (into.length === 0) return
  if (fastening === 'latches' || fastening === 'latch-one-end') {
    work.do('LATCHES_OPEN', { slots: into, about: { fastening } })
  }
  for (const slot of into) {
    const moduleId = planned[slot]?.moduleId as string
    const from = cameFrom(moduleId)
    const about = { moduleId, fastening, ...(from ? { from } : {}) }
    work.do('PUT_IN', { slots: [slot], about, tools, ...labour })
  }
  work.do('SEATED', { slots: into, about: { fastening } })
}

/** Source and tools of a test, for its step. */
export const testMedium = ({ testFrom }: Setup): Pick<StepDetails, 'about' | 'tools'> => ({
  about: { testFrom },
  tools: testFrom === 'medium' ? ['test-medium'] : [],
})

export const toolsFor = (fastening: Setup['fastening']): FittingStep['tools'] =>
  fastening === 'screws' ? ['screwdriver-torque'] : []

/** Closing is the long part on many machines: what is wrong is better seen before it. */
function tryOpen(
  work: BenchWork,
  { machine, trained, expected, table }: FittingInput,
  setup: Setup,
): void {
  if (setup.testFrom === 'drive') work.do('DRIVE_OUT')
  work.during('try')
  const wait = firstStart(trained)
  // The quote charges no less than the step waits for.
  const minutes = Math.max(table.firstStart, Math.ceil(wait.high))
  work.do('FIRST_START', { about: { wait }, work: 'firstStart', minutes })
  if (setup.inTheWay.includes('cooler')) work.do('COOLER_SEEN')
  work.do('SEEN', { about: expected ?? {} })
  if (machine.kind === 'workstation' && machine.ecc !== 'ignored') {
    work.do('ERROR_CORRECTION_NOTED')
  }
  work.do('SHORT_TEST', testMedium(setup))
  if (setup.testFrom === 'drive') work.do('DRIVE_IN')
}

/** The customer's system, once what is in the machine has passed a test. */
function inSystem(work: BenchWork, input: FittingInput, inside: boolean): void {
  work.do('SEEN_SYSTEM', { about: input.expected ?? {} })
  if (inside) work.do('ERRORS_AFTER')
  if (input.grows) work.do('FILES_FIT')
  if (changesSetup(input)) work.do('ENCRYPTION_RESUMED')
}

/** Puts back what is still off, and the battery pack. */
export function close(work: BenchWork, { battery, way }: Setup): void {
  for (let at = work.state.opened - 1; at >= 0; at -= 1) work.close()
  if (battery === 'pack' && way.length > 0) work.do('PACK_IN')
}

/** Steps of a change in the setup; its values as found were written down first. */
function inSetup(work: BenchWork, input: FittingInput): void {
  const { table, profile, setByHand, graphicsGiB } = input
  const labour = { work: 'profile', minutes: table.profile } as const
  const { profileName } = input.machine
  const named = profileName ? { about: { text: profileName } } : {}
  if (profile) work.do('PROFILE_ON', { ...labour, ...named })
  if (setByHand) work.do('SET_BY_HAND', { about: setByHand, ...(profile ? {} : labour) })
  if (graphicsGiB !== null) {
    const first = !profile && !setByHand
    work.do('GRAPHICS_SET', { about: { gib: graphicsGiB }, ...(first ? labour : {}) })
  }
}

/** The minutes of opening and closing, spread over the removals; the larger half opens. */
function openingOf({ machine, openingMinutes, table }: FittingInput, setup: Setup): Ways {
  const { way, behindDisplay } = setup
  const usual = behindDisplay ? table.display : table.open[machine.kind]
  const timed = way.filter(({ off }) => off !== 'BATTERY_OFF').length * 2
  const total = openingMinutes ?? usual
  const each = Math.floor(total / timed)
  const larger = total - each * timed
  let place = 0
  const minutes = way.map(({ off }) => {
    if (off === 'BATTERY_OFF') {
      return { off: Math.ceil(table.battery / 2), on: Math.floor(table.battery / 2) }
    }
    const one = () => {
      place += 1
      return each + (place <= larger ? 1 : 0)
    }
    return { off: one(), on: one() }
  })
  const done = new Set<string>()
  return ({ off, tools }, at, opening) => {
    // Only the first time counts: what is put back for a start is not charged again.
    const key = `${at} ${opening}`
    const first = !done.has(key)
    done.add(key)
    const own = minutes[at]?.[opening ? 'off' : 'on'] ?? 0
    const part = off === 'BATTERY_OFF' ? ('battery' as const) : ('open' as const)
    return { tools, work: part, minutes: first ? own : 0 }
  }
}
