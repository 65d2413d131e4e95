import type { Collection } from '@tembrix/core/things/records'
import { useCallback } from 'react'
import { recordIn, type Write } from '../../../../base/data'
import { type Undoing, useUndoOf } from '../../../../parts/undo'
import { useJobAt } from './JobContext'

/** Ways back and forth through the job's deeds, where there are any. */
export function useUndo(): Undoing {
  const jobAt = useJobAt()
  const { file, edit } = jobAt()
  const current = useCallback(
    (collection: Collection, id: string) => recordIn(jobAt().file, collection, id),
    [jobAt],
  )
  const write = useCallback(
    (writes: readonly Write[]) => edit.settle('what was taken back', writes),
    [edit],
  )
  return useUndoOf(file.id, current, write)
}
