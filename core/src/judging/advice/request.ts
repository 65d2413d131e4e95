import { z } from 'zod'
import { Machine, Placement, Settings } from '../../things/model'
import type { ShopResult } from '../forecast'
import {
  buildableTotals,
  ChosenUse,
  cardsIn,
  type Demand,
  judgeNeed,
  logOfJob,
  STARTING_USES,
  type Total,
  type UseDemand,
  UseTable,
} from '../sizing'
import { layoutAdvice } from './layout'
import { type Advice, adviseSpending, COMPLAINTS, DISKS } from './spend'

const Amount = z.number('A number.').min(0, 'Not below 0.').max(65_536)

/** Summary of a log of memory in use, GiB. */
const Log = z.object({
  count: z.int().positive(),
  spanSeconds: Amount.nullable().default(null),
  peakGiB: Amount,
  p99GiB: Amount,
  tightShare: z.number().min(0).max(1),
  cutOff: z.boolean(),
  pagingShare: z.number().min(0).max(0.99).nullable().default(null),
  card: z
    .object({
      full: z.number().min(0).max(1).nullable().default(null),
      busy: z.number().min(0).max(1).nullable().default(null),
      waits: z.number().min(0).max(1).nullable().default(null),
    })
    .nullable()
    .default(null),
})

/**
 * The shape of `POST /api/v1/size`; without a table the one a shop starts with. With a placement the advice reads how
 * memory lies in the machine; without settings nobody knows whether the memory profile is on.
 */
export const SizeShape = z
  .object({
    table: UseTable.default(STARTING_USES),
    uses: z.array(ChosenUse).max(60).default([]),
    integratedGraphics: z.boolean().nullable().default(null),
    disk: z.enum(DISKS).default('unknown'),
    slow: z.array(z.enum(COMPLAINTS)).max(COMPLAINTS.length).default([]),
    log: Log.nullable().default(null),
    /** Logs taken while single uses were done. */
    useLogs: z
      .array(Log.extend({ use: z.string().max(40) }))
      .max(20)
      .default([]),
    years: z.int().min(0).max(15).nullable().default(null),
    installedGiB: z
      .number('How much is fitted, GiB.')
      .positive('Must be greater than 0.')
      .max(65_536),
    machine: Machine.nullable().default(null),
    placement: Placement.nullable().default(null),
    settings: Settings.nullable().default(null),
    /** Slots that nobody has looked into. */
    unseen: z.array(z.string().max(24)).max(64).default([]),
  })
  .superRefine(({ machine, placement }, context) => {
    const complain = (path: string[], message: string) =>
      context.addIssue({ code: 'custom', path, message })
    if (placement && !machine) complain(['machine'], 'A placement needs its machine.')
    if (!placement || !machine) return
    for (const id of Object.keys(placement)) {
      if (machine.slots.some((slot) => slot.id === id)) continue
      complain(['placement', id], `The machine has no slot ${id}.`)
    }
  })
export type SizeRequest = z.infer<typeof SizeShape>

export interface SizeAnswer {
  uses: UseDemand | null
  demand: Demand | null
  advice: Advice
  /** Totals the machine can be built to; null without a machine. */
  totals: Total[] | null
}

/** How much memory is needed, and whether memory is the right thing to buy. */
export function size(request: SizeRequest, results: readonly ShopResult[] = []): SizeAnswer {
  const { table, installedGiB, machine, disk, slow, placement, settings, unseen } = request
  const said = { ...request, wantedGiB: null }
  const { uses, demand } = judgeNeed(table, said, installedGiB)
  const layout =
    machine && placement
      ? layoutAdvice({ machine, placement, settings, unseen, table, said, results })
      : null
  return {
    uses,
    demand,
    advice: adviseSpending({
      installedGiB,
      demand,
      log: logOfJob(table, said),
      disk,
      slow,
      layout,
      cards: cardsIn(request),
    }),
    totals: machine && buildableTotals(machine),
  }
}
