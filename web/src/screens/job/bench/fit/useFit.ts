import { type FittingStep, slotsAfter, waitsFor } from '@tembrix/core/bench/fitting'
import { benchSteps, startOfRound } from '@tembrix/core/shop/job'
import { isHere, type PlannedPart } from '@tembrix/core/shop/orders'
import {
  type Assignment,
  type Fit,
  type FitChange,
  type ModelRecord,
  movesOf,
  type Tick,
  UNFITTED,
} from '@tembrix/core/things/records'
import { useMemo } from 'react'
import type { Write } from '../../../../base/data'
import { useTechnician } from '../../../../base/shell'
import { useJob, useModelRecord, useOneRecord, useShop } from '../../base/file'

export interface Fitting {
  fit: Fit
  steps: FittingStep[]
  /** What is done, left out, or not yet. */
  tickOf: (step: FittingStep) => Tick | undefined
  /** Cautions and steps for safety that a step waits for. */
  waitsFor: (step: FittingStep) => FittingStep[]
  /** The part that a step puts in, where it is not here yet. */
  absentFor: (step: FittingStep) => PlannedPart | undefined
  /** What sits in the slots by the steps done. */
  slots: Assignment
  removed: string[]
  model: ModelRecord | undefined
  minutes: number
  set: (fields: FitChange) => void
  /** The same, not to be undone: the clock, and the end. */
  settle: (fields: FitChange & { finished?: true }, name?: string, along?: readonly Write[]) => void
  tick: (step: FittingStep, reason?: string) => void
  /** Marks several as done at once: cautions read together, a part of the work done in one go. */
  tickAll: (steps: readonly FittingStep[]) => void
  untick: (step: FittingStep) => void
}

/** The job's steps at the bench and how far they are; the record is begun with the first thing noted. */
export function useFit(): Fitting {
  const view = useJob()
  const { file, machine, now, planned, parts } = view
  const [technician] = useTechnician()
  const { terms } = useShop()
  const model = useModelRecord()
  const { record: fit, set, settle } = useOneRecord('fits', file.fits[0], UNFITTED)

  const steps = useMemo(
    () => benchSteps({ file, machine, now }, planned, model, terms),
    [file, machine, now, planned, model, terms],
  )

  return useMemo(() => {
    const tickOf = ({ id }: FittingStep) => fit.ticks[id]
    const isDone = (step: FittingStep) => tickOf(step)?.state === 'done'
    return {
      fit,
      steps,
      tickOf,
      waitsFor: (step) => waitsFor(steps, step, isDone),
      absentFor: ({ code, slots }) =>
        code === 'PUT_IN'
          ? parts?.find((part) => slots.includes(part.slot) && !isHere(part))
          : undefined,
      slots: slotsAfter(
        startOfRound(now.assignment, planned.assignment, fit),
        planned.assignment,
        steps,
        isDone,
      ),
      removed: movesOf(now.assignment, planned.assignment).removed,
      model,
      minutes: steps.reduce((sum, { minutes }) => sum + minutes, 0),
      set,
      settle,
      tick: (step, reason = '') => {
        const at = new Date().toISOString()
        const tick: Tick = {
          state: reason === '' ? 'done' : 'skipped',
          at,
          by: technician,
          reason,
        }
        const starts = !step.caution && fit.runningSince === null && fit.seconds === 0
        set({
          ticks: { ...fit.ticks, [step.id]: tick },
          ...(starts ? { runningSince: at } : {}),
        })
      },
      tickAll: (some) => {
        const tick: Tick = {
          state: 'done',
          at: new Date().toISOString(),
          by: technician,
          reason: '',
        }
        const works = some.some(({ caution }) => !caution)
        const starts = works && fit.runningSince === null && fit.seconds === 0
        set({
          ticks: { ...fit.ticks, ...Object.fromEntries(some.map(({ id }) => [id, tick])) },
          ...(starts ? { runningSince: tick.at } : {}),
        })
      },
      untick: ({ id }) => {
        const { [id]: _, ...ticks } = fit.ticks
        set({ ticks })
      },
    }
  }, [fit, steps, now.assignment, planned.assignment, parts, model, set, settle, technician])
}

/** Seconds at work until a moment. */
export function secondsUntil({ seconds, runningSince }: Fit, moment: number): number {
  const running = runningSince ? Math.max(0, moment - Date.parse(runningSince)) / 1000 : 0
  return Math.round(seconds + running)
}
