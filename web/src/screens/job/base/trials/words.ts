import type { Trial, TrialOutcome } from '@tembrix/core/bench/diagnose'
import { CHOICES, list } from '../../../../base/format'
import type { ModuleName } from './useModuleNames'

/** How a part is said, with `name` for modules. */
export function partWords(part: string, name: (module: string) => string): string {
  const [kind, ...rest] = part.split(' ')
  switch (kind) {
    case 'module':
      return `${name(rest.join(' '))} is bad`
    case 'slot':
      return `slot ${rest.join(' ')} is bad`
    case 'seat':
      return `the module in ${rest.join(' ')} was not fully seated`
    case 'pair': {
      const half = rest.length / 2
      return `${name(rest.slice(0, half).join(' '))} and ${name(rest.slice(half).join(' '))} do not work together`
    }
    case 'profile':
      return 'the memory profile is not stable'
    case 'order':
      return 'the board wants its preferred slots first'
    case 'setup':
      return 'values in the setup kept it from running'
    case 'training':
      return 'the first start was not given the time that training takes'
    case 'machine':
      return 'it is not the memory: the board, the processor or the power'
    case 'nothing':
      return 'nothing is wrong any more'
    default:
      return 'the board cannot take all of it'
  }
}

export const partsWords = (parts: readonly string[], name: (module: string) => string): string =>
  list(
    parts.map((part) => partWords(part, name)),
    parts.every((part) => part.startsWith('seat ')) ? 'or' : 'and',
  )

/** A trial in a few words; its steps say how it is made. */
export function trialName(
  from: Readonly<Record<string, string>>,
  fromProfile: boolean,
  trial: Trial,
  name: ModuleName,
): string {
  const { arrangement, reseat, profile, depth, action, warm } = trial
  const same = Object.keys({ ...from, ...arrangement }).every(
    (slot) => from[slot] === arrangement[slot],
  )
  const placed = Object.entries(arrangement).map(
    ([slot, module]) => `${name(module, slot)} in ${slot}`,
  )
  const what = !same
    ? `Only ${list(placed)}${reseat ? ', what stays seated again' : ''}`
    : reseat
      ? 'Every module out and in again'
      : warm
        ? 'Start it again at once, while it is warm'
        : depth === 'test'
          ? 'Test it as it stands'
          : 'Start it again as it stands'
  const switched = profile === fromProfile ? '' : `, memory profile ${profile ? 'on' : 'off'}`
  const done = action ? `, ${CHOICES.action[action]}` : ''
  return `${what}${done}${switched}${depth === 'test' ? ', one pass of the memory test' : ''}`
}

/** Which sticks are in which slots: "A: the old 4 GB, B: the new 8 GB". */
export const placedWords = (
  { arrangement }: Pick<Trial, 'arrangement'>,
  name: ModuleName,
): string =>
  Object.entries(arrangement)
    .sort(([a], [b]) => a.localeCompare(b, undefined, { numeric: true }))
    .map(([slot, module]) => `${slot}: ${name(module, slot)}`)
    .join(', ')

export function outcomeWords(outcome: TrialOutcome): string {
  switch (outcome.kind) {
    case 'NO_START':
      return 'It does not start'
    case 'ERRORS':
      return 'Errors under test'
    case 'PASS':
      return 'Passed'
    case 'MISSING':
      return `Starts without ${list(outcome.slots)}`
  }
}
