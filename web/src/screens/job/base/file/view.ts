import { createSelector } from '@reduxjs/toolkit'
import { type Evidence, unseenSlots } from '@tembrix/core/reading/evidence'
import {
  boardFirst,
  errorsFound,
  evidenceOf,
  type Learned,
  machineInUse,
  NOTHING_KNOWN,
  type Situation,
  situationOf,
} from '@tembrix/core/shop/job'
import {
  isHere,
  type PlannedPart,
  plannedParts,
  slotsWithWhatIsHere,
} from '@tembrix/core/shop/orders'
import type { ErrorLog, Machine } from '@tembrix/core/things/model'
import {
  costOf,
  equalIgnoringWhitespace,
  type JobFile,
  type Piece,
  type Plan,
  piecesById,
  type ShopModule,
} from '@tembrix/core/things/records'
import { api, jobsApi, modulesApi, overlay, type State } from '../../../../base/data'
import { readingOf } from './readingOf'

/** A job as it is shown: what the server has, with everything typed since laid over it, and what that comes to. */
export interface ShownJob {
  file: JobFile
  /** As it is judged; what is changed is the record, in the file. */
  machine: Machine
  plan: Plan
  shop: ShopModule[]
  pieces: ReadonlyMap<string, Piece>
  now: Situation
  planned: Situation
  cost: { total: number; unpriced: number }
  evidence: Evidence
  /** The system’s error log as it was when the machine came in; null where nobody took it. */
  errorsFound: ErrorLog | null
  /** What the shop’s own measurements teach. */
  learned: Learned
  /** Where each part of the plan on the board is; null where orders cannot be read. */
  parts: PlannedPart[] | null
  /** Slots as planned with what is here: what trials can use. */
  atBench: Situation
  /** Slots that nobody has looked into: they may be empty or not. */
  unseen: string[]
}

const NO_SHOP: ShopModule[] = []
/** As found: nothing asked for, nothing set. */
const PLAIN = { profile: false, manual: null }

/** The file of a job as it is shown; undefined until it was read. */
export function fileSelector(id: string): (state: State) => JobFile | undefined {
  const stored = api.endpoints.job.select(id)
  return createSelector(
    (state: State) => stored(state).data,
    (state: State) => state.outbox.entries,
    (file, entries) => file && boardFirst(overlay(file, entries)),
  )
}

/** The shelf, with what plans hold of suppliers, and the suppliers' offers as far as they were read. */
function allOf(shelf: ShopModule[], offers: ShopModule[]): ShopModule[] {
  if (offers.length === 0) return shelf
  const known = new Set(shelf.map(({ id }) => id))
  return [...shelf, ...offers.filter(({ id }) => !known.has(id))]
}

/** The shop's pieces and offers of a job's kind, as far as they were read. */
function shopSelector(id: string): (state: State) => ShopModule[] {
  const file = fileSelector(id)
  const onShelf = modulesApi.endpoints.shelf.select({ forJob: id })
  const ofKind = createSelector(
    (state: State) => file(state)?.machine.machine.generation,
    (state: State) => file(state)?.machine.machine.formFactor,
    (generation, formFactor) =>
      generation && formFactor
        ? modulesApi.endpoints.offersOfKind.select({ generation, formFactor })
        : () => ({ data: NO_SHOP }),
  )
  const shelf = (state: State) => onShelf(state).data ?? NO_SHOP
  const offers = (state: State) => ofKind(state)(state).data ?? NO_SHOP
  return createSelector(shelf, offers, allOf)
}

/** The ids in slots of a job, found or planned, of which no piece was read, in one text; none while nothing was. */
export function missingSelector(id: string): (state: State) => string {
  const file = fileSelector(id)
  const shop = shopSelector(id)
  return createSelector(file, shop, (job, all) => {
    // Nothing was read yet.
    if (!job || all === NO_SHOP) return ''
    const known = new Set([...job.modules, ...all].map((one) => one.id))
    const placed = [job.found, ...job.plans.map(({ placement }) => placement ?? {})]
    const ids = placed.flatMap((one) => Object.values(one).map(({ moduleId }) => moduleId))
    return [...new Set(ids.filter((one) => !known.has(one)))].sort().join()
  })
}

/** Everything that a job’s screens show, each part as long the same as what it is worked out from. */
export function jobSelector(id: string): (state: State) => ShownJob {
  const file = fileSelector(id) as (state: State) => JobFile
  const part =
    <T>(name: (file: JobFile) => T) =>
    (state: State) =>
      name(file(state))
  const plan = part((job) => job.plans[0] as Plan)
  const found = part((job) => job.found)
  const shop = shopSelector(id)
  const learned = (state: State) => jobsApi.endpoints.learned.select()(state).data ?? NOTHING_KNOWN
  const pieces = createSelector(
    part((job) => job.modules),
    shop,
    (own, all) => piecesById([...own, ...all]),
  )
  const machine = createSelector(
    part((job) => job.machine),
    found,
    pieces,
    machineInUse,
  )
  const now = createSelector(machine, found, pieces, (...held) => situationOf(...held, PLAIN))
  // The same as long as it says the same: a write that the server answers is another object.
  const placement = createSelector(plan, found, (held, asFound) => held.placement ?? asFound, {
    memoizeOptions: { resultEqualityCheck: equalIgnoringWhitespace },
  })
  const settings = createSelector(
    (state: State) => plan(state).profile,
    (state: State) => plan(state).manual,
    (profile, manual) => ({ profile, manual }),
  )
  const planned = createSelector(machine, placement, pieces, settings, situationOf)
  const cost = createSelector((state: State) => planned(state).assignment, pieces, costOf)
  const evidence = createSelector(
    part((job) => job.readings),
    part((job) => job.machine),
    part((job) => job.rulings),
    (state: State) => now(state).assignment,
    (state: State) => now(state).evaluation.run?.dataRate ?? null,
    (readings, machine, rulings, assignment, runsAt) =>
      evidenceOf({ readings, machine, rulings, assignment, runsAt, decode: readingOf }),
  )
  const errors = createSelector(
    part((job) => job.readings),
    part((job) => job.fits),
    (readings, fits) => errorsFound({ readings, fits }, readingOf),
  )
  const unseen = createSelector(evidence, unseenSlots)
  const units = jobsApi.endpoints.jobParts.select(id)
  const parts = createSelector(
    found,
    (state: State) => planned(state).assignment,
    pieces,
    (state: State) => units(state).data,
    part((job) => job.fits[0]),
    (found, planned, pieces, units, fit) =>
      units ? plannedParts({ jobId: id, found, planned, pieces, units, fit }) : null,
  )
  const placedHere = createSelector(
    found,
    (state: State) => planned(state).assignment,
    parts,
    (found, planned, parts) =>
      parts === null || parts.every(isHere) ? planned : slotsWithWhatIsHere(found, parts),
    { memoizeOptions: { resultEqualityCheck: equalIgnoringWhitespace } },
  )
  const atBench = createSelector(machine, placedHere, pieces, settings, situationOf)
  return createSelector(
    [
      file,
      machine,
      plan,
      shop,
      pieces,
      now,
      planned,
      cost,
      evidence,
      errors,
      learned,
      unseen,
      parts,
      atBench,
    ],
    (
      ...[
        file,
        machine,
        plan,
        shop,
        pieces,
        now,
        planned,
        cost,
        evidence,
        errorsFound,
        learned,
        unseen,
        parts,
        atBench,
      ]
    ) => ({
      file,
      machine,
      plan,
      shop,
      pieces,
      now,
      planned,
      cost,
      evidence,
      errorsFound,
      learned,
      unseen,
      parts,
      atBench,
    }),
  )
}
