import type { Answers } from '../../things/machines'
import type { Reading } from '../facts'

/**
 * What a report of the running system answers: the generation, how many slots its tables count beside
 * what is soldered, whether memory is soldered. It does not say what kind of machine it is from.
 */
export function answersIn({ modules, machine }: Pick<Reading, 'modules' | 'machine'>): Answers {
  const generations = new Set(modules.map(({ module }) => module.generation))
  const [generation] = generations
  const soldered = modules.filter(({ module }) => module.formFactor === 'soldered').length
  const forms = modules.some(({ module }) => module.formFactor !== undefined)
  const slots = machine?.slotCount
  return {
    ...(generation && generations.size === 1 ? { generation } : {}),
    ...(slots === undefined ? {} : { slots: slots - soldered }),
    ...(forms ? { soldered: soldered > 0 } : {}),
  }
}
