import { known } from '../../things/model'
import type { MemoryState } from './memoryState'
import { DRAWS } from './sample'
import type { Work } from './works'

/** What a change of memory was measured to bring on one of the shop's jobs, where nothing paged. */
export interface ShopResult {
  work: Work
  before: MemoryState
  after: MemoryState
  /** Times as fast, with the interval it was measured with. */
  ratio: number
  low: number
  high: number
}

export const LEARNING = known(
  {
    /** What one machine, and one program of a kind, differ from another by: of the logarithm. */
    differsBy: 0.04,
    /** However many results there are, they weigh as much as so many. */
    atMost: 4,
  },
  'Programs of one kind of work differ, and machines do: many results say what is usual, not what the next machine does.',
)

/** An interval of 95 % is so many errors wide. */
const WIDTH = 2 * 1.96

/**
 * Which of the draws to take, in place of each once, so that those that agree with what was measured come
 * more often (importance weights, drawn systematically). `predicted` gives what each draw says of a result.
 */
export function drawsBy(
  results: readonly ShopResult[],
  predicted: (result: ShopResult) => Float64Array,
): readonly number[] | null {
  if (results.length === 0) return null
  const { differsBy, atMost } = LEARNING.value
  const share = Math.min(1, atMost / results.length)
  const logs = new Float64Array(DRAWS)
  for (const result of results) {
    const said = predicted(result)
    const error = Math.log(result.high / result.low) / WIDTH
    const variance = error ** 2 + differsBy ** 2
    const measured = Math.log(result.ratio)
    for (let draw = 0; draw < DRAWS; draw += 1) {
      const off = Math.log(said[draw] as number) - measured
      logs[draw] = (logs[draw] as number) - (share * off ** 2) / (2 * variance)
    }
  }
  const best = Math.max(...logs)
  const weights = logs.map((log) => Math.exp(log - best))
  const sum = weights.reduce((all, one) => all + one, 0)
  const chosen: number[] = []
  let [passed, at] = [weights[0] as number, 0]
  for (let draw = 0; draw < DRAWS; draw += 1) {
    const place = ((draw + 0.5) / DRAWS) * sum
    while (passed < place && at < DRAWS - 1) {
      at += 1
      passed += weights[at] as number
    }
    chosen.push(at)
  }
  return chosen
}
