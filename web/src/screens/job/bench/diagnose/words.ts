import { tidy } from '../../../../base/format'

/** Never quite sure: an answer may have been wrong. */
export const chancePercent = (chance: number) =>
  chance > 0.995 ? 'over 99 %' : `${tidy(chance * 100, 0)} %`
