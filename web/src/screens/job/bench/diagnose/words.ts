import type { CureStep, Lack, Unseen } from '@tembrix/core/bench/diagnose'
import { tidy } from '../../../../base/format'

/** Never quite sure: an answer may have been wrong. */
export const chancePercent = (chance: number) =>
  chance > 0.995 ? 'over 99 %' : `${tidy(chance * 100, 0)} %`

/** Acts that put something right, as they follow "since". */
export const DONE_WORDS: Record<CureStep, string> = {
  reseat: 'every module was seated again',
  'clear-setup': 'the setup was cleared',
  wait: 'the start was given all the time training takes',
  clean: 'the contacts were cleaned',
  connect: 'the other connectors were pressed home',
}

/** Faults that the trials made leave possible. */
export const UNSEEN_WORDS: Record<Unseen, string> = {
  RARE: 'a fault that shows in fewer than one trial of three',
  ONLY_WARM: 'a fault that shows only when the machine is warm',
}

export const LACK_WORDS: Record<Lack, string> = {
  KNOWN_MODULE:
    'A module known to be good would tell: one of the shelf that was tested, or the old one.',
  ANOTHER_SLOT:
    'With one slot only, the slot cannot be told from the board: try the module elsewhere.',
}
