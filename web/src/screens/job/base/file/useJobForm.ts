import type { ChangeOf, Collection } from '@tembrix/core/things/records'
import { type RecordForm, useRecordForm } from '../../../../base/form'
import { useJob } from './JobContext'

/** One of the job's records as a form that saves itself. */
export function useJobForm<C extends Collection, T extends { id: string; version: number }>(
  collection: C,
  record: T,
  schemas: Parameters<typeof useRecordForm>[2],
): RecordForm {
  const { edit } = useJob()
  return useRecordForm(collection, record, schemas, (fields, typing) =>
    edit.step(collection, record, fields as ChangeOf<C>, typing),
  )
}
