import {
  type FaultSearch,
  isIn,
  isUnseen,
  meanings,
  type Proposal,
  type Trial,
} from '@tembrix/core/bench/diagnose'
import { partsWords } from '../../base/trials'
import { partAsSubject } from './missingWords'

/** Why a trial is proposed, in one sentence. */
export function reasonOf(
  search: FaultSearch,
  { trial, why }: Pick<Proposal, 'trial' | 'why'>,
  name: (module: string) => string,
): string {
  const { trials, leading } = search
  switch (why) {
    case 'SEE_AGAIN':
      return isUnseen(trials)
        ? 'Nothing wrong has been seen yet: until it has, nothing is touched, since a module that is seated again may be put right and nobody would know what was wrong.'
        : 'It was seen once only: before anything is touched it is looked for once more, since a machine may be sound after all.'
    case 'CURE':
      return 'It may be all that is needed, and costs little: which of them it was will not matter.'
    case 'STAYS_CURED':
      return 'It has passed since: a few more passes as it stands tell a cure from luck.'
    case 'CONTROL':
      return controlReason(search, trial, name)
    case 'TELL_APART': {
      const [first, second] = meaningsApart(search, trial)
      return first && second
        ? `It tells whether ${partsWords(first, name)}, or ${partsWords(second, name)}.`
        : `It tells whether ${partsWords(leading.parts, name)}.`
    }
  }
}

function controlReason(
  search: FaultSearch,
  trial: Trial,
  name: (module: string) => string,
): string {
  const { leading, suspicion } = search
  const [part = ''] = leading.parts
  if (part === 'machine') {
    return 'Before the board is blamed, everything else has been changed once and it still shows.'
  }
  const it = partAsSubject(leading.parts, name)
  const suspected = partsWords(leading.parts, name)
  return isIn(part, suspicion.bench, trial)
    ? `If ${suspected}, it shows again with ${it} back; before that nothing is named.`
    : `If ${suspected}, it passes without ${it}, often enough that it is not luck.`
}

function meaningsApart({ suspicion }: FaultSearch, trial: Trial): string[][] {
  const said = meanings(suspicion, trial).map(({ suspect }) => suspect.parts)
  return [...new Map(said.map((parts) => [parts.join(), parts])).values()]
}
