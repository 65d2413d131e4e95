import type { ModelRecord, Shop } from '@tembrix/core/things/records'
import { useModelsQuery, useShopQuery } from '../../../../base/data'
import { useJobPart } from './JobContext'

/** The shop’s terms, tables and rules, which a job’s screens rest on: read before any of them is shown. */
export function useShop(): Shop {
  const { data } = useShopQuery()
  if (!data) throw new Error('useShop outside a job')
  return data
}

/** The shop’s record of the model that a job’s machine is; undefined where it is of none. */
export function useModelRecord(): ModelRecord | undefined {
  const modelId = useJobPart(({ file }) => file.machine.modelId)
  const { data } = useModelsQuery()
  return data?.find(({ id }) => id === modelId)
}
