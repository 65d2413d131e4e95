import { z } from 'zod'
import { Machine } from '../model'
import type { Demand } from './demand'
import { needed } from './judged'
import { type Advice, adviseSpending, COMPLAINTS, DISKS } from './spend'
import { buildableTotals, type Total } from './totals'
import { ChosenUse, STARTING_USES, type UseDemand, UseTable } from './uses'

const Amount = z.number('A number.').min(0, 'Not below 0.').max(65_536)

/** What a log of the memory in use says, GiB. */
const Log = z.object({
  count: z.int().positive(),
  spanSeconds: Amount.nullable().default(null),
  peakGiB: Amount,
  p99GiB: Amount,
  tightShare: z.number().min(0).max(1),
  cutOff: z.boolean(),
  pagingShare: z.number().min(0).max(0.99).nullable().default(null),
})

/** The shape of `POST /api/v1/size`; without a table the one a shop starts with. */
export const SizeShape = z.object({
  table: UseTable.default(STARTING_USES),
  uses: z.array(ChosenUse).max(60).default([]),
  integratedGraphics: z.boolean().default(false),
  disk: z.enum(DISKS).default('unknown'),
  slow: z.array(z.enum(COMPLAINTS)).max(COMPLAINTS.length).default([]),
  log: Log.nullable().default(null),
  years: z.int().min(0).max(15).nullable().default(null),
  installedGiB: z
    .number('How much is fitted, GiB.')
    .positive('Must be greater than 0.')
    .max(65_536),
  machine: Machine.nullable().default(null),
})
export type SizeRequest = z.infer<typeof SizeShape>

export interface SizeAnswer {
  uses: UseDemand | null
  demand: Demand | null
  advice: Advice
  /** What the machine can be built to, where one was named. */
  totals: Total[] | null
}

/** How much memory is needed, and whether memory is the right thing to buy. */
export function size(request: SizeRequest): SizeAnswer {
  const { table, installedGiB, machine, disk, slow, log } = request
  const { uses, demand } = needed(table, { ...request, wantedGiB: null }, installedGiB)
  return {
    uses,
    demand,
    advice: adviseSpending({ installedGiB, demand, log, disk, slow }),
    totals: machine && buildableTotals(machine),
  }
}
