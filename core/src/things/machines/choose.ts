import type { Generation, Machine, MachineKind } from '../model'
import { STARTING_MACHINES, type StartingMachine } from './starting'

/** What is asked to find the machine to start from; what nobody has answered is left out. */
export interface Answers {
  kind?: MachineKind
  generation?: Generation
  slots?: number
  soldered?: boolean
}
export type Question = keyof Answers

export const QUESTIONS: readonly Question[] = ['kind', 'generation', 'slots', 'soldered']

/** What a machine answers to each question. */
export const answersOf = ({ kind, generation, slots, soldered }: Machine): Required<Answers> => ({
  kind,
  generation,
  slots: slots.length,
  soldered: soldered.length > 0,
})

/** The machines to start from that agree with every answer. */
export function matching(answers: Answers): StartingMachine[] {
  return STARTING_MACHINES.filter(({ machine }) => {
    const own = answersOf(machine)
    return QUESTIONS.every((what) => answers[what] === undefined || answers[what] === own[what])
  })
}

/** The answers a question still has, given those to the others. */
export function choicesFor(question: Question, answers: Answers): Answers[Question][] {
  const { [question]: _, ...others } = answers
  const left = matching(others).map(({ machine }) => answersOf(machine)[question])
  return [...new Set(left)]
}
