import type { FittingInput, Openness } from '../../bench/fitting'
import { type FirmwareReason, firmwareFirst } from '../../judging/plan'
import type { Trained } from '../../things/knowledge'
import { isRegistered, type Machine, type Module, type Run } from '../../things/model'
import {
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
    found: now.assignment,
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
