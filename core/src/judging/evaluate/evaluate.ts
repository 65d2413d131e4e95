import {
  type Evaluation,
  type EvaluationRequest,
  firstWordNs,
  type Run,
  systemLimitGiB,
} from '../../things/model'
import { advice } from './advice'
import { channelCapacities, fittedModules, totalGiB } from './fitted'
import { modeOf, spans, wholePeakGBs, zonesAt } from './layout'
import { isAsked, profilePossible, setRate, speedLimits } from './rate'
import { stops } from './stops'
import { isTighter, systemTimings } from './timings'

/**
 * What a placement does: whether the machine starts, how its memory lies across channels, what it
 * runs at and what held it, and what to warn about. The request must satisfy `EvaluationRequest`. Where nobody
 * knows how the controller interleaves, unequal channels are taken not to, and `alternative` is the result if they do.
 */
export function evaluate(request: EvaluationRequest): Evaluation {
  const evaluation = evaluated(request)
  if (request.machine.interleave !== 'unknown' || !evaluation.starts) return evaluation
  const flex = { ...request.machine, interleave: 'flex' as const }
  return { ...evaluation, alternative: evaluated({ ...request, machine: flex }) }
}

function evaluated({ machine, placement, settings }: EvaluationRequest): Evaluation {
  const fitted = fittedModules(machine, placement)
  const installedGiB = totalGiB(fitted)
  const findings = stops(machine, fitted)
  if (findings.length > 0) {
    return {
      starts: false,
      findings,
      capacity: { installedGiB, usableGiB: 0 },
      zones: [],
      mode: null,
      run: null,
    }
  }

  const modules = fitted.map(({ module }) => module)
  const profile = settings.profile && profilePossible(machine, fitted)
  const kind = profile ? 'profile' : 'standard'
  const held = speedLimits(machine, fitted, kind)
  const manual = machine.profiles ? (settings.manual ?? null) : null
  const { dataRate, limitedBy } = setRate(machine, held, manual)
  const rated = systemTimings(modules, kind, dataRate, machine.generation)
  const timings = manual?.timings ?? rated
  const capacities = channelCapacities(fitted)
  const layout = spans(capacities, machine.interleave)
  const zones = zonesAt(layout, dataRate)
  const halfRate = machine.syncCeiling !== null && dataRate > machine.syncCeiling

  const run: Run = {
    dataRate,
    profile,
    limitedBy,
    controllerRating: held.controller,
    cl: timings.cl,
    trcd: timings.trcd,
    trp: timings.trp,
    tras: timings.tras,
    clocking: halfRate ? 'half-rate' : 'synchronous',
    firstWordNs: firstWordNs(timings.cl, dataRate, halfRate ? machine.desyncPenalty : 0),
    wholePeakGBs: wholePeakGBs(zones),
  }
  return {
    starts: true,
    findings: advice({
      machine,
      fitted,
      layout,
      capacities,
      run,
      profileAsked: settings.profile,
      setByHand: manual?.dataRate != null,
      tighter: isTighter(timings, rated),
      commonRate: held.modules,
      manualBlocked: !machine.profiles && isAsked(settings.manual),
    }),
    capacity: {
      installedGiB,
      usableGiB: Math.min(installedGiB, systemLimitGiB(machine) ?? Infinity),
    },
    zones,
    mode: modeOf(layout),
    run,
  }
}
