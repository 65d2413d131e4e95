import {
  bySubject,
  type FormRead,
  isModuleSubject,
  moduleSubject,
  type Observable,
  type Observation,
  type Subject,
} from '../facts'

/** Formats of what a running system says of itself, beside which another counts. */
const OF_SYSTEM = ['unknown', 'system', 'clocks']

/** What several parts of one text say together: all their observations, with one subject for one module. */
export function combined(parts: readonly FormRead[]): FormRead {
  const [first] = parts
  if (first && parts.length === 1) return first
  const formats = new Set(parts.map(({ format }) => format))
  for (const one of OF_SYSTEM) formats.delete(one as FormRead['format'])
  const [format = 'system', another] = formats
  const observations = parts.reduce<Observation[]>(
    (all, part) => joined(all, part.observations),
    [],
  )
  const isAnyModule = observations.some(({ what }) => what === 'present')
  const said = parts.flatMap(({ problems }) => problems)
  return {
    format: another ? 'mixed' : format,
    observations,
    // A part without memory says nothing where another has some.
    problems: said.filter(({ code }) => code !== 'NO_MEMORY_IN_TABLE' || !isAnyModule),
  }
}

/**
 * The observations of a further part behind those before. Two reports of one machine name the same modules: what the
 * second says of one is said of the first's.
 */
function joined(all: readonly Observation[], more: readonly Observation[]): Observation[] {
  const before = bySubject(all.filter(isOfModule))
  const added = bySubject(more.filter(isOfModule))
  const left = new Set(before)
  const sames = new Map<string, Subject>()
  let next = before.length
  const names = new Map<string, string>()
  for (const [at, one] of added.entries()) {
    const same = [...left].find((other) => isSame(other, one)) ?? inPlace(before, added, at, left)
    if (same) {
      left.delete(same)
      sames.set(one.subject, same)
    } else {
      names.set(one.subject, moduleSubject(next))
      next += 1
    }
  }
  const behind = more.flatMap((one) => {
    const same = sames.get(one.subject)
    if (!same) return { ...one, subject: names.get(one.subject) ?? one.subject }
    return isNews(one, same) ? { ...one, subject: same.subject } : []
  })
  // A name of a slot takes the place of none.
  const renamed = new Set(behind.flatMap(({ what, subject }) => (what === 'slot' ? [subject] : [])))
  const kept = all.filter(({ what, subject }) => what !== 'slot' || !renamed.has(subject))
  return [...kept, ...behind]
}

const isOfModule = ({ subject }: Observation): boolean => isModuleSubject(subject)

/** Whether something was not said of a module before: a figure, another value of it, or the name of its slot. */
function isNews({ what, value }: Observation, { said }: Subject): boolean {
  if (what === 'slot') return said.slot === undefined || said.slot.locator === ''
  return JSON.stringify(said[what]) !== JSON.stringify(value)
}

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
