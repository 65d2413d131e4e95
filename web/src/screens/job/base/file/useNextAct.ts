import { counterFacts, counterStanding } from '@tembrix/core/shop/counter'
import type { NextAct } from '@tembrix/core/things/records'
import { useMemo } from 'react'
import { today } from '../../../../base/format'
import { useJob } from './JobContext'

/** The one thing to be done next in the job, as the counter says it. */
export function useNextAct(): NextAct {
  const { file, plan, parts } = useJob()
  return useMemo(
    () => counterStanding(counterFacts(file, plan.placement, parts ?? []), today()).act,
    [file, plan.placement, parts],
  )
}
