import type { Control } from '@tembrix/core/bench/diagnose'
import { CHOICES, plural } from '../../../../base/format'
import { partsWords } from '../../base/trials'

/** What is missing before these parts may be named, each in a sentence without its full stop. */
export function missingWords(
  missing: readonly Control[],
  parts: readonly string[],
  name: (module: string) => string,
): string[] {
  const it = partAsSubject(parts, name)
  const again = missing.filter((one) => one === 'pass-again' || one === 'pass-without').length
  const words: Partial<Record<Control, string>> = {
    symptom: `it has not been seen with ${it}`,
    back: `it has not been seen again with ${it} back`,
    'seen-without': `it was seen without ${it} as well`,
    'passed-together': 'both have passed together',
    'profile-off': 'it has not been tried with the memory profile off',
    'other-module': 'it has not been seen with every module out in turn',
    'pass-elsewhere': 'a module of that slot has not passed in another',
    'other-slot': 'it has not been seen with every slot empty in turn',
  }
  const actions = missing.filter((one) => one in CHOICES.action) as (keyof typeof CHOICES.action)[]
  return [
    ...[...new Set(missing)].flatMap((one) => words[one] ?? []),
    ...(again > 0 ? [`${plural(again, 'pass', 'passes')} without ${it} are missing`] : []),
    ...actions.map((action) => `it has not been tried with ${CHOICES.action[action]}`),
  ]
}

/** Parts as the subject of a trial: with or without them. */
export function partAsSubject(parts: readonly string[], name: (module: string) => string): string {
  const [first = ''] = parts
  const [kind, ...rest] = first.split(' ')
  if (parts.length > 1) return 'these'
  switch (kind) {
    case 'module':
      return name(rest.join(' '))
    case 'slot':
    case 'seat':
      return `slot ${rest.join(' ')}`
    case 'pair':
      return 'both'
    case 'profile':
      return 'the memory profile'
    case 'limit':
      return 'so many modules'
    case 'order':
      return 'this order of slots'
    default:
      return partsWords(parts, name)
  }
}
