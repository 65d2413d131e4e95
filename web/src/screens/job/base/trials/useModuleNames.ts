import type { Situation } from '@tembrix/core/shop/job'
import { useMemo } from 'react'
import { capacity } from '../../../../base/format'
import { useJob } from '../file'

/** Modules by what they are and the slot they are planned for, wherever a trial puts them. */
export function useModuleNames(): (module: string) => string {
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
    return (module: string) => {
      const piece = pieces.get(module.split(' ')[0] ?? '')
      const size = piece ? capacity(piece.module.capacityGiB) : 'module'
      const [home, was] = [homes.get(module), before.get(module)]
      if (home) return `the ${size} planned for ${home}`
      return was ? `the old ${size} from ${was}` : `the tested ${size} from the shelf`
    }
  }, [now, planned, pieces])
}
