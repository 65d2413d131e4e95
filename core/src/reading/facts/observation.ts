import { type Source, type Trust, trustIn } from '../../things/model'
import type { EccKind, ModuleFigures, RunningRate, SystemFigures, Where } from './facts'
import { realSerial } from './tradeWords'

/** A slot as a readout names it; `channel` (A, B …) and `number` where they can be told from the name. */
export interface SlotName {
  locator: string
  bank: string | null
  channel: string | null
  number: number | null
}

export interface ListedSlot extends SlotName {
  populated: boolean
}

/** Limits and slots of a machine; `slotCount` of a report counts soldered devices as well, as its tables do. */
export interface MachineFigures {
  slotCount: number
  maximumGiB: number
  errorCorrection: EccKind
  solderedGiB: number
  channelCount: number
  /** The highest rate of memory that it takes, MT/s. */
  fastestRate: number
}

/** Everything that an observation can be of, by name. */
export interface Observable extends ModuleFigures, MachineFigures, SystemFigures {
  /** Opens a module: it is there, whatever else is said of it. */
  present: true
  /** The slot that a report names for a module. */
  slot: SlotName
  /** How a module was seen to run, which is no property of it: its rate, and its voltage in V. */
  runs: RunningRate
  runsOnVolts: number
  /** Every slot that a report lists. */
  slots: ListedSlot[]
}

/**
 * One thing that an input says: of which subject, what, its value, on whose word, and where it stands. Readers make
 * nothing else. Subjects of an input are `machine`, `system` and modules by their order; the seats give a module the
 * slot's id in its place.
 */
export interface Observation<What extends keyof Observable = keyof Observable> {
  subject: string
  what: What
  value: Observable[What]
  source: Source
  where: Where | null
  /** The stored input it is from; null for the machine's record, or where nothing is stored yet. */
  input: string | null
}

export const MACHINE = 'machine'
export const SYSTEM = 'system'

const OF_MACHINE: readonly (keyof Observable)[] = [
  'slotCount',
  'maximumGiB',
  'errorCorrection',
  'channelCount',
  'fastestRate',
]

/** Trust in an observation: a source knows modules and machines differently; the record and pages speak of machines. */
export function trustOf({ what, source, input }: Observation): Trust {
  const isOfMachine = OF_MACHINE.includes(what) || source === 'page' || input === null
  return trustIn(source, isOfMachine ? 'machine' : 'module')
}

/** One subject and all that is said of it: `said` has the first value of each figure. */
export interface Subject {
  subject: string
  source: Source
  where: Where | null
  said: Partial<Observable>
  observations: Observation[]
}

/** A module that a reader begins to describe. */
export function moduleAt(source: Source, where: Where): Subject {
  const about = subjectOf('module', source, where)
  learn(about, 'present', true)
  return about
}

/** The machine, or the system that runs on it. */
export const subjectOf = (
  subject: string,
  source: Source = 'readout',
  where: Where | null = null,
): Subject => ({ subject, source, where, said: {}, observations: [] })

/**
 * Notes what is said of a subject, in place of an earlier word. Left out where nothing is known, and of a serial number
 * that is none.
 */
export function learn<What extends keyof Observable>(
  about: Subject,
  what: What,
  value: Observable[What] | null | undefined,
  where: Where | null = about.where,
  source: Source = about.source,
): void {
  if (value === null || value === undefined) return
  if (what === 'serial' && realSerial(value as string) === undefined) return
  const observation: Observation = {
    subject: about.subject,
    what,
    value,
    source,
    where,
    input: null,
  }
  if (about.said[what] === undefined) about.observations.push(observation)
  else {
    const at = about.observations.findIndex((one) => one.what === what)
    about.observations[at] = observation
  }
  about.said[what] = value
}

/** Notes several figures of a subject that stand at one place. */
export function learnAll(
  about: Subject,
  figures: { [What in keyof Observable]?: Observable[What] | undefined },
  where?: Where,
): void {
  for (const [what, value] of Object.entries(figures)) {
    learn(about, what as keyof Observable, value as never, where)
  }
}

/** Observations of several modules, each a subject of its own by its place among them. */
export function numbered(modules: readonly Subject[]): Observation[] {
  return modules.flatMap(({ observations }, at) => {
    const subject = moduleSubject(at)
    for (const one of observations) one.subject = subject
    return observations
  })
}

export const moduleSubject = (at: number): string => `module.${at}`

export const isModuleSubject = (subject: string): boolean => subject.startsWith('module.')

/** The subjects of observations in the order they are met, each with what is said of it. */
export function bySubject(observations: readonly Observation[]): Subject[] {
  const subjects = new Map<string, Subject>()
  for (const one of observations) {
    let about = subjects.get(one.subject)
    if (!about) {
      about = subjectOf(one.subject, one.source, one.where)
      subjects.set(one.subject, about)
    }
    about.observations.push(one)
    if (about.said[one.what] === undefined) about.said[one.what] = one.value as never
  }
  return [...subjects.values()]
}

/** Modules of an input, in their order. */
export const modulesRead = (observations: readonly Observation[]): Subject[] =>
  bySubject(observations.filter(({ subject }) => isModuleSubject(subject)))

/** Figures of one subject; of several lists of slots the longest, which holds empty ones too. */
export function saidOfSubject(
  observations: readonly Observation[],
  subject: string,
): Partial<Observable> {
  const own = observations.filter((one) => one.subject === subject)
  const [about] = bySubject(own)
  if (!about) return {}
  const lists = own.flatMap(({ what, value }) => (what === 'slots' ? [value as ListedSlot[]] : []))
  const [first, ...rest] = lists
  if (first)
    about.said.slots = rest.reduce((most, one) => (one.length > most.length ? one : most), first)
  return about.said
}
