import { configureStore, type Middleware } from '@reduxjs/toolkit'
import { equalIgnoringWhitespace, type JobFile } from '@tembrix/core/things/records'
import { useDispatch, useSelector, useStore } from 'react-redux'
import { API, api, TAGS } from './api'
import { type Buying, buyingReducer, keepBuying, restoreBuying } from './buying'
import { type Delivery, startCourier } from './courier'
import { keepCurrent } from './current'
import { type Keep, restore, store as storeOutbox } from './keep'
import { followChanges } from './live'
import {
  type Entry,
  type Fields,
  failed,
  held,
  kept as keptAction,
  type Outbox,
  outboxReducer,
  reached,
  recordMovedOn,
  sending,
  sent,
  serverDiskFull,
  unreachable,
} from './outbox'
import { applyAnswer, applyAnswerToList } from './overlay'
import { letGoOfPicture } from './pictures'
import { simulatedReducer } from './simulated'
import { claimTab } from './tab'
import { keepUndoHistory, restoreUndoHistory, type UndoHistory, undoReducer } from './undo'
import { whatIfReducer } from './whatIf'

/** Hears of an action that was taken in, and of the outbox before it and since. */
type Hears = (action: unknown, now: Outbox, before: Outbox) => void

function configure(outbox: Outbox, undo: UndoHistory, buying: Buying, hearing: readonly Hears[]) {
  return configureStore({
    reducer: {
      [api.reducerPath]: api.reducer,
      outbox: outboxReducer,
      undo: undoReducer,
      whatIf: whatIfReducer,
      buying: buyingReducer,
      simulated: simulatedReducer,
    },
    preloadedState: { outbox, undo, buying },
    middleware: (standard) =>
      standard().prepend(tell(hearing)).concat(keepCurrent(api), api.middleware),
  })
}

const tell =
  (hearing: readonly Hears[]): Middleware<object, { outbox: Outbox }> =>
  ({ getState }) =>
  (next) =>
  (action) => {
    const { outbox } = getState()
    const done = next(action)
    for (const hears of hearing) hears(action, getState().outbox, outbox)
    return done
  }

export type Store = ReturnType<typeof configure>
export type State = ReturnType<Store['getState']>
export const useAppDispatch = useDispatch.withTypes<Store['dispatch']>()
export const useAppStore = useStore.withTypes<Store>()
export const useAppSelector = useSelector.withTypes<State>()

/** The store of this tab, with what earlier visits left unsent, and the courier at work. */
export async function openStore(): Promise<Store> {
  const { tab, isOpen } = await claimTab()
  const hearing: Hears[] = []
  const outbox = restore(localStorage, tab, isOpen)
  const store = configure(
    outbox,
    restoreUndoHistory(sessionStorage),
    restoreBuying(sessionStorage),
    hearing,
  )
  hearing.push(keepsOutbox(store, localStorage, tab))
  const wake = startCourier({
    outbox: () => store.getState().outbox,
    take: (entry) => store.dispatch(sending(entry.id)),
    done: (entries, delivery) => settle(store, entries, delivery),
  })
  hearing.push((_, now, before) => {
    if (now.entries === before.entries) return
    wake()
    forgetPictures(before, now)
  })
  hearing.push((action) => {
    const { matchFulfilled, matchRejected } = api.endpoints.job
    if (matchFulfilled(action)) takeAgain(store, action.meta.arg.originalArgs)
    else if (matchRejected(action) && !action.meta.condition) {
      taken.delete(action.meta.arg.originalArgs)
    }
  })
  followChanges({
    jobs: () => openJobs(store),
    readJob: (id) => readJob(store, id),
    readLists: (tags) => store.dispatch(api.util.invalidateTags(tags)),
    readAll: () => store.dispatch(api.util.invalidateTags([...TAGS])),
    heard: (there) => {
      store.dispatch(reached(there))
      if (there) wake(true)
    },
  })
  window.addEventListener('pagehide', () => {
    const { undo, buying } = store.getState()
    keepUndoHistory(sessionStorage, undo)
    keepBuying(sessionStorage, buying)
  })
  window.addEventListener('online', () => wake(true))
  wake(true)
  return store
}

function openJobs(store: Store): JobFile[] {
  return Object.values(store.getState().api.queries).flatMap((query) =>
    query?.endpointName === 'job' && query.data ? [query.data as JobFile] : [],
  )
}

function readJob({ dispatch }: Pick<Store, 'dispatch'>, id: string): void {
  dispatch(api.util.invalidateTags([{ type: 'job', id }]))
}

/** Writes the outbox to the browser's storage as it changes, after the screen has been painted, and on leaving. */
function keepsOutbox(store: Store, keep: Keep, tab: string): Hears {
  const write = () => {
    const { outbox } = store.getState()
    const is = stores(keep, tab, outbox)
    if (is !== outbox.kept) store.dispatch(keptAction(is))
  }
  let due: ReturnType<typeof setTimeout> | undefined
  window.addEventListener('pagehide', write)
  return (_, now, before) => {
    if (now.entries === before.entries && now.drafts === before.drafts) return
    clearTimeout(due)
    due = setTimeout(write)
  }
}

/** Pictures whose photo was sent or given up are kept no longer. */
function forgetPictures(before: Outbox, now: Outbox): void {
  const left = new Set(now.entries.map(({ recordId }) => recordId))
  for (const { collection, action, recordId } of before.entries) {
    const waited = collection === 'photos' && action === 'create'
    if (waited && !left.has(recordId)) void letGoOfPicture(recordId)
  }
}

/** Whether the browser kept it: its storage may be full or forbidden, and what waits is in memory only. */
function stores(keep: Keep, tab: string, outbox: Outbox): boolean {
  try {
    storeOutbox(keep, tab, outbox)
    return true
  } catch {
    return false
  }
}

/** What became of a write, or of all the writes of an act. */
async function settle(store: Store, entries: readonly Entry[], delivery: Delivery): Promise<void> {
  const { dispatch } = store
  const { id } = entries[0] as Entry
  if (delivery.kind === 'sent') {
    for (const [at, entry] of entries.entries()) {
      const answer = delivery.answers[at] ?? null
      take(store, entry, answer)
      dispatch(sent({ id: entry.id, answer }))
    }
  } else if (delivery.kind === 'unreachable') {
    dispatch(unreachable())
  } else if (delivery.kind === 'no-room') {
    dispatch(serverDiskFull())
  } else if (delivery.kind === 'failed') {
    dispatch(failed({ id, why: delivery.why }))
  } else if (delivery.kind === 'versionConflict') {
    await settleStale(store, entries)
  } else {
    const { at, ...why } = delivery
    dispatch(held({ id: (entries[at] as Entry).id, held: why }))
    // A piece of the shelf may have become another job's meanwhile.
    if (entries.some(({ collection }) => collection === 'plans')) {
      dispatch(api.util.invalidateTags(['shopModules']))
    }
  }
}

/** What was stored while a job was being read, by the job: the reading may have begun before. */
const taken = new Map<string, (readonly [Entry, Fields | null])[]>()

/** What a reading that began before shows no longer, or not yet, is taken into it as well. */
function takeAgain(store: Store, jobId: string): void {
  const all = taken.get(jobId)
  if (!all) return
  taken.delete(jobId)
  store.dispatch(
    api.util.updateQueryData('job', jobId, (file) => {
      for (const [entry, answer] of all) applyAnswer(file, entry, answer)
    }),
  )
}

/** Takes what the server has stored into what was read from it. */
function take(store: Store, entry: Entry, answer: Fields | null): void {
  const { dispatch } = store
  if (entry.jobId !== '') {
    dispatch(
      api.util.updateQueryData('job', entry.jobId, (file) => applyAnswer(file, entry, answer)),
    )
    if (entry.fields.finished) {
      // A finished fitting moves the job on, and pieces from and to the shelf.
      dispatch(api.util.invalidateTags(['shopModules', 'jobs']))
      readJob(store, entry.jobId)
    }
    if (dispatch(api.util.getRunningQueryThunk('job', entry.jobId))) {
      taken.set(entry.jobId, [...(taken.get(entry.jobId) ?? []), [entry, answer]])
      readJob(store, entry.jobId)
    }
  } else if (entry.collection === 'models') {
    dispatch(
      api.util.updateQueryData('models', undefined, (models) =>
        applyAnswerToList(models, entry.recordId, answer),
      ),
    )
  }
}

/**
 * A record has moved on. Where it already holds what was to be written (an answer was lost on its
 * way), the write is done; otherwise each is fitted to what is stored, or a person decides.
 */
async function settleStale(store: Store, entries: readonly Entry[]): Promise<void> {
  const { dispatch } = store
  const known = entries.filter(({ action }) => action !== 'create')
  const stored = await Promise.all(known.map(readRecord))
  if (stored.includes('away')) {
    dispatch(unreachable())
    return
  }
  const movedOn = known.some((entry, at) => (stored[at] as Fields).version !== entry.version)
  if (!movedOn) {
    // Nothing to fit it to: it is tried a few times, and set aside.
    const why = 'The server says that its record was changed, which it was not.'
    dispatch(failed({ id: (entries[0] as Entry).id, why }))
    return
  }
  for (const [at, entry] of known.entries()) {
    const current = stored[at] as Fields | 'gone'
    if (current === 'gone') {
      if (entry.action === 'remove' && !entry.act) dispatch(sent({ id: entry.id, answer: null }))
      else dispatch(held({ id: entry.id, held: { kind: 'gone' } }))
    } else if (entry.action === 'change' && !entry.act && holds(current, entry.fields)) {
      take(store, entry, current)
      dispatch(sent({ id: entry.id, answer: current }))
    } else {
      take(store, { ...entry, fields: {} }, current)
      dispatch(recordMovedOn({ id: entry.id, stored: current }))
    }
  }
}

async function readRecord({ collection, recordId }: Entry): Promise<Fields | 'gone' | 'away'> {
  try {
    const response = await fetch(`${API}/${collection}/${recordId}?fresh`)
    if (response.status === 404) return 'gone'
    return response.ok ? await response.json() : 'away'
  } catch {
    return 'away'
  }
}

/** What a write asks for that is stored under another name. */
const DONE_AS: Record<string, string> = { finished: 'finishedAt' }

const holds = (current: Fields, fields: Fields): boolean =>
  Object.entries(fields).every(([name, value]) => {
    const as = DONE_AS[name]
    return as === undefined ? equalIgnoringWhitespace(current[name], value) : Boolean(current[as])
  })
