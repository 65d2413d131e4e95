import type { Machine, Module } from '@tembrix/core/things/model'
import {
  type Assignment,
  NewJob,
  NewModelRecord,
  NewReadingRecord,
  NewValidatedList,
  NOTHING_SIZED,
  type Sources,
  UNVERIFIED,
} from '@tembrix/core/things/records'
import { addDays, formatISO, subDays, subMinutes } from 'date-fns'
import { asc, count, eq, sql } from 'drizzle-orm'
import { type Database, jobs, plans, type Transaction } from '../base/database'
import { keepPieces } from '../bench/placements'
import { createJob } from '../kinds'
import { addLike } from '../shop/jobs'
import { ARTICLES, SUPPLIER_NAME } from '../shop/supplier'
import {
  change,
  create,
  jobKind,
  listKind,
  modelKind,
  moduleKind,
  planKind,
  readingKind,
  shopKind,
  verificationKind,
} from '../things/store'
import { LISTED, SHELF, SUPPLIED } from './articles'
import { seedBegun, seedEnded } from './ended'
import { DEMO_JOBS, type DemoJob } from './jobs'
import { seedMeasured } from './measured'
import { seedMessage } from './messages'
import { DEMO_LIST, DEMO_MODELS } from './models'
import { seedOrders } from './orders'
import { seedQuote } from './quotes'
import { DEMO_SHOP } from './shop'

/** Fills an empty database with the demonstration shop; one that holds anything is left as it is. Returns whether it did. */
export async function seed(db: Database): Promise<boolean> {
  const [stored] = await db.select({ jobs: count() }).from(jobs)
  if (stored && stored.jobs > 0) return false
  await db.transaction(async (tx) => {
    await create(tx, shopKind, DEMO_SHOP)
    const shop = await stockShop(tx)
    const models = await seedModels(tx)
    for (const job of DEMO_JOBS) await seedJob(tx, job, shop, models)
    await seedOrders(tx)
    await orderJobs(tx)
  })
  return true
}

interface Stocked {
  id: string
  source: 'shelf' | 'supplier'
  article: string
}

async function stockShop(tx: Transaction): Promise<Stocked[]> {
  const stocked: Stocked[] = []
  const today = new Date()
  const onDay = (ago: number) => formatISO(subDays(today, ago), { representation: 'date' })
  for (const { article, price, condition, tested, serial, note = '' } of SHELF) {
    const module = onShelf(ARTICLES[article], serial)
    const testedOn = tested === null ? null : onDay(tested)
    const piece = { source: 'shelf', module, price, note, condition, testedOn } as const
    const { row } = await create(tx, moduleKind, { ...piece, serialNumber: serial })
    stocked.push({ id: row.id, source: 'shelf', article: module.article })
  }
  for (const { article, ...terms } of SUPPLIED) {
    const module = ARTICLES[article]
    const { row } = await create(tx, moduleKind, {
      source: 'supplier',
      supplier: SUPPLIER_NAME,
      module,
      note: '',
      askedAt: subDays(today, 1).toISOString(),
      ...terms,
    })
    stocked.push({ id: row.id, source: 'supplier', article: module.article })
  }
  return stocked
}

/** A kit on the shelf is one kit, not any of its article: its pieces' serial numbers begin alike. */
function onShelf(module: Module, serial: string): Module {
  if (!module.kit) return module
  const id = `${module.kit.id} ${serial.split('-').slice(0, -1).join('-')}`
  return { ...module, kit: { ...module.kit, id } }
}

/** The shop's machine records, by name. */
type Models = ReadonlyMap<string, { id: string; machine: Machine; sources: Sources }>

async function seedModels(tx: Transaction): Promise<Models> {
  const models = new Map<string, { id: string; machine: Machine; sources: Sources }>()
  for (const model of DEMO_MODELS) {
    const { row } = await create(tx, modelKind, NewModelRecord.parse(model))
    models.set(model.machine.name, row)
  }
  const { model, name, mapping } = DEMO_LIST
  const modelId = models.get(model)?.id
  if (!modelId) throw new Error(`the demonstration has no ${model}`)
  const entries = LISTED.map(([listed, slotsTested]) => {
    const { article: name, capacityGiB, speeds, kit }: Module = ARTICLES[listed]
    const dataRate = Math.max(...speeds.map((speed) => speed.dataRate))
    return { article: name, kitSize: kit?.size ?? 1, capacityGiB, slotsTested, dataRate }
  })
  await create(tx, listKind, NewValidatedList.parse({ modelId, name, mapping, entries }))
  return models
}

async function seedJob(
  tx: Transaction,
  job: DemoJob,
  shop: Stocked[],
  models: Models,
): Promise<void> {
  const { machine, serialNumber, note, customer, complaint, uses, budget, stage, due } = job
  const today = new Date()
  const { row } = await createJob(
    tx,
    NewJob.parse({
      customer,
      machine: {
        machine: models.get(machine.name)?.machine ?? machine,
        serialNumber,
        note,
        modelId: models.get(machine.name)?.id ?? null,
        sources: models.get(machine.name)?.sources ?? {},
      },
      complaint,
      uses,
      budget,
      stage,
      sizing: { ...NOTHING_SIZED, ...job.sizing },
      accessories: job.accessories ?? [],
      followUpOn:
        job.askAgain === undefined
          ? null
          : formatISO(addDays(today, job.askAgain), { representation: 'date' }),
      dueOn: due === undefined ? null : formatISO(addDays(today, due), { representation: 'date' }),
    }),
  )
  const found: Assignment = {}
  for (const [slot, name] of Object.entries(job.found)) {
    const piece = { jobId: row.id, source: 'customer', module: ARTICLES[name], note: '' } as const
    found[slot] = { moduleId: (await create(tx, moduleKind, piece)).row.id, unit: 0 }
  }
  await change(tx, jobKind, row.id, { version: 1, found })
  for (const [name, text] of Object.entries(job.read ?? {})) {
    const reading = { jobId: row.id, name, text, by: 'Mika' }
    await create(tx, readingKind, NewReadingRecord.parse(reading))
  }
  if (job.planned) {
    const [plan] = await tx.select().from(plans).where(eq(plans.jobId, row.id))
    if (!plan) throw new Error('a new job has a plan')
    const placement = plannedSlots(job.planned, found, shop)
    await change(tx, planKind, plan.id, { version: 1, placement, profile: job.profile ?? false })
    const kept = []
    for (const { name, planned, profile = false } of job.beside ?? []) {
      const slots = plannedSlots(planned, found, shop)
      const beside = { jobId: row.id, name, placement: slots, profile }
      kept.push((await create(tx, planKind, beside)).row)
    }
    await keepPieces(tx, row.id)
    const offered = [{ ...plan, placement, profile: job.profile ?? false }, ...kept]
    const machines = 1 + (job.like?.length ?? 0)
    await seedQuote(tx, row, found, offered, job.offered ?? false, machines)
  }
  if (job.like) {
    const others = job.like.map((serialNumber) => ({ id: crypto.randomUUID(), serialNumber }))
    await addLike(tx, row.id, others)
  }
  if (job.offered) await seedMessage(tx, row.id, job)
  if (job.begun) await seedBegun(tx, row.id)
  if (job.seen) {
    const { changes = null } = job
    const seen = { ...UNVERIFIED.seen, ...job.seen }
    await create(tx, verificationKind, { ...UNVERIFIED, id: row.id, jobId: row.id, seen, changes })
  }
  await seedMeasured(tx, row.id, job)
  await seedEnded(tx, row, Math.max(0.2, job.changed), job.claim)
  const changed = subMinutes(today, Math.round(job.changed * 1440)).toISOString()
  await tx.update(jobs).set({ updatedAt: changed, createdAt: changed }).where(eq(jobs.id, row.id))
}

/** As if they had been written last when they say so. */
async function orderJobs(tx: Transaction): Promise<void> {
  for (const { id } of await tx.select({ id: jobs.id }).from(jobs).orderBy(asc(jobs.updatedAt))) {
    await tx.update(jobs).set({ lastWrite: sql`nextval('writes')` }).where(eq(jobs.id, id))
  }
}

function plannedSlots(
  planned: NonNullable<DemoJob['planned']>,
  found: Assignment,
  shop: Stocked[],
): Assignment {
  const used = new Map<string, number>()
  return Object.fromEntries(
    Object.entries(planned).map(([slot, wanted]) => {
      const [source, name] = wanted.split(':') as [string, string]
      if (source === 'own') return [slot, found[name] as Assignment[string]]
      const article = ARTICLES[name as keyof typeof ARTICLES].article
      const alike = shop.filter((one) => one.source === source && one.article === article)
      const taken = used.get(wanted) ?? 0
      used.set(wanted, taken + 1)
      const piece = alike[source === 'supplier' ? 0 : taken]
      if (!piece) throw new Error(`the demonstration has no further ${wanted}`)
      return [slot, { moduleId: piece.id, unit: source === 'supplier' ? taken : 0 }]
    }),
  )
}
