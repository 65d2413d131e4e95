import {
  type Arrangement,
  type Bench,
  type CauseTable,
  type Difference,
  type Made,
  observed,
  STARTING_CAUSES,
  type Suspicion,
  suspect,
} from '@tembrix/core/diagnose'
import type { ChannelsTold } from '@tembrix/core/measure'
import { type Machine, same } from '@tembrix/core/model'
import { fillingOrder } from '@tembrix/core/plan'
import type { Assignment, Verification, VerificationChange } from '@tembrix/core/records'
import { useMemo } from 'react'
import { useShopQuery } from '../../data'
import { type Situation, useJob, useVerification } from '../file'
import { channelsMeasured, differencesFound } from './standing'

export interface Verifying {
  record: Verification
  found: Difference[]
  /** What bandwidths measured tell of the channels at work. */
  channels: ChannelsTold
  /** Trials made, with what came of each; before there is one, what was seen counts as the first. */
  trials: readonly Made[]
  /** What is suspected by the trials made; null where nothing is placed to be suspected. */
  suspicion: Suspicion | null
  /** A trial had the machine open, and its outer covers may still be off. */
  opened: boolean
  set: (fields: VerificationChange) => void
}

/** The job's verification: what is seen against what should be, and what the trials made so far say. */
export function useVerify(): Verifying {
  const { file, machine, now, planned } = useJob()
  const { record, set } = useVerification()
  const { settings, assignment } = planned
  const view = useMemo(() => ({ file, machine, now, planned }), [file, machine, now, planned])
  const channels = useMemo(() => channelsMeasured(view), [view])
  const found = useMemo(() => differencesFound(view), [view])
  const trials = useMemo((): readonly Made[] => {
    const slots = slotsMissing(found)
    if (slots.length === 0 || record.trials.length > 0) return record.trials
    const arrangement = arrangementOf(assignment)
    const { profile } = settings
    return [
      { arrangement, reseat: false, profile, depth: 'start', outcome: { kind: 'MISSING', slots } },
    ]
  }, [found, record.trials, assignment, settings])
  const { data: shop } = useShopQuery()
  const causes = shop?.causes ?? STARTING_CAUSES
  const suspicion = useMemo(
    () => suspicionOf(machine, planned, trials, causes),
    [machine, planned, trials, causes],
  )
  const opened = useMemo(() => {
    const start = arrangementOf(assignment)
    return record.trials.some(({ reseat, arrangement }) => reseat || !same(arrangement, start))
  }, [record.trials, assignment])
  return { record, found, channels, trials, suspicion, opened, set }
}

/** Slots whose module is not seen. */
function slotsMissing(found: readonly Difference[]): string[] {
  const empty = found.filter(({ code }) => code === 'SLOT_EMPTY').flatMap(({ slots }) => slots)
  if (empty.length > 0) return empty
  return found.find(({ code }) => code === 'CHANNEL_GONE')?.slots ?? []
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
  machine: Machine,
  { assignment, placement, settings }: Situation,
  trials: readonly Made[],
  causes: CauseTable,
): Suspicion | null {
  const arrangement = arrangementOf(assignment)
  const modules = Object.values(arrangement)
  const order = fillingOrder(machine)
  if (modules.length === 0 || modules.length > 8 || order.length > 8) return null
  const sizes = Object.fromEntries(
    Object.entries(arrangement).map(([slot, name]) => [name, placement[slot]?.capacityGiB ?? 8]),
  )
  const bench: Bench = {
    order,
    mustFill: machine.slots.filter(({ mustFill }) => mustFill).map(({ id }) => id),
    modules,
    sizes,
    generation: machine.generation,
  }
  return trials.reduce<Suspicion>(
    (now, { outcome, ...trial }) => observed(now, trial, outcome),
    suspect(bench, arrangement, settings.profile, causes),
  )
}
