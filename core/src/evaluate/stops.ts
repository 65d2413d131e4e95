import {
  type Buffering,
  dieGbit,
  type Finding,
  type FindingCode,
  type Machine,
  type Module,
} from '../model'
import { distinct, type Fitted, totalGiB } from './fitted'

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
]

/** A clocked module works in an unbuffered one's slot with its clock driver bypassed. */
function takesBuffering({ buffering }: Machine, own: Buffering): boolean {
  return buffering.includes(own) || (own === 'clocked' && buffering.includes('unbuffered'))
}

const asUnbuffered = ({ buffering }: Module): Buffering =>
  buffering === 'clocked' ? 'unbuffered' : buffering

/** Whether one voltage of the machine suits all modules. */
function haveCommonVoltage({ voltages }: Machine, modules: readonly Module[]): boolean {
  return voltages.some((v) => modules.every((module) => module.voltages.includes(v)))
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

  const placed = fitted.filter(({ slot }) => slot !== null)
  for (const { slot, module } of placed) {
    for (const code of moduleStops(machine, module)) stop(code, [slot as string])
  }

  const modules = placed.map(({ module }) => module)
  const apart = findings.every(({ code }) => code !== 'WRONG_VOLTAGE')
  if (apart && modules.length > 0 && !haveCommonVoltage(machine, modules)) {
    stop('VOLTAGES_APART', [])
  }
  if (distinct(modules.map(asUnbuffered)) > 1) stop('BUFFERING_MIXED', [])
  if (fitted.length === 0) stop('NO_MEMORY', [])
  if (totalGiB(fitted) > machine.limits.totalGiB) stop('TOTAL_CAPACITY', [])
  if (placed.length > 0 && machine.soldered.length === 0) {
    const filled = new Set(placed.map(({ slot }) => slot))
    for (const { id, mustFill } of machine.slots) {
      if (mustFill && !filled.has(id)) stop('BOOT_SLOT_EMPTY', [id])
    }
  }
  return findings
}
