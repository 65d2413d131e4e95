import type { Answers, Question } from '@tembrix/core/machines'
import type { MachineKind } from '@tembrix/core/model'

export const QUESTION_WORDS: Record<Question, string> = {
  kind: 'Kind',
  generation: 'Generation',
  slots: 'Slots',
  soldered: 'Soldered',
}

const KIND_WORDS: Record<MachineKind, string> = {
  desktop: 'desktop',
  laptop: 'laptop',
  'all-in-one': 'all-in-one',
  'small-form-factor': 'small desktop',
  workstation: 'workstation',
}

/** An answer to a question, in words. */
export function choiceWords(question: Question, value: Answers[Question]): string {
  if (question === 'soldered') return value ? 'yes' : 'no'
  if (question === 'kind') return KIND_WORDS[value as MachineKind]
  return value === 0 ? 'none' : String(value)
}
