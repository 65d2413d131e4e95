import type { Difference, FaultSearch, Made } from '@tembrix/core/bench/diagnose'
import type { MeasuredChannels } from '@tembrix/core/bench/measure'
import {
  channelsMeasured,
  differencesFound,
  faultSearch,
  knownGood,
  openedBy,
  trialsMade,
} from '@tembrix/core/shop/job'
import { deepEqual } from '@tembrix/core/things/model'
import type { Verification, VerificationChange } from '@tembrix/core/things/records'
import { useMemo } from 'react'
import { useJob } from './JobContext'
import { useShop } from './useShop'
import { useVerification } from './useVerification'

export interface Verifying {
  record: Verification
  found: Difference[]
  /** What bandwidths measured tell of the channels at work. */
  channels: MeasuredChannels
  /** Trials made, with what came of each; before there is one, what was seen counts as the first. */
  trials: readonly Made[]
  /** The search for the fault by the trials made; null where nothing is placed to be suspected. */
  search: FaultSearch | null
  /** A trial had the machine open, and its outer covers may still be off. */
  opened: boolean
  set: (fields: VerificationChange) => void
}

/** The job's verification: what is seen against what should be, and what the trials made so far say. */
export function useVerify(): Verifying {
  const { file, machine, now, planned, atBench, learned, shop: shelf } = useJob()
  const { record, set } = useVerification()
  const view = useMemo(
    () => ({ file, machine, now, planned, ceilings: learned.ceilings }),
    [file, machine, now, planned, learned],
  )
  const channels = useMemo(() => channelsMeasured(view), [view])
  const found = useMemo(() => differencesFound(view), [view])
  const trials = useMemo(() => trialsMade(record, found, atBench), [record, found, atBench])
  const { causes } = useShop()
  const known = useMemo(
    () => knownGood(machine, now, atBench, shelf, file.id),
    [machine, now, atBench, shelf, file.id],
  )
  const fitted = !deepEqual(now.assignment, atBench.assignment)
  const search = useMemo(
    () => faultSearch(machine, atBench, trials, causes, known, fitted),
    [machine, atBench, trials, causes, known, fitted],
  )
  const opened = useMemo(
    () => openedBy(record.trials, atBench.assignment),
    [record.trials, atBench],
  )
  return { record, found, channels, trials, search, opened, set }
}
