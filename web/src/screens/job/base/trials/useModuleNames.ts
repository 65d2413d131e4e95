import type { Situation } from '@tembrix/core/shop/job'
import { useMemo } from 'react'
import { capacity } from '../../../../base/format'
import { useJob } from '../file'

/** A module as a bench calls it; where it is said to be in its own slot, without the slot. */
export type ModuleName = (module: string, inSlot?: string) => string

/** Modules as a bench calls them: the old or the new one of a size, with its slot where there are several alike. */
export function useModuleNames(): ModuleName {
  const { now, planned, pieces } = useJob()
  return useMemo(() => {
    const homesIn = ({ assignment }: Situation) =>
      new Map(
        Object.entries(assignment).map(([slot, { moduleId, unit }]) => [
          `${moduleId} ${unit}`,
          slot,
        ]),
      )
    const [homes, before] = [homesIn(planned), homesIn(now)]
    const bare = (module: string) => {
      const piece = pieces.get(module.split(' ')[0] ?? '')
      const size = piece ? capacity(piece.module.capacityGiB) : 'module'
      if (before.has(module)) return `the old ${size}`
      return homes.has(module) ? `the new ${size}` : `the tested ${size} from the shelf`
    }
    const all = [...new Set([...homes.keys(), ...before.keys()])].map(bare)
    return (module, inSlot) => {
      const name = bare(module)
      const was = before.get(module)
      const own = was ?? homes.get(module)
      if (all.filter((one) => one === name).length < 2 || own === inSlot) return name
      return was ? `${name} from ${was}` : `${name} for ${homes.get(module) ?? ''}`
    }
  }, [now, planned, pieces])
}
