import { halfWidth } from './compare'
import type { Session } from './session'
import { type FigureKind, sidesOf } from './sides'

/** Sessions of the four configurations of two things with two states each. */
export interface Grid extends FigureKind {
  /** By state of the first and of the second: 0 is the old, 1 the new. */
  cells: [[readonly Session[], readonly Session[]], [readonly Session[], readonly Session[]]]
}

export interface ChangeEffect {
  /** How many times as good the new state makes it, with the 95 % interval. */
  ratio: number
  low: number
  high: number
  /** Whether the interval leaves 1 out. */
  sure: boolean
}

export interface GridEffects {
  first: ChangeEffect
  second: ChangeEffect
  /** How much the second does more (above 1) or less with the first new than with it old. */
  interaction: ChangeEffect
}

/**
 * Main effects and interaction of a two by two grid: contrasts of the four centres, on logarithms, with
 * sessions, not runs, as the unit. Null where a cell has fewer than two runs.
 */
export function gridEffects({ cells, ...about }: Grid): GridEffects | null {
  const { sides } = sidesOf(cells.flat(), about)
  if (sides.some(({ count }) => count < 2)) return null
  const [oldOld, oldNew, newOld, newNew] = sides.map(({ centre }) => centre) as [
    number,
    number,
    number,
    number,
  ]
  const whole = halfWidth(
    sides,
    sides.reduce((sum, { variance }) => sum + variance, 0),
  )
  const effect = (difference: number, share: number): ChangeEffect => {
    const half = whole * share
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
