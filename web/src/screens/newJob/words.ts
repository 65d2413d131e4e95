import type { Answers, Question } from '@tembrix/core/things/machines'
import type { MachineKind } from '@tembrix/core/things/model'
import { CHOICES } from '../../base/format'

export const MACHINE_QUESTION_WORDS: Record<Question, string> = {
  kind: 'Kind',
  generation: 'Generation',
  slots: 'Slots',
  soldered: 'Soldered',
}

/** An answer to a question, in words. */
export function answerWords(question: Question, value: Answers[Question]): string {
  if (question === 'soldered') return value ? 'yes' : 'no'
  if (question === 'kind') return CHOICES.kind[value as MachineKind]
  return value === 0 ? 'none' : String(value)
}
