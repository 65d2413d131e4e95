import {
  type CompareNote,
  TEST_CONDITIONS,
  type TestCondition,
  type TestConditions,
  type TypedFault,
} from '@tembrix/core/bench/measure'
import type { Measurement } from '@tembrix/core/things/records'
import { list } from '../../../../base/format'

/** What a session is begun with: the conditions of the one before it, and now. */
export function sessionLike(last: Measurement | undefined): {
  at: string
  conditions: TestConditions
} {
  return { at: new Date().toISOString(), conditions: last?.conditions ?? {} }
}

export const CONDITION_WORDS: Record<TestCondition, string> = {
  resolution: 'Resolution',
  quality: 'Quality',
  display: 'Display mode',
  power: 'Power mode',
  running: 'What else ran',
  processor: 'Processor',
  driver: 'Driver',
  system: 'System version',
  version: 'Program version',
  disk: 'Disk',
  other: 'Something else',
}

/** An example of what is typed for each. */
export const CONDITION_EXAMPLES: Record<TestCondition, string> = {
  resolution: '1920 × 1080',
  quality: 'high',
  display: 'full screen',
  power: 'mains, best performance',
  running: 'nothing',
  processor: 'name and series',
  driver: 'graphics 31.2',
  system: '24H2',
  version: '4.1',
  disk: 'solid-state, 512 GB',
  other: 'new cooler',
}

export const conditionsInWords = (conditions: TestConditions): string =>
  TEST_CONDITIONS.flatMap((one) => {
    const text = conditions[one]
    if (!text) return []
    return [one === 'running' ? `beside it ${text}` : text]
  }).join(', ')

export const NOTE_WORDS: Record<CompareNote, string> = {
  ONE_SESSION:
    'Only one session on a side: what changes from one start to the next is taken from the shop’s other tests.',
  FIRST_RUN_ODD: 'The first run of a session lies apart; it is left out.',
  OUTLIER: 'A run far from the others is left out.',
  DRIFT: 'The runs go one way: let the machine warm up, then run again.',
  QUANTISED: 'The figure is printed in steps too coarse to tell more.',
  ORDER:
    'All sessions before came first. Where the old modules can still go back, one more session with them (before, after, before) tells a drifting machine from a gain.',
  CAPPED:
    'Frames were held to a rate: a difference cannot show. Switch the limit off and log again.',
  SESSIONS_DISAGREE:
    'Sessions of one state lie further apart than is usual: the range is wider for it. Was the machine as it was each time?',
}

export function faultWords({ at, text, why }: TypedFault): string {
  switch (why) {
    case 'comma':
      return `Run ${at}: is ${text} a figure above a thousand or a decimal? Write it without the comma.`
    case 'time':
      return `Run ${at}: ${text} is a time, and this test gives none.`
    default:
      return `Run ${at}, ${text}, must be a number greater than 0.`
  }
}

export function leftOutWords(why: 'busy' | readonly TestCondition[]): string {
  if (why === 'busy') return 'not counted: something else was busy'
  const named = why.map((one) => CONDITION_WORDS[one].toLowerCase())
  return `not counted: ${list(named)} ${named.length === 1 ? 'differs' : 'differ'}`
}
