import { type Machine, systemLimitGiB } from '../../things/model'
import type { Situation } from '../job'

/** What more memory this machine could take later; sizes in GiB. */
export type NextUpgrade =
  /** All memory is soldered. */
  | { code: 'SOLDERED' }
  /** As much as the machine takes in all is in it. */
  | { code: 'LIMIT_REACHED'; totalGiB: number }
  /** These slots are empty; with the largest modules they take, it comes to `upToGiB`. */
  | { code: 'FREE_SLOTS'; slots: string[]; upToGiB: number }
  /** No slot is free: more means larger modules in place of these. */
  | { code: 'REPLACE'; slots: string[]; upToGiB: number }
  /** No slot is free and no larger module fits. */
  | { code: 'NO_FREE_SLOT' }
  /** The system uses no more than this whatever is fitted. */
  | { code: 'SYSTEM_LIMIT'; osGiB: number }

/** The next possible step after what is in the slots now, and what keeps it from more; by the machine's record. */
export function nextUpgrades(
  machine: Machine,
  { placement, evaluation }: Pick<Situation, 'placement' | 'evaluation'>,
): NextUpgrade[] {
  const { totalGiB, slotGiB } = machine.limits
  const osGiB = systemLimitGiB(machine)
  const installed = evaluation.capacity.installedGiB
  const system: NextUpgrade[] =
    osGiB !== null && installed >= osGiB ? [{ code: 'SYSTEM_LIMIT', osGiB }] : []
  if (machine.slots.length === 0) return [{ code: 'SOLDERED' }, ...system]
  if (installed >= totalGiB) return [{ code: 'LIMIT_REACHED', totalGiB }, ...system]
  const free = machine.slots.filter(({ id }) => !placement[id]).map(({ id }) => id)
  if (free.length > 0) {
    const upToGiB = Math.min(totalGiB, installed + free.length * slotGiB)
    return [{ code: 'FREE_SLOTS', slots: free, upToGiB }, ...system]
  }
  const smaller = machine.slots.flatMap(({ id }) => {
    const size = placement[id]?.capacityGiB ?? 0
    return size < slotGiB ? [{ id, room: slotGiB - size }] : []
  })
  if (smaller.length === 0) return [{ code: 'NO_FREE_SLOT' }, ...system]
  const room = smaller.reduce((sum, one) => sum + one.room, 0)
  const upToGiB = Math.min(totalGiB, installed + room)
  return [{ code: 'REPLACE', slots: smaller.map(({ id }) => id), upToGiB }, ...system]
}
