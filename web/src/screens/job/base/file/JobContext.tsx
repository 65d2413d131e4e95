import { createSelector } from '@reduxjs/toolkit'
import { skipToken } from '@reduxjs/toolkit/query'
import {
  createContext,
  type ReactNode,
  useCallback,
  useContext,
  useDeferredValue,
  useEffect,
  useMemo,
  useState,
  useSyncExternalStore,
} from 'react'
import {
  useAppSelector,
  useAppStore,
  useJobPartsQuery,
  useJobQuery,
  useLearnedQuery,
  useModelsQuery,
  useOffersOfKindQuery,
  useShelfQuery,
  useShopQuery,
  useValidatedListQuery,
  useValidatedListsQuery,
} from '../../../../base/data'
import { callout } from '../../../../base/ui'
import { type Edit, useEdit } from './useEdit'
import { constantSource, type TrackedSource, useTrackedSelector } from './useTrackedSelector'
import { fileSelector, jobSelector, missingSelector, type ShownJob } from './view'

export interface JobView extends ShownJob {
  edit: Edit
}

const Context = createContext<TrackedSource<JobView> | null>(null)

function useSource(): TrackedSource<JobView> {
  const source = useContext(Context)
  if (!source) throw new Error('useJob outside a job')
  return source
}

/** The job; who asks is rendered again when a part of it changes that was read. */
export const useJob = (): JobView => useTrackedSelector(useSource())

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
export function Deferred({ children }: { children: ReactNode }) {
  const source = useSource()
  const later = useDeferredValue(useSyncExternalStore(source.subscribe, source.get))
  const value = useMemo(() => constantSource(later), [later])
  return <Context value={value}>{children}</Context>
}

interface Offers {
  /** To be read, and kept as long as the job is open: the board may hold some of them. */
  want: () => void
  reading: boolean
  failed: boolean
}

const OffersContext = createContext<Offers | null>(null)

/**
 * What suppliers sell for this machine, of which there may be thousands, is read where it is needed: `reading`
 * till it was, `failed` where it cannot be, and what is known of it is gone on with.
 */
export function useOffers(): Pick<Offers, 'reading' | 'failed'> {
  const offers = useContext(OffersContext)
  if (!offers) throw new Error('useOffers outside a job')
  const { want } = offers
  useEffect(want, [want])
  return offers
}

/** What is inside needs the suppliers' offers, and is shown once they were read. */
export function WithOffers({ children }: { children: ReactNode }) {
  const { reading, failed } = useOffers()
  if (reading) return <p className="p-4 text-ink-2">Reading the suppliers’ offers…</p>
  return (
    <>
      {failed && (
        <p role="alert" className={callout({ tone: 'risk' })}>
          The suppliers’ offers cannot be read now. What stands here goes without them.
        </p>
      )}
      {children}
    </>
  )
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
  const shelf = useShelfQuery({ forJob: id }, { refetchOnMountOrArgChange: true })
  const parts = useJobPartsQuery(id, { refetchOnMountOrArgChange: true })
  const [wanted, setWanted] = useState(false)
  const want = useCallback(() => setWanted(true), [])
  const sold = useOffersOfKindQuery(
    wanted && generation && formFactor ? { generation, formFactor } : skipToken,
  )
  const offers = useMemo(() => {
    const isThere = sold.currentData !== undefined
    return { want, reading: !isThere && !sold.isError, failed: !isThere && sold.isError }
  }, [want, sold.currentData, sold.isError])
  const { refetch } = shelf
  const missing = useMissing(id)
  useEffect(() => {
    if (missing !== '') void refetch()
  }, [missing, refetch])
  const grounds = useGrounds(job.data?.machine.modelId ?? null)
  if (job.data && shelf.data && (parts.data || parts.isError) && grounds.areRead) {
    return (
      <OffersContext value={offers}>
        <Opened key={id} id={id}>
          {children}
        </Opened>
      </OffersContext>
    )
  }
  const error = job.error ?? shelf.error ?? grounds.error
  if (!error) return waiting
  const status = 'status' in error ? error.status : undefined
  const retry = () => {
    job.refetch()
    shelf.refetch()
    grounds.refetch()
  }
  return failed(retry, status === 404 || status === 400)
}

/**
 * Reads the shop's terms, the model's record, the maker's list and what was learned before a job is shown: sums,
 * forecasts and sentences rest on them, and on paper they would stay wrong.
 */
function useGrounds(modelId: string | null) {
  const hasModel = modelId !== null
  const lists = useValidatedListsQuery(undefined, { skip: !hasModel })
  const newest = lists.data?.find((one) => one.modelId === modelId)
  const list = useValidatedListQuery(newest?.id ?? '', { skip: !newest })
  const isListRead =
    !hasModel ||
    lists.isError ||
    (lists.data !== undefined && (!newest || list.data !== undefined || list.isError))
  const shop = useShopQuery()
  const models = useModelsQuery()
  const learned = useLearnedQuery(undefined, { refetchOnMountOrArgChange: 60 })
  const areModelsRead = models.data !== undefined || (models.isError && !hasModel)
  const isLearnedRead = learned.data !== undefined || learned.isError
  return {
    areRead: shop.data !== undefined && areModelsRead && isLearnedRead && isListRead,
    error: shop.error ?? (hasModel ? models.error : undefined),
    refetch: () => {
      shop.refetch()
      models.refetch()
    },
  }
}

/** Pieces in slots of the job that are not known here: another screen took them from what suppliers sell. */
function useMissing(id: string): string {
  const select = useMemo(() => missingSelector(id), [id])
  return useAppSelector(select)
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
