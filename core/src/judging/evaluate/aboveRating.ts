import {
  type Evaluation,
  type Generation,
  known,
  type Machine,
  type Placement,
} from '../../things/model'
import { evaluate } from './evaluate'
import { fittedModules } from './fitted'
import { highestStep, loadsOf } from './rate'

/** How often a plan above the controller's rating runs: nearly always, by the very processor and board, hardly ever. */
export const GRADES = ['everyday', 'doubtful', 'unlikely'] as const
export type Grade = (typeof GRADES)[number]

export interface AboveRating {
  dataRate: number
  /** What the controller is rated for at this load. */
  rating: number
  /** How far above, as a share. */
  share: number
  grade: Grade
  /** The usual way out: set by hand to this, MT/s; the highest standard step that runs every day. */
  holds: number
  /** What it runs at with nothing switched on or set by hand, MT/s: all that can be promised. */
  fallsBackTo: number
}

/** Speeds of a load, MT/s: up to `everyday` it runs nearly always, above `hardly` hardly ever. */
interface Reach {
  modulesPerChannel: number
  ranks: number
  everyday: number
  hardly: number
}

/** Speeds that controllers of a generation reach, whatever they are rated for; the last row that a load reaches counts. */
export const REACHED_ABOVE = known<Partial<Record<Generation, readonly Reach[]>>>(
  {
    DDR3: [
      { modulesPerChannel: 1, ranks: 1, everyday: 1866, hardly: 2400 },
      { modulesPerChannel: 2, ranks: 1, everyday: 1600, hardly: 2133 },
    ],
    DDR4: [
      { modulesPerChannel: 1, ranks: 1, everyday: 3600, hardly: 4400 },
      { modulesPerChannel: 2, ranks: 1, everyday: 3200, hardly: 4000 },
      { modulesPerChannel: 2, ranks: 2, everyday: 2933, hardly: 3466 },
    ],
    DDR5: [
      { modulesPerChannel: 1, ranks: 1, everyday: 6000, hardly: 7200 },
      { modulesPerChannel: 1, ranks: 2, everyday: 6000, hardly: 6800 },
      { modulesPerChannel: 2, ranks: 1, everyday: 5200, hardly: 6000 },
      { modulesPerChannel: 2, ranks: 2, everyday: 4400, hardly: 5200 },
    ],
  },
  'A judgement from what shops report: two modules run at the speeds of everyday kits, four and those of two ranks load the controller more.',
  '2026-12',
)

/** Above the rating by this share it runs nearly always, beyond the next hardly ever, where the table reaches less. */
export const SHARE_ABOVE = known(
  { everyday: 0.15, hardly: 0.3 },
  'A judgement for generations and controllers beyond the table: a step above the rating is within what makers leave as a reserve.',
)

/**
 * How far a placement runs above the controller's rating at its load, null where it does not. Four dual-rank modules
 * at a profile made for two are far above, though the profile is the same. Every finding, plan, quote and report
 * takes its grade from here.
 */
export function aboveRating(
  machine: Machine,
  placement: Placement,
  { run }: Pick<Evaluation, 'run'>,
): AboveRating | null {
  if (!run || run.dataRate <= run.controllerRating) return null
  const { dataRate, controllerRating: rating } = run
  const { generation } = machine
  const loads = loadsOf(machine, fittedModules(machine, placement))
  const rows = REACHED_ABOVE.value[generation] ?? []
  const reached = loads.map(({ modules, ranks }) =>
    rows.findLast((row) => row.modulesPerChannel <= modules && row.ranks <= ranks),
  )
  const least = (of: 'everyday' | 'hardly') =>
    Math.max(
      Math.min(...reached.map((row) => row?.[of] ?? 0)),
      rating * (1 + SHARE_ABOVE.value[of]),
    )
  const plain = evaluate({ machine, placement, settings: { profile: false } }).run
  return {
    dataRate,
    rating,
    share: dataRate / rating - 1,
    grade:
      dataRate <= least('everyday')
        ? 'everyday'
        : dataRate <= least('hardly')
          ? 'doubtful'
          : 'unlikely',
    holds: highestStep(generation, least('everyday')),
    fallsBackTo: plain?.dataRate ?? rating,
  }
}
