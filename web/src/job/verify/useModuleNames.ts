import { useMemo } from 'react'
import { capacity } from '../../ui'
import { useJob } from '../file'

/** Modules by what they are and the slot they are planned for, wherever a trial puts them. */
export function useModuleNames(): (module: string) => string {
  const { planned, pieces } = useJob()
  return useMemo(() => {
    const homes = new Map(
      Object.entries(planned.assignment).map(([slot, { moduleId, unit }]) => [
        `${moduleId} ${unit}`,
        slot,
      ]),
    )
    return (module: string) => {
      const piece = pieces.get(module.split(' ')[0] ?? '')
      const size = piece ? capacity(piece.module.capacityGiB) : 'module'
      return `the ${size} planned for ${homes.get(module) ?? '?'}`
    }
  }, [planned.assignment, pieces])
}
