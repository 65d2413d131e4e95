import { dieGbit, type Finding, type FindingCode, type Machine, type Module } from '../model'
import { distinct, type Fitted, totalGiB } from './fitted'

type ModuleCheck = (module: Module, machine: Machine) => boolean

/** Each is true where the module cannot work in the machine. */
const MODULE_STOPS: [FindingCode, ModuleCheck][] = [
  ['WRONG_GENERATION', (module, machine) => module.generation !== machine.generation],
  ['WRONG_FORM_FACTOR', (module, machine) => module.formFactor !== machine.formFactor],
  ['WRONG_BUFFERING', (module, machine) => !machine.buffering.includes(module.buffering)],
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

  if (distinct(placed.map(({ module }) => module.buffering)) > 1) stop('BUFFERING_MIXED', [])
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
