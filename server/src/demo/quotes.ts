import { fittingSteps } from '@tembrix/core/bench/fitting'
import { fittingInput, situationOf } from '@tembrix/core/shop/job'
import { priced } from '@tembrix/core/shop/money'
import { labourOf, minutesOf } from '@tembrix/core/shop/quote'
import {
  type Assignment,
  NOTHING_SIZED,
  piecesById,
  purchasesOf,
  type QuoteDocument,
  type QuoteOption,
  STAGES,
} from '@tembrix/core/things/records'
import { addDays, formatISO, subDays } from 'date-fns'
import { type jobs, modules, type plans, type Transaction } from '../base/database'
import {
  change,
  create,
  customerKind,
  find,
  machineKind,
  quoteKind,
  type RecordRow,
} from '../things/store'
import { DEMO_SHOP } from './shop'

type Job = RecordRow<typeof jobs>
type Plan = Pick<typeof plans.$inferSelect, 'id' | 'name' | 'placement' | 'profile'>

/** A quote over a job's plans from the stage it is quoted at, given to the customer where it is `given`, approved from the stage it is fitted at. */
export async function seedQuote(
  tx: Transaction,
  job: Job,
  found: Assignment,
  offered: readonly Plan[],
  given: boolean,
  machines: number,
): Promise<void> {
  const stage = STAGES.indexOf(job.stage)
  if (stage < STAGES.indexOf('quote')) return
  const options = offered.map(
    ({ id }): QuoteOption => ({
      id: crypto.randomUUID(),
      planId: id,
      title: '',
      wording: null,
      minutes: null,
      credits: {},
      extras: [],
    }),
  )
  const quote = { jobId: job.id, number: 1, options, note: '' }
  const { row } = await create(tx, quoteKind, quote)
  const isApproved = stage >= STAGES.indexOf('fit')
  if (!isApproved && !given) return
  const document = await documentOf(tx, job, found, options, offered, machines)
  const customer = await find(tx, customerKind, job.customerId)
  const at = subDays(new Date(), 1).toISOString()
  const optionId = options[0]?.id as string
  const approval = { name: customer.name, optionId, at, takenBy: 'Mika' }
  await change(tx, quoteKind, row.id, {
    version: 1,
    offered: { at, by: 'Mika' },
    approval: isApproved ? approval : null,
    document,
  })
}

async function documentOf(
  tx: Transaction,
  job: Job,
  found: Assignment,
  options: readonly QuoteOption[],
  offered: readonly Plan[],
  machines: number,
): Promise<QuoteDocument> {
  const { terms } = DEMO_SHOP
  const { machine } = await find(tx, machineKind, job.machineId)
  const customer = await find(tx, customerKind, job.customerId)
  const pieces = piecesById(await tx.select().from(modules))
  const now = situationOf(machine, found, pieces, { profile: false })
  return {
    shopName: terms.shopName,
    address: terms.address,
    customerName: customer.name,
    machineName: machines > 1 ? `${machines} × ${machine.name}` : machine.name,
    currency: terms.currency,
    taxPercent: terms.taxPercent,
    pricesIncludeTax: terms.pricesIncludeTax,
    validUntil: formatISO(addDays(new Date(), terms.validDays), { representation: 'date' }),
    note: '',
    returnTerms: terms.returnTerms,
    options: offered.map(({ placement, profile }, at) => {
      const assignment = placement ?? found
      const bought = purchasesOf(assignment, pieces)
      const planned = situationOf(machine, assignment, pieces, { profile })
      const job = { file: { fits: [], verifications: [], sizing: NOTHING_SIZED }, machine, now }
      const steps = fittingSteps(fittingInput(job, planned, undefined, terms))
      const minutes = minutesOf(labourOf(steps))
      const { labour, ...sum } = priced({
        ...terms,
        parts: bought.map(({ times, price }) => machines * times * (price ?? 0)),
        minutes: machines * minutes,
        extras: [],
        credits: [],
      })
      const total = Object.values(assignment).reduce(
        (gib, { moduleId }) => gib + (pieces.get(moduleId)?.module.capacityGiB ?? 0),
        machine.soldered.reduce((gib, { module }) => gib + module.capacityGiB, 0),
      )
      return {
        id: options[at]?.id as string,
        title: `${total} GB of memory`,
        wording: `We fit new memory, so that your computer has ${total} GB. What we take out stays yours: please tell us whether you want it back.`,
        lines: [
          ...bought.map(({ piece, times, price }) => ({
            kind: 'part' as const,
            text: piece.module.article,
            quantity: machines * times,
            amount: machines * times * (price ?? 0),
          })),
          {
            kind: 'labour' as const,
            text: `Work, ${minutes} minutes${machines > 1 ? ' for each' : ''}`,
            quantity: machines,
            amount: labour,
          },
        ],
        ...sum,
        machines,
        minutes,
        placement: assignment,
        profile,
      }
    }),
  }
}
