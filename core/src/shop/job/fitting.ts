import {
  type FittingInput,
  type FittingStep,
  fittingSteps,
  type Openness,
} from '../../bench/fitting'
import { type FirmwareReason, firmwareFirst } from '../../judging/plan'
import type { Trained } from '../../things/knowledge'
import { isRegistered, type Machine, type Module, type Run } from '../../things/model'
import {
  type Assignment,
  type Fit,
  type JobFile,
  type ModelRecord,
  type Terms,
  UNFITTED,
  type Verification,
} from '../../things/records'
import { soakOf } from './proof'
import type { Situation } from './situation'

/** A job as far as its fitting goes. */
export interface ToFit {
  file: Pick<JobFile, 'fits' | 'verifications' | 'sizing'>
  machine: Machine
  now: Situation
}

/** How this machine is opened: as somebody saw at this fitting, else on the first of its model. */
export function opennessOf(
  fit: Pick<Fit, 'hatch' | 'battery' | 'static' | 'inTheWay' | 'testFrom'>,
  model: ModelRecord | undefined,
  { testFrom }: Pick<Terms, 'testFrom'>,
): Openness {
  return {
    hatch: fit.hatch ?? model?.hatch ?? null,
    battery: fit.battery ?? model?.battery ?? null,
    static: fit.static,
    covers: model?.covers ?? [],
    inTheWay: fit.inTheWay,
    testFrom: fit.testFrom ?? testFrom,
  }
}

/** Why the firmware is updated before these modules go in; empty where it need not be. */
export function firmwareReasons(
  { machine, now }: Pick<ToFit, 'machine' | 'now'>,
  planned: Situation,
): FirmwareReason[] {
  const found = new Set(Object.values(now.assignment).map(({ moduleId }) => moduleId))
  const all = modulesIn(planned)
  const added = Object.entries(planned.assignment).flatMap(([slot, { moduleId }]) => {
    const module = planned.placement[slot]
    return module && !found.has(moduleId) ? [module] : []
  })
  return firmwareFirst(machine, added, all)
}

const modulesIn = ({ placement }: Situation): Module[] =>
  Object.values(placement).flatMap((module) => (module ? [module] : []))

/** The highest voltage that a profile of these modules asks for, V. */
export function profileVolts({ placement }: Situation): number | null {
  const volts = Object.values(placement).flatMap((module) =>
    (module?.speeds ?? []).flatMap(({ kind, voltage }) =>
      kind === 'profile' && voltage !== undefined ? [voltage] : [],
    ),
  )
  return volts.length > 0 ? Math.max(...volts) : null
}

/** The modules of a machine, as far as they decide how long a first start takes. */
export const trainedBy = (
  { generation, channels }: Machine,
  modules: readonly Module[],
): Trained => ({
  generation,
  channels: channels.length,
  registered: modules.some(({ buffering }) => isRegistered(buffering)),
  sizes: modules.map(({ capacityGiB }) => capacityGiB),
})

/** Whether it came up when it was last tried; as far as nobody tried, it does. */
export const startsNow = (record: Pick<Verification, 'trials'> | undefined): boolean =>
  record?.trials.at(-1)?.outcome.kind !== 'NO_START'

/**
 * Slots as the work at the bench begins: as found, or, while a bad module is replaced, as planned with the bad one
 * still in.
 */
export function startOfRound(
  found: Assignment,
  planned: Assignment,
  fit: Pick<Fit, 'replaced'> | undefined,
): Assignment {
  const round = roundOf(fit)
  if (round === 0) return found
  const before = { ...planned }
  for (const { round: of, slot, moduleId, unit } of fit?.replaced ?? []) {
    if (of === round) before[slot] = { moduleId, unit }
  }
  return before
}

/** How often the fitting was taken up again for a bad module. */
export const roundOf = (fit: Pick<Fit, 'replaced'> | undefined): number =>
  Math.max(0, ...(fit?.replaced ?? []).map(({ round }) => round))

/** Steps at the bench for a plan of this job; those of a later round have ids of their own. */
export function benchSteps(...of: Parameters<typeof fittingInput>): FittingStep[] {
  const round = roundOf(of[0].file.fits[0])
  const steps = fittingSteps(fittingInput(...of))
  return round === 0 ? steps : steps.map((step) => ({ ...step, id: `${round}: ${step.id}` }))
}

/** Whether every module is where the plan has it, by the steps done at the bench. */
export function areMovesDone(...of: Parameters<typeof fittingInput>): boolean {
  const fit = of[0].file.fits[0]
  if (!fit) return false
  const moves = benchSteps(...of).filter(({ code }) => code === 'TAKE_OUT' || code === 'PUT_IN')
  return fit.finishedAt !== null || moves.every(({ id }) => fit.ticks[id]?.state === 'done')
}

const timingsOf = ({ cl, trcd, trp, tras }: Run) => ({ cl, trcd, trp, tras })

/** What the steps at the bench are made from, for a plan of this job. */
export function fittingInput(
  job: ToFit,
  planned: Situation,
  model: ModelRecord | undefined,
  terms: Terms,
): FittingInput {
  const { machine, now, file } = job
  const { evaluation, settings } = planned
  const { run, capacity, starts } = evaluation
  return {
    machine,
    found: startOfRound(now.assignment, planned.assignment, file.fits[0]),
    planned: planned.assignment,
    expected: starts && run ? { gib: capacity.installedGiB, dataRate: run.dataRate } : null,
    profile: settings.profile && run?.profile === true,
    setByHand: settings.manual && run ? { dataRate: run.dataRate, timings: timingsOf(run) } : null,
    profileNow: now.evaluation.run?.profile === true,
    firmwareFirst: firmwareReasons(job, planned).length > 0,
    trained: trainedBy(machine, modulesIn(planned)),
    grows: capacity.installedGiB > now.evaluation.capacity.installedGiB,
    graphicsGiB: file.sizing.graphicsGiB ?? null,
    nonVolatile: Object.entries(now.assignment).flatMap(([slot, { moduleId }]) =>
      now.placement[slot]?.nonVolatile ? [moduleId] : [],
    ),
    starts: startsNow(file.verifications[0]),
    soak: soakOf(planned, file.verifications[0]?.soak ?? null, terms),
    cautions: model?.cautions ?? [],
    openingMinutes: model?.openingMinutes ?? null,
    table: terms.labour,
    ...opennessOf(file.fits[0] ?? UNFITTED, model, terms),
  }
}
