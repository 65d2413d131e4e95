import { studentQuantile } from './distributions'

/** Runs of the four configurations of two things with two states each. All runs above 0. */
export interface Grid {
  /** By state of the first and of the second: 0 is the old, 1 the new. */
  cells: [[readonly number[], readonly number[]], [readonly number[], readonly number[]]]
  better: 'higher' | 'lower'
}

export interface Effect {
  /** How many times as good the new state makes it, with the 95 % interval. */
  ratio: number
  low: number
  high: number
  /** Whether the interval leaves 1 out. */
  sure: boolean
}

export interface GridEffects {
  first: Effect
  second: Effect
  /** How much the second does more (above 1) or less with the first new than with it old. */
  interaction: Effect
}

/**
 * Main effects and interaction of a two by two grid, on logarithms, with the scatter of all four cells
 * pooled (two-way analysis of variance by contrasts of cell means). Null where a cell has fewer than two runs.
 */
export function gridEffects({ cells, better }: Grid): GridEffects | null {
  const logs = cells.map((row) =>
    row.map((runs) => runs.map((run) => (better === 'higher' ? Math.log(run) : -Math.log(run)))),
  )
  const all = logs.flat()
  if (all.some((runs) => runs.length < 2)) return null
  const mean = (runs: readonly number[]) => runs.reduce((sum, one) => sum + one, 0) / runs.length
  const freedom = all.reduce((sum, runs) => sum + runs.length - 1, 0)
  const scatter = all.reduce((sum, runs) => {
    const middle = mean(runs)
    return sum + runs.reduce((own, one) => own + (one - middle) ** 2, 0)
  }, 0)
  const error = Math.sqrt((scatter / freedom) * all.reduce((sum, runs) => sum + 1 / runs.length, 0))
  const [[oldOld, oldNew], [newOld, newNew]] = logs.map((row) => row.map(mean)) as [
    [number, number],
    [number, number],
  ]
  const quantile = studentQuantile(0.975, freedom)
  const effect = (difference: number, share: number): Effect => {
    const half = quantile * error * share
    return {
      ratio: Math.exp(difference),
      low: Math.exp(difference - half),
      high: Math.exp(difference + half),
      sure: Math.abs(difference) > half,
    }
  }
  return {
    first: effect((newOld + newNew - oldOld - oldNew) / 2, 0.5),
    second: effect((oldNew + newNew - oldOld - newOld) / 2, 0.5),
    interaction: effect(newNew - newOld - (oldNew - oldOld), 1),
  }
}
