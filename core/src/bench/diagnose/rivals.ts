import { known } from '../../things/model'
import type { Suspicion } from './inference'
import type { TrialBench } from './trial'

/** How many times likelier than by anything else what was seen has to be. */
export const TIMES = known(
  {
    /** To name a part, for each module and each slot there is. */
    aPart: 15,
    /** To call it put right. */
    cured: 14,
  },
  'A judgement, held against simulated machines: with it a board that fails now and then is mistaken for a module or slot in fewer than one case of twenty, whichever parts were tried. Each part there is is one more chance of a mistake. A cure is believed sooner: the test before hand-over follows, and no part is thrown away.',
)

/** How many times likelier than by its rivals an explanation has to make what was seen. */
export const timesNeeded = ({ modules, order }: TrialBench, isCured: boolean): number =>
  isCured ? TIMES.value.cured : TIMES.value.aPart * (modules.length + order.length)

/** A fault that makes the first symptom less likely than this is no rival. */
const FAR_FETCHED = 0.1

/** How much likelier everything seen since the first symptom is by one explanation than by its strongest rival. */
export interface Odds {
  times: number
  /** The strongest rival: a fault, put right where it is likelier so; -1 where there is none. */
  rival: number
}

/** An explanation: by hypothesis whether it is one of it. */
export type Explanation = (hypothesis: number) => boolean

/**
 * Odds of an explanation against its strongest rival. Each other fault, however often it shows, is a rival of its
 * own, so that no fault of this kind is mistaken for the explanation more often than once in so many machines that
 * have it, however rare it is (a likelihood ratio stays below its bound as often as that: Ville's inequality).
 * `began` is the suspicion after the first symptom.
 */
export function oddsOf(
  now: Suspicion,
  began: Suspicion,
  isOwn: Explanation,
  isCured = false,
): Odds {
  const { shows, cured, curedAt } = now
  const likelySince = (at: number) => {
    const righted = curedAt[at] as number
    const likely = (now.alone[at] as number) + (righted < 0 ? 0 : (now.alone[righted] as number))
    return likely / (began.alone[at] as number)
  }
  const own = new Map<number, { likely: number; weight: number }>()
  let [strongest, rival] = [0, -1]
  for (let at = 0; at < shows.length; at += 1) {
    if (cured[at] === 1 || (began.alone[at] as number) < FAR_FETCHED) continue
    const likely = likelySince(at)
    if (isOwn(at)) {
      const cause = isCured ? 0 : (now.causeAt[at] as number)
      const sum = own.get(cause) ?? { likely: 0, weight: 0 }
      const was = began.chances[at] as number
      own.set(cause, { likely: sum.likely + was * likely, weight: sum.weight + was })
    } else if (likely > strongest) {
      const righted = curedAt[at] as number
      strongest = likely
      rival =
        righted >= 0 && (now.alone[righted] as number) > (now.alone[at] as number) ? righted : at
    }
  }
  if (rival < 0) return { times: Number.POSITIVE_INFINITY, rival }
  if (own.size === 0) return { times: timesOfTwo(now, began, isOwn, rival), rival }
  const best = Math.max(...[...own.values()].map(({ likely, weight }) => likely / weight))
  return { times: best / strongest, rival }
}

/** Of two faults together: by how much their chance grew, against how the rival's did. */
function timesOfTwo(now: Suspicion, began: Suspicion, isOwn: Explanation, rival: number): number {
  let [after, before] = [0, 0]
  for (let n = now.shows.length; n < now.chances.length; n += 1) {
    if (!isOwn(n)) continue
    after += now.chances[n] as number
    before += began.chances[n] as number
  }
  const grown = (now.chances[rival] as number) / Math.max(began.chances[rival] as number, 1e-12)
  return after / before / grown
}
