import type { Machine, Module, Organisation, Placement } from '../../things/model'
import { byChannel, fittedModules } from './fitted'

/** Generations whose modules of sixteen bits a chip have half the bank groups. */
const GROUPED: readonly string[] = ['DDR4', 'DDR5']

/** Whether a module's chips have half the bank groups that those of eight bits have. */
export const hasHalfGroups = ({ generation, deviceWidth }: Module): boolean =>
  deviceWidth === 16 && GROUPED.includes(generation)

/** Shares of the filled channels with such modules, and with two ranks or more. */
export function organisationOf(machine: Machine, placement: Placement): Organisation {
  const channels = [...byChannel(fittedModules(machine, placement)).values()]
  const share = (holds: (modules: Module[]) => boolean) =>
    channels.length === 0 ? 0 : channels.filter(holds).length / channels.length
  return {
    halfGroups: share((modules) => modules.some(hasHalfGroups)),
    twoRanks: share((modules) => modules.reduce((sum, { ranks }) => sum + ranks, 0) >= 2),
  }
}
