import { type SoakPlan, soakPlan } from '@tembrix/core/bench/soak'
import { evaluate } from '@tembrix/core/judging/evaluate'
import { forecaster } from '@tembrix/core/judging/sizing'
import {
  fastAtOnce,
  type Ladder,
  type LadderCase,
  ladder,
  proposed,
  SHORT_TEST,
  type SpeedPoint,
  speedPicture,
  type Tried,
  type TuneRefusal,
  type TuneSettings,
  tuneRefusal,
} from '@tembrix/core/judging/tune'
import { TEST_PASS } from '@tembrix/core/things/knowledge'
import type { Evaluation } from '@tembrix/core/things/model'
import type { TuneBesides } from '@tembrix/core/things/records'
import { useMemo } from 'react'
import { useTechnician } from '../../../../base/shell'
import { useJob, useShop, useVerification } from '../../base/file'

export interface Tuning {
  refusal: TuneRefusal | null
  picture: SpeedPoint[]
  /** The modules run at their fastest without a profile. */
  fastAtOnce: boolean
  rated: SpeedPoint | null
  best: SpeedPoint | null
  ladder: Ladder | null
  tried: readonly Tried[]
  note: (
    settings: TuneSettings,
    test: Tried['test'],
    outcome: Tried['outcome'],
    minutes: number,
    reason?: string,
  ) => void
  soak: SoakPlan
  /** Minutes below which a test was cut short. */
  least: LadderCase['least']
  takeBack: () => void
  /** Values beside speed and timings; null while nobody has noted any. */
  besides: TuneBesides | null
  setBesides: (besides: TuneBesides) => void
  /** Puts settings on the plan, null: leaves them to the firmware. */
  plan: (settings: TuneSettings | null) => void
}

/** Where a use is not known, every step is taken to be worth trying. */
const UNKNOWN_GAIN = 1.01

/** What the planned modules can be set to on this machine, and how far the ladder has been climbed. */
export function useTune(): Tuning {
  const { file, machine, plan, now, planned, learned, edit } = useJob()
  const [technician] = useTechnician()
  const { record, set } = useVerification()
  const { placement, settings } = planned
  const { profile } = settings
  const { uses: table, terms } = useShop()
  const gib = planned.evaluation.capacity.installedGiB
  const { soak: shortened } = record
  const soak = useMemo(
    () =>
      soakPlan({ gib, raised: true, limitHours: terms.soakHours, shortened: shortened ?? null }),
    [gib, terms.soakHours, shortened],
  )
  const least = useMemo(
    () => ({ short: SHORT_TEST.value, long: soak.passes * gib * TEST_PASS.value.fastest }),
    [soak, gib],
  )
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
    const gain = (from: Evaluation, to: TuneSettings) =>
      forecaster(table, file.sizing, from, learned.results)(at(to))?.median ?? UNKNOWN_GAIN
    return ladder({
      generation: machine.generation,
      picture,
      tried: tuning,
      gainOf: (from, to) => gain(at(from), to),
      gainOnFound: (to) => gain(now.evaluation, to),
      least,
    })
  }, [picture, tuning, machine, placement, profile, table, file.sizing, learned, now, least])
  return {
    refusal,
    picture,
    fastAtOnce: fastAtOnce(machine, placement),
    rated: picture.find((point) => point.rated) ?? null,
    best: proposed(picture),
    ladder: climbed,
    tried: tuning,
    soak,
    least,
    note: (tried, test, outcome, minutes, reason) => {
      const at = new Date().toISOString()
      const run = {
        id: crypto.randomUUID(),
        settings: tried,
        test,
        outcome,
        minutes,
        ...(reason ? { reason } : {}),
        at,
        by: technician,
      }
      set({ tuning: [...tuning, run] })
    },
    besides: record.besides ?? null,
    setBesides: (besides) => set({ besides }),
    takeBack: () => set({ tuning: tuning.slice(0, -1) }),
    plan: (manual) => edit.step('plans', plan, { manual }),
  }
}
