import { type Advice, adviseSpending, layoutAdvice } from '@tembrix/core/judging/advice'
import { cardsIn, logOfJob } from '@tembrix/core/judging/sizing'
import { layoutCase } from '@tembrix/core/shop/job'
import { useMemo } from 'react'
import { useJob } from './JobContext'
import { useNeed } from './useNeed'
import { useShop } from './useShop'

/** The advice on what to spend on for this job’s machine. */
export function useAdvice(): Advice {
  const { file, machine, now, evidence, unseen, learned } = useJob()
  const { uses: table } = useShop()
  const { demand } = useNeed()
  const { sizing } = file
  const layout = useMemo(
    () =>
      now.evaluation.starts
        ? layoutAdvice(
            layoutCase({ file: { sizing }, machine, now, evidence, unseen, learned }, table),
          )
        : null,
    [sizing, machine, now, evidence, unseen, learned, table],
  )
  return useMemo(() => {
    const { disk, slow } = sizing
    const cards = cardsIn(sizing)
    const log = logOfJob(table, sizing)
    const { installedGiB } = now.evaluation.capacity
    return adviseSpending({ installedGiB, demand, log, disk, slow, layout, cards })
  }, [sizing, now, demand, layout, table])
}
