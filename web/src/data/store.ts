import { configureStore } from '@reduxjs/toolkit'
import { same } from '@tembrix/core/model'
import { useDispatch, useSelector } from 'react-redux'
import { API, api } from './api'
import { type Delivery, startCourier } from './courier'
import { type Keep, restore, store as storeOutbox } from './keep'
import {
  conflicted,
  type Entry,
  type Fields,
  insisted,
  type Outbox,
  outboxReducer,
  refused,
  sending,
  sent,
  unreachable,
} from './outbox'
import { absorb, absorbInto } from './overlay'
import { simulatedReducer } from './simulated'
import { claimTab } from './tab'
import { undoReducer } from './undo'
import { whatIfReducer } from './whatIf'

function configure(outbox: Outbox) {
  return configureStore({
    reducer: {
      [api.reducerPath]: api.reducer,
      outbox: outboxReducer,
      undo: undoReducer,
      whatIf: whatIfReducer,
      simulated: simulatedReducer,
    },
    preloadedState: { outbox },
    middleware: (standard) => standard().concat(api.middleware),
  })
}

export type Store = ReturnType<typeof configure>
export type State = ReturnType<Store['getState']>
export const useAppDispatch = useDispatch.withTypes<Store['dispatch']>()
export const useAppSelector = useSelector.withTypes<State>()

/** The store of this tab, with what earlier visits left unsent, and the courier at work. */
export async function openStore(): Promise<Store> {
  const { tab, isOpen } = await claimTab()
  const store = configure(restore(localStorage, tab, isOpen))
  keepOutbox(store, localStorage, tab)
  const wake = startCourier({
    outbox: () => store.getState().outbox,
    take: (entry) => store.dispatch(sending(entry.id)),
    done: (entry, delivery) => settle(store, entry, delivery),
  })
  let last = store.getState().outbox.entries
  store.subscribe(() => {
    const { entries } = store.getState().outbox
    if (entries !== last) wake()
    last = entries
  })
  window.addEventListener('online', () => wake(true))
  wake(true)
  return store
}

/** Writes the outbox to the browser's storage as it changes, after the screen has been painted, and on leaving. */
function keepOutbox(store: Store, keep: Keep, tab: string): void {
  let kept = store.getState().outbox
  let due = false
  const write = () => {
    due = false
    const { outbox } = store.getState()
    if (outbox.entries !== kept.entries || outbox.drafts !== kept.drafts) {
      try {
        storeOutbox(keep, tab, outbox)
      } catch {
        // The browser's storage is full; what waits stays in memory and goes out from there.
      }
    }
    kept = outbox
  }
  store.subscribe(() => {
    if (due) return
    due = true
    setTimeout(write)
  })
  window.addEventListener('pagehide', write)
}

async function settle(store: Store, entry: Entry, delivery: Delivery): Promise<void> {
  const { dispatch } = store
  if (delivery.kind === 'sent') {
    const { answer } = delivery
    take(store, entry, answer)
    dispatch(sent({ id: entry.id, version: (answer?.version as number | undefined) ?? null }))
  } else if (delivery.kind === 'unreachable') {
    dispatch(unreachable())
  } else if (delivery.kind === 'refused') {
    dispatch(refused({ id: entry.id, why: delivery.why }))
    // A piece of the shelf may have become another job's meanwhile.
    if (entry.collection === 'plans') dispatch(api.util.invalidateTags(['shopModules']))
  } else {
    await settleStale(store, entry)
  }
}

/** Takes what the server has stored into what was read from it. */
function take({ dispatch }: Store, entry: Entry, answer: Fields | null): void {
  if (entry.jobId !== '') {
    dispatch(api.util.updateQueryData('job', entry.jobId, (file) => absorb(file, entry, answer)))
    if (entry.fields.finished) {
      // A finished fitting moves the job on, and pieces from and to the shelf.
      dispatch(api.util.invalidateTags(['shopModules', 'jobs']))
      dispatch(api.endpoints.job.initiate(entry.jobId, { forceRefetch: true, subscribe: false }))
    }
    // A reading of the job under way may have begun before this write: it is done once more.
    dispatch(api.util.getRunningQueryThunk('job', entry.jobId))?.then(() =>
      dispatch(api.endpoints.job.initiate(entry.jobId, { forceRefetch: true, subscribe: false })),
    )
  } else if (entry.collection === 'models') {
    dispatch(
      api.util.updateQueryData('models', undefined, (models) =>
        absorbInto(models, entry.recordId, answer),
      ),
    )
  }
}

/**
 * The record has moved on. Where it already holds what was to be written (an answer was lost on its
 * way), the write is done; otherwise the user decides.
 */
async function settleStale(store: Store, entry: Entry): Promise<void> {
  const { dispatch } = store
  const current = await readRecord(entry)
  if (!current) {
    dispatch(unreachable())
  } else if (holds(current, entry.fields)) {
    take(store, entry, current)
    dispatch(sent({ id: entry.id, version: current.version as number }))
  } else {
    dispatch(conflicted(entry.id))
  }
}

/** Sends a conflicting write after all, over what was stored meanwhile. */
export async function insist({ dispatch }: Pick<Store, 'dispatch'>, entry: Entry): Promise<void> {
  const current = await readRecord(entry)
  if (current) dispatch(insisted({ id: entry.id, version: current.version as number }))
}

async function readRecord({ collection, recordId }: Entry): Promise<Fields | null> {
  try {
    const response = await fetch(`${API}/${collection}/${recordId}`)
    return response.ok ? await response.json() : null
  } catch {
    return null
  }
}

function holds(current: Fields, fields: Fields): boolean {
  return Object.entries(fields).every(([name, value]) => same(current[name], value))
}
