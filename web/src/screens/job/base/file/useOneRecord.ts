import { isClosed } from '@tembrix/core/shop/handover'
import type { ChangeOf, Collection, Stored } from '@tembrix/core/things/records'
import { useMemo } from 'react'
import { changing, created, useAppDispatch, type Write } from '../../../../base/data'
import { useJob } from './JobContext'

/**
 * Notes something in the record: as a step that can be undone (`set`), or for good (`settle`). `typing` names what
 * is being typed, so that it is one step however often it is saved.
 */
type Setting<C extends Collection> = (fields: ChangeOf<C>, typing?: string) => void
/** `along` are writes that are made with it, as the act `name`. */
type Settling<C extends Collection> = (
  fields: ChangeOf<C>,
  name?: string,
  along?: readonly Write[],
) => void

type Of<Blank> = Blank & Stored & { jobId: string }

/** The record of a kind that a job has one of, under the job’s id: `blank` until the first thing is noted, which makes it. */
export function useOneRecord<C extends 'fits' | 'verifications' | 'handovers', Blank>(
  collection: C,
  known: Of<Blank> | undefined,
  blank: Blank,
): { record: Of<Blank>; set: Setting<C>; settle: Settling<C> } {
  const { file, edit } = useJob()
  const dispatch = useAppDispatch()
  const record = useMemo(() => {
    const unstored = { id: file.id, jobId: file.id, version: 0, createdAt: '', updatedAt: '' }
    return known ?? { ...blank, ...unstored }
  }, [known, blank, file.id])
  const [set, settle] = useMemo(() => {
    const begin = () => {
      if (known || isClosed(file)) return
      dispatch(created({ jobId: file.id, collection, recordId: file.id }, { jobId: file.id }))
    }
    const set: Setting<C> = (fields, typing) => {
      begin()
      edit.step(collection, record, fields, typing)
    }
    const settle: Settling<C> = (fields, name = '', along = []) => {
      begin()
      edit.settle(name, [changing(collection, record, fields), ...along])
    }
    return [set, settle]
  }, [known, record, collection, file, dispatch, edit])
  return { record, set, settle }
}
