import {
  bySubject,
  type Format,
  type FormRead,
  isModuleSubject,
  moduleSubject,
  type Observable,
  type Observation,
  type SlotName,
  type Subject,
} from '../facts'

/** Reading of several parts of one text: all their observations, with one subject for one module. */
export function combined(parts: readonly FormRead[]): FormRead {
  const [first] = parts
  if (first && parts.length === 1) return first
  const text: Text = { observations: [], modules: [] }
  for (const part of parts) join(text, part.observations)
  const { observations } = text
  const isAnyModule = observations.some(({ what }) => what === 'present')
  const said = parts.flatMap(({ problems }) => problems)
  return {
    format: formatOf(parts),
    observations,
    // A part without memory says nothing where another has some.
    problems: said.filter(({ code }) => code !== 'NO_MEMORY_IN_TABLE' || !isAnyModule),
  }
}

/** Format of a text of several parts; figures of a running system do not count beside another. */
function formatOf(parts: readonly FormRead[]): Format {
  const known = new Set(parts.map(({ format }) => format))
  known.delete('unknown')
  if (known.size === 0) return 'unknown'
  known.delete('system')
  known.delete('clocks')
  const [format = 'system', another] = known
  return another ? 'mixed' : format
}

/** Observations of the parts before, and the modules they are of. */
interface Text {
  observations: Observation[]
  modules: Subject[]
}

/**
 * Puts the observations of a further part behind those before. Two reports of one machine name the same modules: what
 * the second says of one is said of the first's.
 */
function join(text: Text, more: readonly Observation[]): void {
  const before = [...text.modules]
  const added = bySubject(more.filter(isOfModule))
  const left = new Set(before)
  for (const [at, one] of added.entries()) {
    const same = [...left].find((other) => isSame(other, one)) ?? inPlace(before, added, at, left)
    if (same) {
      left.delete(same)
      addTo(same, one, text)
      continue
    }
    const subject = moduleSubject(text.modules.length)
    for (const observation of one.observations) observation.subject = subject
    text.modules.push({ ...one, subject })
    text.observations.push(...one.observations)
  }
  text.observations.push(...more.filter((one) => !isOfModule(one)))
}

/** Says of a module what another report says of it: further figures, other values, and the name of its slot where it has none. */
function addTo(same: Subject, one: Subject, text: Text): void {
  for (const observation of one.observations) {
    const { what, value } = observation
    const known = same.said[what]
    if (what === 'slot') {
      if (same.said.slot && same.said.slot.locator !== '') continue
      text.observations = text.observations.filter(
        (other) => other.subject !== same.subject || other.what !== 'slot',
      )
      same.said.slot = observation.value as SlotName
    } else if (known === undefined) same.said[what] = value as never
    else if (known === value || JSON.stringify(known) === JSON.stringify(value)) continue
    text.observations.push({ ...observation, subject: same.subject })
  }
}

const isOfModule = ({ subject }: Observation): boolean => isModuleSubject(subject)

/** One module by its serial number, else by the slot's name. Contents and labels are kept for themselves. */
function isSame(a: Subject, b: Subject): boolean {
  if (a.source !== 'readout' || b.source !== 'readout' || contradict(a, b)) return false
  const [x, y] = [a.said.serial, b.said.serial]
  if (x !== undefined && y !== undefined) return x === y && sameName(a, b) !== false
  return sameName(a, b) === true
}

/** Null where one of the two has no name. */
function sameName(one: Subject, other: Subject): boolean | null {
  const [a, b] = [one.said.slot, other.said.slot]
  if (!a || !b || a.locator === '' || b.locator === '') return null
  return a.locator === b.locator && (a.bank === null || b.bank === null || a.bank === b.bank)
}

/** The module at the same place of a list as long, where nothing else tells and nothing contradicts. */
function inPlace(
  all: readonly Subject[],
  more: readonly Subject[],
  at: number,
  left: ReadonlySet<Subject>,
): Subject | undefined {
  const one = more[at] as Subject
  const other = all[at]
  if (!other || all.length !== more.length || !left.has(other)) return undefined
  const told = sameName(other, one) !== null || (one.said.serial && other.said.serial)
  const readouts = other.source === 'readout' && one.source === 'readout'
  const part = one.said.partNumber === other.said.partNumber
  return readouts && part && !told && !contradict(other, one) ? other : undefined
}

const TELLING = ['capacityGiB', 'generation', 'partNumber'] as const satisfies (keyof Observable)[]

function contradict({ said: a }: Subject, { said: b }: Subject): boolean {
  return TELLING.some(
    (what) => a[what] !== undefined && b[what] !== undefined && a[what] !== b[what],
  )
}
