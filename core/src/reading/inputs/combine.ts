import type { MachineReading, ModuleFigures, ModuleReading, PartReading } from '../facts'

/**
 * What several parts of one text say together. Two reports of one machine name the same modules: those
 * are taken together, each figure from the part that has it first.
 */
export function combined(parts: readonly PartReading[]): PartReading {
  const [first] = parts
  if (first && parts.length === 1) return first
  const formats = new Set(parts.map(({ format }) => format))
  formats.delete('unknown')
  formats.delete('system')
  formats.delete('clocks')
  const machines = parts.flatMap(({ machine }) => machine ?? [])
  const systems = parts.flatMap(({ system }) => system ?? [])
  const modules = parts.reduce<ModuleReading[]>((all, part) => joined(all, part.modules), [])
  const said = parts.flatMap(({ problems }) => problems)
  return {
    format:
      formats.size === 1
        ? ([...formats][0] as PartReading['format'])
        : formats.size === 0
          ? 'system'
          : 'mixed',
    modules,
    machine: machines.length > 0 ? machineOf(machines) : null,
    system: systems.length > 0 ? Object.assign({}, ...systems.reverse()) : null,
    // A part without memory says nothing where another has some.
    problems: said.filter(({ code }) => code !== 'NO_MEMORY_IN_TABLE' || modules.length === 0),
  }
}

/** Each figure from the part that has it first; of the slots the longer list, which knows empty ones too. */
function machineOf(machines: readonly MachineReading[]): MachineReading {
  const all = Object.assign({}, ...machines.toReversed()) as MachineReading
  const longest = machines.reduce((most, one) =>
    one.slots.length > most.slots.length ? one : most,
  )
  const places = Object.assign({}, ...machines.toReversed().map((one) => one.places))
  return { ...all, slots: longest.slots, places }
}

function joined(all: readonly ModuleReading[], more: readonly ModuleReading[]): ModuleReading[] {
  const left = new Set(all)
  const added: ModuleReading[] = []
  for (const [at, one] of more.entries()) {
    const same = [...left].find((other) => isSame(other, one)) ?? inPlace(all, more, at, left)
    if (!same) {
      added.push(one)
      continue
    }
    left.delete(same)
    fill(same, one)
  }
  return [...all, ...added]
}

/** One module by its serial number, else by the slot's name. Contents and labels are kept for themselves. */
function isSame(a: ModuleReading, b: ModuleReading): boolean {
  if (a.source !== 'readout' || b.source !== 'readout' || contradict(a, b)) return false
  const [x, y] = [a.module.serial, b.module.serial]
  if (x !== undefined && y !== undefined) return x === y && sameName(a, b) !== false
  return sameName(a, b) === true
}

/** Null where one of the two has no name. */
function sameName({ slot: a }: ModuleReading, { slot: b }: ModuleReading): boolean | null {
  if (!a || !b || a.locator === '' || b.locator === '') return null
  return a.locator === b.locator && (a.bank === null || b.bank === null || a.bank === b.bank)
}

/** The module at the same place of a list as long, where nothing else tells and nothing contradicts. */
function inPlace(
  all: readonly ModuleReading[],
  more: readonly ModuleReading[],
  at: number,
  left: ReadonlySet<ModuleReading>,
): ModuleReading | undefined {
  const one = more[at] as ModuleReading
  const other = all[at]
  if (!other || all.length !== more.length || !left.has(other)) return undefined
  const told = sameName(other, one) !== null || (one.module.serial && other.module.serial)
  const readouts = other.source === 'readout' && one.source === 'readout'
  const part = one.module.partNumber === other.module.partNumber
  return readouts && part && !told && !contradict(other, one) ? other : undefined
}

const TELLING = ['capacityGiB', 'generation', 'partNumber'] as const

function contradict({ module: a }: ModuleReading, { module: b }: ModuleReading): boolean {
  return TELLING.some(
    (what) => a[what] !== undefined && b[what] !== undefined && a[what] !== b[what],
  )
}

function fill(into: ModuleReading, from: ModuleReading): void {
  for (const what of Object.keys(from.module) as (keyof ModuleFigures)[]) {
    if (into.module[what] !== undefined) continue
    Object.assign(into.module, { [what]: from.module[what] })
    into.places = { ...into.places, [what]: from.places[what] ?? from.where }
  }
  if (into.slot?.locator === '' || !into.slot) into.slot = from.slot
  into.observed ??= from.observed
  into.observedVolts ??= from.observedVolts
}
