import { evaluate } from '@tembrix/core/judging/evaluate'
import { forecaster } from '@tembrix/core/judging/sizing'
import {
  type Ladder,
  ladder,
  proposed,
  type SpeedPoint,
  speedPicture,
  type Tried,
  type TuneRefusal,
  type TuneSettings,
  tuneRefusal,
} from '@tembrix/core/judging/tune'
import type { Evaluation } from '@tembrix/core/things/model'
import { useMemo } from 'react'
import { useTechnician } from '../../../../base/shell'
import { useJob, useShop, useVerification } from '../../base/file'

export interface Tuning {
  refusal: TuneRefusal | null
  picture: SpeedPoint[]
  rated: SpeedPoint | null
  best: SpeedPoint | null
  ladder: Ladder | null
  tried: readonly Tried[]
  note: (
    settings: TuneSettings,
    test: Tried['test'],
    outcome: Tried['outcome'],
    minutes: number,
  ) => void
  takeBack: () => void
  /** Puts settings on the plan, null: leaves them to the firmware. */
  plan: (settings: TuneSettings | null) => void
}

/** Where a use is not known, every step is taken to be worth trying. */
const UNKNOWN_GAIN = 1.01

/** What the planned modules can be set to on this machine, and how far the ladder has been climbed. */
export function useTune(): Tuning {
  const { file, machine, plan, planned, learned, edit } = useJob()
  const [technician] = useTechnician()
  const { record, set } = useVerification()
  const { placement, settings } = planned
  const { profile } = settings
  const { uses: table } = useShop()
  const refusal = useMemo(() => tuneRefusal(machine, placement), [machine, placement])
  const picture = useMemo(
    () => (refusal ? [] : speedPicture(machine, placement, profile)),
    [refusal, machine, placement, profile],
  )
  const { tuning } = record
  const climbed = useMemo(() => {
    if (picture.length === 0) return null
    const at = (manual: TuneSettings): Evaluation =>
      evaluate({ machine, placement, settings: { profile, manual } })
    const gainOf = (from: TuneSettings, to: TuneSettings) =>
      forecaster(table, file.sizing, at(from), learned.results)(at(to))?.median ?? UNKNOWN_GAIN
    return ladder({ generation: machine.generation, picture, tried: tuning, gainOf })
  }, [picture, tuning, machine, placement, profile, table, file.sizing, learned])
  return {
    refusal,
    picture,
    rated: picture.find((point) => point.rated) ?? null,
    best: proposed(picture),
    ladder: climbed,
    tried: tuning,
    note: (tried, test, outcome, minutes) => {
      const at = new Date().toISOString()
      const run = {
        id: crypto.randomUUID(),
        settings: tried,
        test,
        outcome,
        minutes,
        at,
        by: technician,
      }
      set({ tuning: [...tuning, run] })
    },
    takeBack: () => set({ tuning: tuning.slice(0, -1) }),
    plan: (manual) => edit.step('plans', plan, { manual }),
  }
}
