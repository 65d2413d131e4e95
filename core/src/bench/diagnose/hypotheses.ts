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

/** A single fault with how much it weighs; `seen` is one that shows as the machine was brought. */
interface Weighted {
  at: number
  shows: Shows
  onlyWarm: boolean
  cured: boolean
  weight: number
  curedAt: number
  seen: boolean
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
  const effectAsBrought = effectsIn(bench, { arrangement, profile })
  const faults: Weighted[] = []
  const doubles: number[] = []
  const manners = new Map<string, Manner[]>()
  const mannersOfKind = (kind: Fault['kind']) => {
    const known = manners.get(kind) ?? mannersOf(kind, bench, causes, complaint)
    manners.set(kind, known)
    return known
  }
  for (const [at, [cause, whole]] of weighted.entries()) {
    const { kind } = cause
    const seen = kind === 'NOTHING' || effectAsBrought(cause) !== null
    const curable = CURABLE.includes(kind)
    for (const { shows, onlyWarm, share } of mannersOfKind(kind)) {
      const weight = whole * share
      const doubled = DOUBLED.includes(kind) && !(cause.kind === 'PROFILE' && cause.above > 0)
      if (shows === 1 && !onlyWarm && doubled) doubles.push(faults.length)
      const curedAt = curable ? faults.length + 1 : -1
      faults.push({ at, shows, onlyWarm, cured: false, weight, curedAt, seen })
      if (curable) {
        faults.push({ at, shows, onlyWarm, cured: true, weight: 0, curedAt: -1, seen })
      }
    }
  }
  const doubled = Int32Array.from(doubles)
  const rowAt = new Int32Array(faults.length).fill(-1)
  doubled.forEach((at, row) => {
    rowAt[at] = row
  })
  const count = faults.length + (doubled.length * (doubled.length - 1)) / 2
  const pairs = new Int32Array(2 * count).fill(-1)
  const chances = new Float64Array(count)
  const total = faults.reduce((sum, { weight }) => sum + weight, 0)
  faults.forEach(({ weight, seen }, at) => {
    pairs[2 * at] = at
    chances[at] = (weight / total) * (seen ? 1 : UNSEEN_SHARE)
  })
  const shares = Float64Array.from(doubled, (at) => (faults[at] as Weighted).weight / total)
  const seen = Uint8Array.from(doubled, (at) => Number((faults[at] as Weighted).seen))
  let n = faults.length
  for (let row = 0; row < doubled.length; row += 1) {
    const share = 2 * causes.two * (shares[row] as number)
    for (let column = row + 1; column < doubled.length; column += 1) {
      const isSeen = seen[row] === 1 || seen[column] === 1
      pairs[2 * n] = doubled[row] as number
      pairs[2 * n + 1] = doubled[column] as number
      chances[n] = share * (shares[column] as number) * (isSeen ? 1 : UNSEEN_SHARE)
      n += 1
    }
  }
  const causeAt = Int32Array.from(faults, ({ at }) => at)
  const all = weighted.map(([cause]) => cause)
  return {
    bench,
    causes: all,
    causeAt,
    shows: Float64Array.from(faults, ({ shows }) => shows),
    onlyWarm: Uint8Array.from(faults, ({ onlyWarm }) => Number(onlyWarm)),
    cured: Uint8Array.from(faults, ({ cured }) => Number(cured)),
    curedAt: Int32Array.from(faults, ({ curedAt }) => curedAt),
    curable: Int32Array.from([...faults.keys()].filter((at) => faults[at]?.curedAt !== -1)),
    doubled,
    rowAt,
    pairs,
    ...blamesOf(all, causeAt, doubled, count),
    chances: normalised(chances),
  }
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
  causeAt.forEach((cause, at) => {
    blames[at] = partAt[cause] as number
  })
  // Parts of doubled faults, one after the other, so that two of them have a place in a square.
  const partOfRow = Int32Array.from(doubled, (at) => blames[at] as number)
  const sides = new Map([...new Set(partOfRow)].map((part, at) => [part, at]))
  const sideOf = Int32Array.from(partOfRow, (part) => sides.get(part) as number)
  const square = new Int32Array(sides.size ** 2).fill(-1)
  let n = causeAt.length
  for (let row = 0; row < doubled.length; row += 1) {
    for (let column = row + 1; column < doubled.length; column += 1) {
      const a = sideOf[row] as number
      const b = sideOf[column] as number
      const place = a < b ? a * sides.size + b : b * sides.size + a
      let number = a === b ? (partOfRow[row] as number) : (square[place] as number)
      if (number === -1) {
        const parts = [partOfRow[row], partOfRow[column]].map((part) => named[part as number]?.[0])
        number = named.push((parts as string[]).sort()) - 1
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
