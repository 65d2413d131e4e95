import {
  type Buffering,
  dieGbit,
  type Finding,
  type FindingCode,
  type Machine,
  type Module,
} from '../../things/model'
import { type Fitted, totalGiB } from './fitted'

type ModuleCheck = (module: Module, machine: Machine) => boolean

/** Each is true where the module cannot work in the machine. */
const MODULE_STOPS: [FindingCode, ModuleCheck][] = [
  ['WRONG_GENERATION', (module, machine) => module.generation !== machine.generation],
  ['WRONG_FORM_FACTOR', (module, machine) => module.formFactor !== machine.formFactor],
  ['WRONG_BUFFERING', (module, machine) => !takesBuffering(machine, module.buffering)],
  [
    'WRONG_VOLTAGE',
    (module, machine) => !module.voltages.some((v) => machine.voltages.includes(v)),
  ],
  ['ECC_REFUSED', (module, machine) => module.ecc && machine.ecc === 'refused'],
  ['ECC_REQUIRED', (module, machine) => !module.ecc && machine.ecc === 'required'],
  ['SLOT_CAPACITY', (module, machine) => module.capacityGiB > machine.limits.slotGiB],
  [
    'DIE_DENSITY',
    (module, machine) =>
      machine.limits.dieGbit !== null && dieGbit(module) > machine.limits.dieGbit,
  ],
  ['X4_REFUSED', (module, machine) => machine.refusesX4 === true && isHighDensity(module)],
]

/** Whether a module is unbuffered with four bits a chip, which ordinary desktop controllers refuse. */
export const isHighDensity = ({ buffering, deviceWidth }: Module): boolean =>
  buffering === 'unbuffered' && deviceWidth === 4

/** A clocked module works in an unbuffered one's slot with its clock driver bypassed. */
function takesBuffering({ buffering }: Machine, own: Buffering): boolean {
  return buffering.includes(own) || (own === 'clocked' && buffering.includes('unbuffered'))
}

const asUnbuffered = ({ buffering }: Module): Buffering =>
  buffering === 'clocked' ? 'unbuffered' : buffering

/** Whether one voltage of the machine suits all modules in slots. */
function haveCommonVoltage({ voltages }: Machine, fitted: readonly Fitted[]): boolean {
  return voltages.some((v) =>
    fitted.every(({ slot, module }) => slot === null || module.voltages.includes(v)),
  )
}

/** Every reason why a module cannot work in any slot of the machine. */
export function moduleStops(machine: Machine, module: Module): FindingCode[] {
  return MODULE_STOPS.flatMap(([code, applies]) => (applies(module, machine) ? [code] : []))
}

/** Everything that keeps the machine from starting: by module (soldered banks are not checked), then as a whole. */
export function stops(machine: Machine, fitted: readonly Fitted[]): Finding[] {
  const findings: Finding[] = []
  const stop = (code: FindingCode, slots: string[]) =>
    findings.push({ code, severity: 'stop', slots })

  let placed = 0
  let bufferings = 0
  let first: Module | null = null
  for (const { slot, module } of fitted) {
    if (slot === null) continue
    placed += 1
    if (first === null) first = module
    if (asUnbuffered(module) !== asUnbuffered(first)) bufferings = 2
    for (const [code, applies] of MODULE_STOPS) if (applies(module, machine)) stop(code, [slot])
  }
  if (placed > 0 && !haveCommonVoltage(machine, fitted)) {
    if (findings.every(({ code }) => code !== 'WRONG_VOLTAGE')) stop('VOLTAGES_APART', [])
  }
  if (bufferings > 1) stop('BUFFERING_MIXED', [])
  if (fitted.length === 0) stop('NO_MEMORY', [])
  if (totalGiB(fitted) > machine.limits.totalGiB) stop('TOTAL_CAPACITY', [])
  if (placed > 0 && machine.soldered.length === 0) {
    for (const { id, mustFill } of machine.slots) {
      if (mustFill && !fitted.some(({ slot }) => slot === id)) stop('BOOT_SLOT_EMPTY', [id])
    }
  }
  return findings
}
