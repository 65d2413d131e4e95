import type { Answers } from '../../things/machines'
import { MACHINE, modulesRead, saidOfSubject } from '../facts'
import { isSoldered, mayBeSoldered, type Reading } from '../inputs'

/**
 * Answers that a report of the running system gives: the generation, how many slots its tables count beside what is
 * soldered, whether memory is soldered. An answer that it does not give is left out: a bank that may be soldered is not said to be in a slot.
 * It does not say what kind of machine it is from.
 */
export function answersIn({ observations }: Pick<Reading, 'observations'>): Answers {
  const modules = modulesRead(observations)
  const generations = new Set(modules.map(({ said }) => said.generation))
  const told = saidOfSubject(observations, MACHINE)
  if (generations.size === 0 && told.generation) generations.add(told.generation)
  const [generation] = generations
  const soldered = modules.filter(isSoldered).length
  const isOpen = soldered === 0 && modules.some(mayBeSoldered)
  const forms = modules.some(({ said }) => said.formFactor !== undefined)
  const slots = isOpen ? undefined : told.slotCount
  return {
    ...(generation && generations.size === 1 ? { generation } : {}),
    ...(slots === undefined ? {} : { slots: slots - soldered }),
    ...(forms && !isOpen ? { soldered: soldered > 0 } : {}),
  }
}
