import { skipToken } from '@reduxjs/toolkit/query'
import { type Evidence, unseenSlots } from '@tembrix/core/evidence'
import {
  boardFirst,
  type Learned,
  NOTHING_KNOWN,
  type Situation,
  situationOf,
} from '@tembrix/core/job'
import type { Machine } from '@tembrix/core/model'
import {
  type Assignment,
  type Collection,
  costOf,
  type JobFile,
  type Piece,
  type Plan,
  piecesById,
  type ShopModule,
} from '@tembrix/core/records'
import {
  createContext,
  type ReactNode,
  useCallback,
  useContext,
  useDeferredValue,
  useMemo,
} from 'react'
import {
  overlay,
  recordIn,
  type State,
  useAppSelector,
  useJobQuery,
  useLearnedQuery,
  useShopModulesQuery,
} from '../../data'

import { type Edit, useEdit } from './useEdit'
import { useEvidence } from './useEvidence'

export interface JobView {
  file: JobFile
  machine: Machine
  plan: Plan
  shop: ShopModule[]
  pieces: ReadonlyMap<string, Piece>
  now: Situation
  planned: Situation
  cost: { total: number; unpriced: number }
  evidence: Evidence
  /** What the shop’s own measurements teach. */
  learned: Learned
  /** Slots that nobody has looked into: they may be empty or not. */
  unseen: string[]
  edit: Edit
}

const Context = createContext<JobView | null>(null)

export function useJob(): JobView {
  const view = useContext(Context)
  if (!view) throw new Error('useJob outside a job')
  return view
}

/**
 * What is inside reads the job a moment later than the board: a move at the board is drawn first. Only
 * for what is read there and not typed into.
 */
export function Later({ children }: { children: ReactNode }) {
  const later = useDeferredValue(useJob())
  return <Context value={later}>{children}</Context>
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
  const machineNow = ({ outbox: { entries } }: State) =>
    job.data && overlay(job.data, entries).machine.machine
  const generation = useAppSelector((state) => machineNow(state)?.generation)
  const formFactor = useAppSelector((state) => machineNow(state)?.formFactor)
  const shop = useShopModulesQuery(
    generation && formFactor ? { generation, formFactor, forJob: id } : skipToken,
    { refetchOnMountOrArgChange: 30 },
  )
  if (job.data && shop.data) {
    return (
      <Opened stored={job.data} shop={shop.data}>
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

function Opened({
  stored,
  shop,
  children,
}: {
  stored: JobFile
  shop: ShopModule[]
  children: ReactNode
}) {
  const entries = useAppSelector((state) => state.outbox.entries)
  const file = useMemo(() => boardFirst(overlay(stored, entries)), [stored, entries])
  const plan = file.plans[0] as Plan
  const machine = file.machine.machine
  const pieces = useMemo(() => piecesById([...file.modules, ...shop]), [file.modules, shop])

  const current = useCallback(
    (collection: Collection, recordId: string) => recordIn(file, collection, recordId),
    [file],
  )
  const edit = useEdit(file.id, current)

  const now = useSituation(machine, file.found, pieces, PLAIN)
  const planned = useSituation(machine, plan.placement ?? file.found, pieces, plan)
  const { data: learned = NOTHING_KNOWN } = useLearnedQuery(undefined, {
    refetchOnMountOrArgChange: 60,
  })
  const cost = useMemo(() => costOf(planned.assignment, pieces), [planned.assignment, pieces])
  const evidence = useEvidence(file, now)
  const unseen = useMemo(() => unseenSlots(evidence), [evidence])
  const view = useMemo(
    () => ({
      file,
      machine,
      plan,
      shop,
      pieces,
      now,
      planned,
      cost,
      evidence,
      learned,
      unseen,
      edit,
    }),
    [file, machine, plan, shop, pieces, now, planned, cost, evidence, learned, unseen, edit],
  )
  return <Context value={view}>{children}</Context>
}

/** As found: nothing asked for, nothing set. */
const PLAIN = { profile: false, manual: null }

function useSituation(
  machine: Machine,
  stored: Assignment,
  pieces: ReadonlyMap<string, Piece>,
  { profile, manual }: Pick<Plan, 'profile' | 'manual'>,
): Situation {
  return useMemo(
    () => situationOf(machine, stored, pieces, { profile, manual }),
    [machine, stored, pieces, profile, manual],
  )
}
