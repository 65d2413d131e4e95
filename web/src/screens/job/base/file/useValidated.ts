import { indexed, type ValidatedIndex } from '@tembrix/core/reading/lists'
import { useMemo } from 'react'
import { useValidatedListQuery, useValidatedListsQuery } from '../../../../base/data'
import { useJobPart } from './JobContext'

export interface ModelList {
  name: string
  index: ValidatedIndex
}

/** The maker's newest list of tested modules for the job's model, to look up in; null where there is none. */
export function useValidated(): ModelList | null {
  const model = useJobPart(({ file }) => file.machine.modelId)
  const { data: lists } = useValidatedListsQuery()
  const line = model === null ? undefined : lists?.find(({ modelId }) => modelId === model)
  const { data: list } = useValidatedListQuery(line?.id ?? '', { skip: !line })
  return useMemo(() => list && { name: list.name, index: indexed(list.entries) }, [list]) ?? null
}
