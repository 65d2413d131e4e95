import { fittingSteps } from '../../bench/fitting'
import { type FreeLayout, type LayoutCase, moved } from '../../judging/advice'
import { evaluate } from '../../judging/evaluate'
import type { UseTable } from '../../judging/sizing'
import type { Evidence } from '../../reading/evidence'
import type { Machine, Settings } from '../../things/model'
import type { JobFile, ModelRecord, Piece, Terms } from '../../things/records'
import { labourOf, minutesOf } from '../quote'
import { fittingInput, type ToFit } from './fitting'
import type { Learned } from './learned'
import { type Situation, situationOf } from './situation'

/** A job as far as the layout of its memory goes. */
export interface ToAdvise {
  file: Pick<JobFile, 'sizing'>
  machine: Machine
  now: Situation
  evidence: Pick<Evidence, 'slots'>
  unseen: readonly string[]
  learned: Pick<Learned, 'results'>
}

/**
 * The settings a machine came in with: as somebody looked, else as the speeds tell that its reports show. Null where
 * neither says, and modules could run by a memory profile.
 */
export function settingsFound({ file, machine, now, evidence }: ToAdvise): Settings | null {
  const { profileOn } = file.sizing
  if (profileOn !== null) return { profile: profileOn }
  const settings = { profile: true }
  const on = evaluate({ machine, placement: now.placement, settings }).run
  const off = now.evaluation.run
  if (!on?.profile || !off) return { profile: false }
  const seen = evidence.slots.flatMap(({ running }) =>
    running?.rate && running.rate.clockOrRate !== 'ambiguous'
      ? [running.rate.configuredDataRate]
      : [],
  )
  const all = (rate: number) => seen.length > 0 && seen.every((one) => one === rate)
  if (on.dataRate === off.dataRate) return null
  if (all(on.dataRate)) return { profile: true }
  return all(off.dataRate) ? { profile: false } : null
}

/** Input of the layout advice for a job. */
export function layoutCase(job: ToAdvise, table: UseTable): LayoutCase {
  const { file, machine, now, unseen, learned } = job
  return {
    machine,
    placement: now.placement,
    settings: settingsFound(job),
    unseen,
    table,
    said: file.sizing,
    results: learned.results,
  }
}

/** A correction without buying as a plan: slot by slot, with its minutes of work. */
export function freePlan(
  job: ToFit & { pieces: ReadonlyMap<string, Piece> },
  free: Pick<FreeLayout, 'moves' | 'settings'>,
  model: ModelRecord | undefined,
  terms: Terms,
): { situation: Situation; minutes: number } {
  const placement = moved(job.now.assignment, free.moves)
  const situation = situationOf(job.machine, placement, job.pieces, free.settings)
  const steps = fittingSteps(fittingInput(job, situation, model, terms))
  return { situation, minutes: minutesOf(labourOf(steps)) }
}
