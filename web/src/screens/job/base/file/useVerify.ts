import type { Difference, Made, Suspicion } from '@tembrix/core/bench/diagnose'
import type { MeasuredChannels } from '@tembrix/core/bench/measure'
import {
  channelsMeasured,
  differencesFound,
  knownGood,
  openedBy,
  suspicionOf,
  trialsMade,
} from '@tembrix/core/shop/job'
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
  /** What is suspected by the trials made; null where nothing is placed to be suspected. */
  suspicion: Suspicion | null
  /** A trial had the machine open, and its outer covers may still be off. */
  opened: boolean
  set: (fields: VerificationChange) => void
}

/** The job's verification: what is seen against what should be, and what the trials made so far say. */
export function useVerify(): Verifying {
  const { file, machine, now, planned, learned, shop: shelf } = useJob()
  const { record, set } = useVerification()
  const view = useMemo(
    () => ({ file, machine, now, planned, ceilings: learned.ceilings }),
    [file, machine, now, planned, learned],
  )
  const channels = useMemo(() => channelsMeasured(view), [view])
  const found = useMemo(() => differencesFound(view), [view])
  const trials = useMemo(() => trialsMade(record, found, planned), [record, found, planned])
  const { causes } = useShop()
  const known = useMemo(
    () => knownGood(machine, now, planned, shelf, file.id),
    [machine, now, planned, shelf, file.id],
  )
  const suspicion = useMemo(
    () => suspicionOf(machine, planned, trials, causes, known),
    [machine, planned, trials, causes, known],
  )
  const opened = useMemo(
    () => openedBy(record.trials, planned.assignment),
    [record.trials, planned],
  )
  return { record, found, channels, trials, suspicion, opened, set }
}
