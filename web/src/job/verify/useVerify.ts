import {
  type Arrangement,
  type Bench,
  type CauseTable,
  type Difference,
  differences,
  type Outcome,
  observed,
  STARTING_CAUSES,
  type Suspicion,
  suspect,
  type Trial,
} from '@tembrix/core/diagnose'
import { inferChannels, surelyAtWork } from '@tembrix/core/measure'
import { fillingOrder } from '@tembrix/core/plan'
import {
  type Assignment,
  type Measurement,
  type TrialMade,
  UNVERIFIED,
  type Verification,
  type VerificationChange,
} from '@tembrix/core/records'
import { useCallback, useMemo } from 'react'
import { created, useAppDispatch, useShopQuery } from '../../data'
import { useJob } from '../file'

export interface Verifying {
  record: Verification
  found: Difference[]
  /** Channels at work as the bandwidths measured after the change tell; null where they do not. */
  measuredWays: number | null
  /** What was seen, as the first trial: a start with everything in, without these slots; null where it is none. */
  firstSeen: { trial: Trial; outcome: Outcome } | null
  /** What is suspected by the trials made; null where nothing is placed to be suspected. */
  suspicion: Suspicion | null
  set: (fields: VerificationChange) => void
}

/** The job's verification: what is seen against what should be, and what the trials made so far say. */
export function useVerify(): Verifying {
  const { file, machine, planned, edit } = useJob()
  const dispatch = useAppDispatch()
  const known = file.verifications[0]
  const record: Verification = useMemo(
    () =>
      known ?? {
        ...UNVERIFIED,
        id: file.id,
        jobId: file.id,
        version: 0,
        createdAt: '',
        updatedAt: '',
      },
    [known, file.id],
  )
  const set = useCallback(
    (fields: VerificationChange) => {
      if (!known) {
        const target = { jobId: file.id, collection: 'verifications' as const, recordId: file.id }
        dispatch(created(target, { jobId: file.id }))
      }
      edit.set('verifications', record, fields)
    },
    [known, record, file.id, dispatch, edit],
  )
  const { placement, settings, assignment } = planned
  const measuredWays = useMemo(() => {
    const { run, zones } = planned.evaluation
    const most = machine.channels.length
    return run && most > 1
      ? waysMeasured(file.measurements, run.dataRate, most, zones[0]?.ways ?? 1)
      : null
  }, [file.measurements, planned.evaluation, machine])
  const found = useMemo(() => {
    const ways = record.seen.ways ?? measuredWays
    return differences(machine, placement, settings, { ...record.seen, ways })
  }, [machine, placement, settings, record.seen, measuredWays])
  const { data: shop } = useShopQuery()
  const causes = shop?.causes ?? STARTING_CAUSES
  const suspicion = useMemo(
    () =>
      suspicionOf(
        fillingOrder(machine),
        machine.slots,
        assignment,
        settings.profile,
        record.trials,
        causes,
      ),
    [machine, assignment, settings.profile, record.trials, causes],
  )
  const firstSeen = useMemo(() => {
    const slots = slotsMissing(found)
    if (slots.length === 0 || record.trials.length > 0) return null
    const arrangement = arrangementOf(assignment)
    const { profile } = settings
    const trial: Trial = { arrangement, reseat: false, profile, depth: 'start' }
    return { trial, outcome: { kind: 'MISSING' as const, slots } }
  }, [found, record.trials, assignment, settings])
  return { record, found, measuredWays, firstSeen, suspicion, set }
}

/** The most channels that any bandwidth measured after the change tells of. */
function waysMeasured(
  measurements: readonly Measurement[],
  dataRate: number,
  most: number,
  expected: number,
): number | null {
  const told = measurements.flatMap(({ bandwidth, configuration, runs }) => {
    if (!bandwidth || configuration !== 'after' || runs.length === 0) return []
    const best = Math.max(...runs)
    return surelyAtWork(inferChannels(best, bandwidth, dataRate, most, expected)) ?? []
  })
  return told.length > 0 ? Math.max(...told) : null
}

/** Slots whose module is not seen: shown empty, or the only one that the missing capacity can be. */
function slotsMissing(found: readonly Difference[]): string[] {
  const empty = found.filter(({ code }) => code === 'SLOT_EMPTY').flatMap(({ slots }) => slots)
  if (empty.length > 0) return empty
  const short = found.find(({ code }) => code === 'MISSING_MODULE')?.slots ?? []
  return short.length === 1 ? short : []
}

/** Modules by slot as the fault finder knows them: `moduleId unit`. */
export function arrangementOf(assignment: Assignment): Arrangement {
  return Object.fromEntries(
    Object.entries(assignment).map(([slot, { moduleId, unit }]) => [slot, `${moduleId} ${unit}`]),
  )
}

export function assignmentOf(arrangement: Arrangement): Assignment {
  return Object.fromEntries(
    Object.entries(arrangement).map(([slot, module]) => {
      const [moduleId = '', unit = '0'] = module.split(' ')
      return [slot, { moduleId, unit: Number(unit) }]
    }),
  )
}

function suspicionOf(
  order: readonly string[],
  slots: readonly { id: string; mustFill: boolean }[],
  assignment: Assignment,
  profile: boolean,
  trials: readonly TrialMade[],
  causes: CauseTable,
): Suspicion | null {
  const arrangement = arrangementOf(assignment)
  const modules = Object.values(arrangement)
  if (modules.length === 0 || modules.length > 8 || order.length > 8) return null
  const bench: Bench = {
    order,
    mustFill: slots.filter(({ mustFill }) => mustFill).map(({ id }) => id),
    modules,
  }
  return trials.reduce<Suspicion>(
    (now, { outcome, ...trial }) => observed(now, trial, outcome),
    suspect(bench, arrangement, profile, causes),
  )
}
