import type { FaultCause } from './fault'
import { curedBy, effectsOfCauses, likelyAnswer, type Suspicion, shownBy } from './inference'
import { asDeepAs, isWarm, lastFilled, MISSING_SOME, PASS_UNTESTED, type Trial } from './trial'

/** Hypotheses less likely than this do not count when trials are ranked; of very many, those less likely than that. */
const NEGLIGIBLE = { usually: 3e-5, ofMany: 2e-4 }
const MANY = 20_000

/** The hypotheses that count when trials are ranked, by what they blame, and the causes that are in them. */
export interface Active {
  hypotheses: Int32Array
  /** By hypothesis of `hypotheses`: place of what it blames in `groups`; 0 where it was put right. */
  groupAt: Int32Array
  /** Parts blamed together, as places in `named`; the first, -1, is all that was put right. */
  groups: number[]
  causes: Int32Array
}

/** The hypotheses that count; `rival` is a fault that counts however unlikely it is. */
export function activeOf(suspicion: Suspicion, rival = -1): Active {
  const { chances, pairs, causeAt, causes, cured, blames } = suspicion
  const active = new Int32Array(chances.length)
  const isIn = new Uint8Array(causes.length)
  const least = chances.length > MANY ? NEGLIGIBLE.ofMany : NEGLIGIBLE.usually
  let count = 0
  for (let n = 0; n < chances.length; n += 1) {
    if ((chances[n] as number) < least) continue
    active[count++] = n
    for (let at = 2 * n; at < 2 * n + 2; at += 1) {
      const fault = pairs[at] as number
      if (fault >= 0) isIn[causeAt[fault] as number] = 1
    }
  }
  if (rival >= 0) isIn[causeAt[rival] as number] = 1
  const hypotheses = active.subarray(0, count)
  const groups = [-1]
  const places = new Map<number, number>()
  const groupAt = Int32Array.from(hypotheses, (n) => {
    if (cured[pairs[2 * n] as number] === 1) return 0
    const blamed = blames[n] as number
    const place = places.get(blamed) ?? groups.push(blamed) - 1
    places.set(blamed, place)
    return place
  })
  const inHypotheses = Int32Array.from(causes.keys()).filter((at) => isIn[at] === 1)
  return { hypotheses, groupAt, groups, causes: inHypotheses }
}

/** Expected outcomes of a trial and their information, without wrong answers. */
export interface Expectation {
  /** How likely each outcome is, by key. */
  chances: ReadonlyMap<string, number>
  /** How much it is expected to tell of the part at fault, bits. */
  bits: number
  /** How unsure its outcome is, bits. */
  unsure: number
  /** How likely it puts the fault right. */
  cures: number
  /** Expected evidence for a part against one other fault, bits: how much likelier the part makes what will be seen. */
  evidence: (group: number, against: number) => number
}

/** Weighs a trial by all active hypotheses; what it puts right is taken as right, an update is exact. */
export function expectationOf(
  suspicion: Suspicion,
  trial: Trial,
  active: Active = activeOf(suspicion),
): Expectation {
  const { shows, cured, onlyWarm, causeAt, pairs, chances } = suspicion
  const puts = new Uint8Array(suspicion.causes.length)
  for (const at of active.causes) {
    puts[at] = curedBy(suspicion, trial, suspicion.causes[at] as FaultCause) > 0 ? 1 : 0
  }
  const effects = effectsOfCauses(suspicion, trial, active.causes)
  const size = effects.all.length
  const warm = isWarm(trial)
  const keys: string[] = ['PASS']
  const keyAt = new Int32Array(size ** 2).fill(-1)
  keyAt[0] = 0
  const effectOf = (fault: number) => {
    if (fault < 0 || cured[fault] === 1 || (onlyWarm[fault] === 1 && !warm)) return 0
    const cause = causeAt[fault] as number
    return puts[cause] === 1 ? 0 : (effects.ofCause[cause] as number)
  }
  const keyOf = (first: number, second: number): number => {
    const place = effectOf(first) * size + effectOf(second)
    const known = keyAt[place] as number
    if (known >= 0) return known
    const shown = shownBy(effects, Math.floor(place / size), place % size)
    const key = asNoted(suspicion, trial, asDeepAs(trial.depth, shown))
    const at = keys.indexOf(key)
    keyAt[place] = at >= 0 ? at : keys.push(key) - 1
    return keyAt[place] as number
  }
  const { hypotheses } = active
  const shownAt = new Int32Array(hypotheses.length)
  const groupAt = active.groupAt.slice()
  let cures = 0
  for (let at = 0; at < hypotheses.length; at += 1) {
    const n = hypotheses[at] as number
    const [first, second] = [pairs[2 * n] as number, pairs[2 * n + 1] as number]
    shownAt[at] = keyOf(first, second)
    if (second >= 0 || cured[first] === 1 || puts[causeAt[first] as number] === 0) continue
    cures += chances[n] as number
    groupAt[at] = 0
  }
  const width = keys.length
  const table = new Float64Array(active.groups.length * width)
  for (let at = 0; at < hypotheses.length; at += 1) {
    const n = hypotheses[at] as number
    const row = (groupAt[at] as number) * width
    const chance = chances[n] as number
    const often = shows[pairs[2 * n] as number] as number
    const place = row + (shownAt[at] as number)
    table[place] = (table[place] as number) + chance * often
    if (often < 1) table[row] = (table[row] as number) + chance * (1 - often)
  }
  const sums = new Float64Array(width)
  let within = 0
  for (let row = 0; row < table.length; row += width) {
    let all = 0
    for (let key = 0; key < width; key += 1) {
      const chance = table[row + key] as number
      all += chance
      sums[key] = (sums[key] as number) + chance
      within += times(chance)
    }
    within -= times(all)
  }
  const unsure = sums.reduce((sum, chance) => sum - times(chance), 0)
  const bits = unsure + within
  const filled = Math.max(1, Object.keys(trial.arrangement).length)
  return {
    chances: new Map(keys.flatMap((key, at) => (sums[at] ? [[key, sums[at] as number]] : []))),
    bits: Math.max(0, bits),
    unsure,
    cures,
    evidence: (group, against) => {
      const own = table.subarray(group * width, (group + 1) * width)
      const all = own.reduce((sum, chance) => sum + chance, 0)
      const shown = keys[keyOf(against, -1)] as string
      const often = shows[against] as number
      const shares = keys.flatMap((key, at) => {
        const share = (own[at] as number) / all
        return share > 0 ? [{ key, share }] : []
      })
      // Noted with the same slips on either side, so that what both show alike tells nothing.
      return shares.reduce((sum, { key }) => {
        const here = shares.reduce(
          (noted, one) => noted + one.share * likelyAnswer(one.key, key, filled),
          0,
        )
        const there =
          often * likelyAnswer(shown, key, filled) + (1 - often) * likelyAnswer('PASS', key, filled)
        return sum + here * Math.log2(here / there)
      }, 0)
    },
  }
}

const times = (chance: number) => (chance > 0 ? chance * Math.log2(chance) : 0)

/** The outcome as it would be noted: a start without some slot as one without the last. */
function asNoted({ bench }: Suspicion, { arrangement }: Trial, shown: string): string {
  if (shown === PASS_UNTESTED) return 'PASS'
  return shown === MISSING_SOME ? `${MISSING_SOME} ${lastFilled(bench, arrangement)}` : shown
}
