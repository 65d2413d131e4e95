import { known } from '../../things/model'
import {
  type CauseTable,
  type Fault,
  type FaultCause,
  LATER,
  MANNERS,
  SHOWS,
  type Shared,
  type Shows,
  suspectOf,
  WAYS,
  type Way,
} from './fault'
import { type Arrangement, effectsIn, type TrialBench } from './trial'

/** When the trouble came: right after a fitting or not; only when warm, and null where nobody knows. */
export interface Complaint {
  fitted: boolean
  warm: boolean | null
}

/** Trouble right after a fitting, of which nobody knows whether it comes from cold. */
export const AFTER_FITTING: Complaint = { fitted: true, warm: null }

/**
 * What may be wrong: every single fault first, then pairs of those that may be there two at once. A pair of
 * `doubled` i and j, i before j, follows row by row.
 */
export interface Hypotheses {
  bench: TrialBench
  causes: FaultCause[]
  /** By fault: which cause it is, put right or not, however often it shows. */
  causeAt: Int32Array
  /** By fault: how often it shows, 0 to 1; whether only when warm; whether it was put right. */
  shows: Float64Array
  onlyWarm: Uint8Array
  cured: Uint8Array
  /** By fault: where the same, put right, stands; -1 for one that nothing on the bench puts right. */
  curedAt: Int32Array
  /** Faults that something on the bench puts right. */
  curable: Int32Array
  /** Faults that may be there two at once; and by fault, its place among these, -1 for one that comes alone. */
  doubled: Int32Array
  rowAt: Int32Array
  /** By hypothesis: its fault, or both; the second -1 for a single one. */
  pairs: Int32Array
  /** By hypothesis: the place in `named` of the parts it blames. */
  blames: Int32Array
  /** Parts blamed together, each once. */
  named: string[][]
}

/** Kinds that may come two at once. */
const DOUBLED: readonly Fault['kind'][] = ['MODULE', 'SLOT', 'SEAT', 'PROFILE']

/** These show each time or are not there. */
const STEADY: readonly Shows[] = [1]

/** Kinds that a warm machine may bring out. */
const WARMED: readonly Fault['kind'][] = ['MODULE', 'SLOT', 'SEAT', 'PAIR', 'PROFILE', 'MACHINE']

const CURABLE: readonly Fault['kind'][] = ['SEAT', 'SETUP', 'TRAINING']

/** Everything that may be wrong with a machine that stands like this, and how likely by the table of causes. */
export function hypotheses(
  bench: TrialBench,
  arrangement: Arrangement,
  profile: boolean,
  causes: CauseTable,
  complaint: Complaint,
): Hypotheses & { chances: Float64Array } {
  const weighted = weightedCauses(bench, arrangement, profile, causes, complaint)
  const columns = singleFaults(bench, arrangement, profile, weighted, causes, complaint)
  const { causeAt, weight, seen } = columns
  const single = causeAt.length
  const doubled = Int32Array.from(columns.doubles)
  const rows = doubled.length
  const rowAt = new Int32Array(single).fill(-1)
  for (let row = 0; row < rows; row += 1) rowAt[doubled[row] as number] = row
  const count = single + (rows * (rows - 1)) / 2
  const pairs = new Int32Array(2 * count).fill(-1)
  const chances = new Float64Array(count)
  let total = 0
  for (const one of weight) total += one
  for (let at = 0; at < single; at += 1) {
    pairs[2 * at] = at
    chances[at] = ((weight[at] as number) / total) * (seen[at] === 1 ? 1 : UNSEEN_SHARE)
  }
  const shares = new Float64Array(rows)
  const seenRows = new Uint8Array(rows)
  for (let row = 0; row < rows; row += 1) {
    shares[row] = (weight[doubled[row] as number] as number) / total
    seenRows[row] = seen[doubled[row] as number] as number
  }
  let n = single
  for (let row = 0; row < rows; row += 1) {
    const share = 2 * causes.two * (shares[row] as number)
    const first = doubled[row] as number
    const isSeen = seenRows[row] === 1
    for (let column = row + 1; column < rows; column += 1, n += 1) {
      pairs[2 * n] = first
      pairs[2 * n + 1] = doubled[column] as number
      const seenShare = isSeen || seenRows[column] === 1 ? 1 : UNSEEN_SHARE
      chances[n] = share * (shares[column] as number) * seenShare
    }
  }
  const all = weighted.map(([cause]) => cause)
  const faultCauses = Int32Array.from(causeAt)
  const curedAt = Int32Array.from(columns.curedAt)
  return {
    bench,
    causes: all,
    causeAt: faultCauses,
    shows: Float64Array.from(columns.shows),
    onlyWarm: Uint8Array.from(columns.onlyWarm),
    cured: Uint8Array.from(columns.cured),
    curedAt,
    curable: curedAt.map((_, at) => at).filter((at) => curedAt[at] !== -1),
    doubled,
    rowAt,
    pairs,
    ...blamesOf(all, faultCauses, doubled, count),
    chances: normalised(chances),
  }
}

/** Single faults in columns, which are much less to make than as many objects; `doubles` may be there two at once. */
interface SingleFaults {
  causeAt: number[]
  shows: number[]
  /** 1 where so, else 0: shows only when warm, was put right, shows as the machine was brought. */
  onlyWarm: number[]
  cured: number[]
  seen: number[]
  weight: number[]
  curedAt: number[]
  doubles: number[]
}

function singleFaults(
  bench: TrialBench,
  arrangement: Arrangement,
  profile: boolean,
  weighted: readonly [FaultCause, number][],
  causes: CauseTable,
  complaint: Complaint,
): SingleFaults {
  const effectAsBrought = effectsIn(bench, { arrangement, profile })
  const manners = new Map<string, Manner[]>()
  const mannersOfKind = (kind: Fault['kind']) => {
    const known = manners.get(kind) ?? mannersOf(kind, bench, causes, complaint)
    manners.set(kind, known)
    return known
  }
  const columns: SingleFaults = {
    causeAt: [],
    shows: [],
    onlyWarm: [],
    cured: [],
    seen: [],
    weight: [],
    curedAt: [],
    doubles: [],
  }
  for (const [at, [cause, whole]] of weighted.entries()) {
    const { kind } = cause
    const seen = kind === 'NOTHING' || effectAsBrought(cause) !== null ? 1 : 0
    const curable = CURABLE.includes(kind)
    const doubles = DOUBLED.includes(kind) && !(cause.kind === 'PROFILE' && cause.above > 0)
    for (const { shows, onlyWarm, share } of mannersOfKind(kind)) {
      const place = columns.causeAt.length
      if (shows === 1 && !onlyWarm && doubles) columns.doubles.push(place)
      for (let cured = 0; cured <= (curable ? 1 : 0); cured += 1) {
        columns.causeAt.push(at)
        columns.shows.push(shows)
        columns.onlyWarm.push(onlyWarm ? 1 : 0)
        columns.cured.push(cured)
        columns.seen.push(seen)
        columns.weight.push(cured === 1 ? 0 : whole * share)
        columns.curedAt.push(curable && cured === 0 ? place + 1 : -1)
      }
    }
  }
  return columns
}

/** Every single fault, in the order of the hypotheses. */
export const faultsOf = ({ causes, causeAt, shows, onlyWarm, cured }: Hypotheses): Fault[] =>
  Array.from(causeAt, (cause, at) => ({
    ...(causes[cause] as FaultCause),
    shows: shows[at] as Shows,
    onlyWarm: onlyWarm[at] === 1,
    cured: cured[at] === 1,
  }))

/** The hypothesis of two faults, by their places among the doubled ones. */
export function placeOfTwo({ shows, doubled }: Hypotheses, row: number, other: number): number {
  const [i, j] = row < other ? [row, other] : [other, row]
  return shows.length + i * doubled.length - (i * (i + 1)) / 2 + j - i - 1
}

/** How often, and from which warmth on, a fault shows, with its share of the kind. */
interface Manner {
  shows: Shows
  onlyWarm: boolean
  share: number
}

/** Among more modules than this, pairs that come and go are too many to be held apart. */
const MANY_MODULES = 8

/** The manners in which a kind of fault shows. */
function mannersOf(
  kind: Fault['kind'],
  { modules }: TrialBench,
  { intermittent }: CauseTable,
  { warm }: Complaint,
): Manner[] {
  const isSteady = kind === 'NOTHING' || (kind === 'PAIR' && modules.length > MANY_MODULES)
  const often = isSteady ? STEADY : SHOWS
  const shareOf = (shows: Shows) =>
    often.length === 1 ? 1 : shows === 1 ? 1 - intermittent : intermittent / (SHOWS.length - 1)
  const { unknown, yes, no } = MANNERS.value.onlyWarm
  const warmed =
    WARMED.includes(kind) && !isSteady ? (warm === null ? unknown : warm ? yes : no) : 0
  return often.flatMap((shows) => [
    { shows, onlyWarm: false, share: shareOf(shows) * (1 - warmed) },
    ...(warmed > 0 ? [{ shows, onlyWarm: true, share: shareOf(shows) * warmed }] : []),
  ])
}

/** Shares of what hardly ever brings a machine in. */
export const HARDLY = known(
  {
    /** Of a fault that cannot show as the machine was brought. */
    unseen: 0.002,
    /** Of no fault at all, beside all the others together. */
    nothing: 0.002,
  },
  'A judgement: a fault that cannot show as it stands brought it only if it stood otherwise then; no fault at all, only if the first look was wrong.',
)
const { unseen: UNSEEN_SHARE, nothing: NOTHING_SHARE } = HARDLY.value

/** The ways in which a kind of fault shows, and how often each. */
const SHARES = Object.fromEntries(
  Object.entries(WAYS.value).map(([cause, ways]) => [
    cause,
    Object.entries(ways).filter(([, share]) => share > 0),
  ]),
) as Record<Shared, [Way, number][]>

function weightedCauses(
  bench: TrialBench,
  arrangement: Arrangement,
  profile: boolean,
  causes: CauseTable,
  { fitted }: Complaint,
): [FaultCause, number][] {
  const weighted: [FaultCause, number][] = []
  const later: Partial<Record<Shared, number>> = fitted ? {} : LATER.value
  const add = (cause: Shared, make: (way: Way) => FaultCause, part = 1) => {
    for (const [way, share] of SHARES[cause]) {
      weighted.push([make(way), causes[cause] * (later[cause] ?? 1) * share * part])
    }
  }
  const { modules, order } = bench
  for (const module of modules) {
    add('moduleDead', (way) => ({ kind: 'MODULE', module, way }))
    add('moduleWeak', (way) => ({ kind: 'MODULE', module, way }))
  }
  for (const slot of order) add('slot', (way) => ({ kind: 'SLOT', slot, way }))
  for (const slot of Object.keys(arrangement)) add('seat', (way) => ({ kind: 'SEAT', slot, way }))
  modules.forEach((first, at) => {
    for (const second of modules.slice(at + 1)) {
      add('pair', (way) => ({ kind: 'PAIR', modules: [first, second], way }))
    }
  })
  const most = Object.keys(arrangement).length
  if (profile) {
    const ofMany = most > 1 ? MANNERS.value.profileOfMany : 0
    add('profile', (way) => ({ kind: 'PROFILE', above: 0, way }), 1 - ofMany)
    for (let above = 1; above < most; above += 1) {
      add('profile', (way) => ({ kind: 'PROFILE', above, way }), ofMany / (most - 1))
    }
  }
  if (order.length > 1) add('order', (way) => ({ kind: 'ORDER', way }))
  for (let above = 1; above < most; above += 1) {
    add('limit', (way) => ({ kind: 'LIMIT', above, way }), 1 / (most - 1))
  }
  add('setup', (way) => ({ kind: 'SETUP', way }))
  add('training', (way) => ({ kind: 'TRAINING', way }))
  add('machine', (way) => ({ kind: 'MACHINE', way }))
  const all = weighted.reduce((sum, [, weight]) => sum + weight, 0)
  weighted.push([{ kind: 'NOTHING' }, all * NOTHING_SHARE])
  return weighted
}

function blamesOf(
  causes: readonly FaultCause[],
  causeAt: Int32Array,
  doubled: Int32Array,
  count: number,
): Pick<Hypotheses, 'blames' | 'named'> {
  const named: string[][] = []
  const single = new Map<string, number>()
  const partAt = Int32Array.from(causes, (cause) => {
    const part = suspectOf(cause)
    const known = single.get(part)
    if (known !== undefined) return known
    single.set(part, named.length)
    return named.push([part]) - 1
  })
  const blames = new Int32Array(count)
  for (let at = 0; at < causeAt.length; at += 1) {
    blames[at] = partAt[causeAt[at] as number] as number
  }
  // Parts of doubled faults, one after the other, so that two of them have a place in a square.
  const partOfRow = doubled.map((at) => blames[at] as number)
  const sides = new Map([...new Set(partOfRow)].map((part, at) => [part, at]))
  const sideOf = partOfRow.map((part) => sides.get(part) as number)
  const across = sides.size
  const square = new Int32Array(across ** 2).fill(-1)
  for (const [part, side] of sides) square[side * (across + 1)] = part
  let n = causeAt.length
  for (let row = 0; row < doubled.length; row += 1) {
    const a = sideOf[row] as number
    for (let column = row + 1; column < doubled.length; column += 1) {
      const b = sideOf[column] as number
      const place = a < b ? a * across + b : b * across + a
      let number = square[place] as number
      if (number === -1) {
        const one = (named[partOfRow[row] as number] as string[])[0] as string
        const other = (named[partOfRow[column] as number] as string[])[0] as string
        number = named.push(one < other ? [one, other] : [other, one]) - 1
        square[place] = number
      }
      blames[n++] = number
    }
  }
  return { blames, named }
}

function sumOf(chances: Float64Array): number {
  let sum = 0
  for (let n = 0; n < chances.length; n += 1) sum += chances[n] as number
  return sum
}

function scaled(chances: Float64Array, by: number): Float64Array {
  for (let n = 0; n < chances.length; n += 1) chances[n] = (chances[n] as number) * by
  return chances
}

/** Chances that add up to 1, in place; `sum` is what they add up to. */
export function normalised(chances: Float64Array, sum = sumOf(chances)): Float64Array {
  // What was seen is impossible by every hypothesis only where rounding has eaten them all.
  if (!(sum > 0)) return chances.fill(1 / chances.length)
  return scaled(chances, 1 / sum)
}
