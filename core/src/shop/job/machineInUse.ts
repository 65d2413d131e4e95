import { isOnOtherVolts, type Machine } from '../../things/model'
import { type Assignment, type MachineRecord, type Piece, placementOf } from '../../things/records'

/**
 * The machine as a job judges it. Where nobody has made sure of its voltages, those of the modules found in it count as
 * well: it ran with them. Which it really gives is still asked.
 */
export function machineInUse(
  { machine, sources }: Pick<MachineRecord, 'machine' | 'sources'>,
  found: Assignment,
  pieces: ReadonlyMap<string, Piece>,
): Machine {
  const source = sources.voltages?.source
  if (source !== undefined && source !== 'start' && source !== 'guess') return machine
  const others = Object.values(placementOf(machine, found, pieces)).flatMap((module) =>
    module && isOnOtherVolts(machine, module) ? module.voltages : [],
  )
  if (others.length === 0) return machine
  return { ...machine, voltages: [...new Set([...machine.voltages, ...others])].slice(0, 8) }
}
