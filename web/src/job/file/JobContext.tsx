import { createSelector } from '@reduxjs/toolkit'
import { skipToken } from '@reduxjs/toolkit/query'
import {
  createContext,
  type ReactNode,
  useContext,
  useDeferredValue,
  useMemo,
  useSyncExternalStore,
} from 'react'
import {
  useAppSelector,
  useAppStore,
  useJobQuery,
  useLearnedQuery,
  useShopModulesQuery,
} from '../../data'
import { type Edit, useEdit } from './useEdit'
import { fileSelector, jobSelector, type ShownJob } from './view'
import { still, useParts, type Watched } from './watched'

export interface JobView extends ShownJob {
  edit: Edit
}

const Context = createContext<Watched<JobView> | null>(null)

function useSource(): Watched<JobView> {
  const source = useContext(Context)
  if (!source) throw new Error('useJob outside a job')
  return source
}

/** The job; who asks is rendered again when a part of it changes that was read. */
export const useJob = (): JobView => useParts(useSource())

/** One thing of the job, which is the same as long as it is worked out from the same. */
export function useJobPart<T>(select: (job: JobView) => T): T {
  const { subscribe, get } = useSource()
  return useSyncExternalStore(subscribe, () => select(get()))
}

/** The job as it stands when it is asked; who asks is not rendered again for it. */
export const useJobAt = (): (() => JobView) => useSource().get

/**
 * What is inside reads the job a moment later than the board: a move at the board is drawn first. Only
 * for what is read there and not typed into.
 */
export function Later({ children }: { children: ReactNode }) {
  const source = useSource()
  const later = useDeferredValue(useSyncExternalStore(source.subscribe, source.get))
  const value = useMemo(() => still(later), [later])
  return <Context value={value}>{children}</Context>
}

interface Props {
  id: string
  waiting: ReactNode
  failed: (retry: () => void, missing: boolean) => ReactNode
  children: ReactNode
}

/** Reads a job and gives it, with everything typed since laid over it, to the screens inside. */
export function JobProvider({ id, waiting, failed, children }: Props) {
  const job = useJobQuery(id)
  const file = useMemo(() => fileSelector(id), [id])
  const generation = useAppSelector((state) => file(state)?.machine.machine.generation)
  const formFactor = useAppSelector((state) => file(state)?.machine.machine.formFactor)
  const shop = useShopModulesQuery(
    generation && formFactor ? { generation, formFactor, forJob: id } : skipToken,
    { refetchOnMountOrArgChange: 30 },
  )
  useLearnedQuery(undefined, { refetchOnMountOrArgChange: 60 })
  if (job.data && shop.data) {
    return (
      <Opened key={id} id={id}>
        {children}
      </Opened>
    )
  }
  const error = job.error ?? shop.error
  if (!error) return waiting
  const status = 'status' in error ? error.status : undefined
  const retry = () => {
    job.refetch()
    shop.refetch()
  }
  return failed(retry, status === 404 || status === 400)
}

function Opened({ id, children }: { id: string; children: ReactNode }) {
  const store = useAppStore()
  const edit = useEdit(id)
  const source = useMemo(() => {
    const view = createSelector(jobSelector(id), (shown): JobView => ({ ...shown, edit }))
    return { get: () => view(store.getState()), subscribe: store.subscribe }
  }, [id, edit, store])
  return <Context value={source}>{children}</Context>
}
