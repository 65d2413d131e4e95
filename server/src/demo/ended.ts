import { fittingSteps } from '@tembrix/core/bench/fitting'
import { chaseFrom, type HandoverFacts, handoverFacts, onRecord } from '@tembrix/core/shop/handover'
import { fittingInput, NOTHING_KNOWN, type Situation, situationOf } from '@tembrix/core/shop/job'
import type { Module } from '@tembrix/core/things/model'
import {
  type Handover,
  type HandoverDocument,
  JobFile,
  KINDS,
  NOT_HANDED_OVER,
  piecesById,
  STAGES,
  STARTING_TERMS,
  UNFITTED,
} from '@tembrix/core/things/records'
import { formatISO, subDays } from 'date-fns'
import { type jobs, modules, type Transaction } from '../base/database'
import { readJob } from '../shop/jobs'
import { claimKind, create, fitKind, handoverKind, type RecordRow } from '../things/store'
import type { DemoJob } from './jobs'
import { DEMO_SHOP } from './shop'

type Job = RecordRow<typeof jobs>

/** The work at the bench of a job that somebody has begun and left for a while. */
export async function seedBegun(tx: Transaction, jobId: string): Promise<void> {
  await create(tx, fitKind, { ...UNFITTED, id: jobId, jobId, seconds: 240 })
}

/** The fitting of a job of which more is done than that, and how it ended where it is closed. */
export async function seedEnded(
  tx: Transaction,
  job: Job,
  ago: number,
  claim: DemoJob['claim'],
): Promise<void> {
  if (STAGES.indexOf(job.stage) < STAGES.indexOf('handover')) return
  const at = subDays(new Date(), ago).toISOString()
  const file = JobFile.parse(await readJob(tx, job.id))
  const pieces = piecesById(await tx.select().from(modules))
  const machine = file.machine.machine
  const plan = file.plans[0]
  const now = situationOf(machine, file.found, pieces, { profile: false, manual: null })
  const planned = situationOf(machine, plan?.placement ?? file.found, pieces, {
    profile: plan?.profile ?? false,
    manual: plan?.manual ?? null,
  })
  const steps = fittingSteps(
    fittingInput({ file, machine, now }, planned, undefined, DEMO_SHOP.terms),
  )
  const tick = { state: 'done', at, by: 'Mika', reason: '' } as const
  const serials = Object.values(planned.assignment).map(({ moduleId, unit }, index) => [
    `${moduleId} ${unit}`,
    `SN-${job.number}${String(index + 1).padStart(2, '0')}-7`,
  ])
  const removed = Object.values(now.assignment).map(({ moduleId }) => [
    moduleId,
    { to: 'customer', shelfId: crypto.randomUUID(), price: null },
  ])
  const { row: fit } = await create(tx, fitKind, {
    ...UNFITTED,
    id: job.id,
    jobId: job.id,
    hatch: true,
    battery: 'none',
    ticks: Object.fromEntries(steps.map(({ id }) => [id, tick])),
    seconds: 2100,
    serials: Object.fromEntries(serials),
    removed: Object.fromEntries(removed),
    finishedAt: at,
  })
  if (job.stage !== 'closed') return
  const shown = {
    file: { ...file, fits: [fit] },
    machine,
    now,
    planned,
    pieces,
    ceilings: NOTHING_KNOWN.ceilings,
    errorsFound: null,
  }
  const facts = handoverFacts(shown, null, STARTING_TERMS)
  const by = { name: file.customer.name, at, by: 'Mika' }
  const payment = { id: crypto.randomUUID(), method: 'card', at, by: 'Mika' } as const
  const handover: Omit<Handover, 'id' | 'version' | 'createdAt' | 'updatedAt'> = {
    ...NOT_HANDED_OVER,
    jobId: job.id,
    payments: facts.toPay ? [{ ...payment, amount: facts.toPay }] : [],
    signed: { ...by, drawn: null },
    document: documentOf(file, facts, planned, at),
    collected: by,
  }
  await create(tx, handoverKind, { ...handover, id: job.id })
  const bad = claim && planned.assignment[claim.slot]
  if (!bad) return
  const { what, invoice, state } = claim
  const part = facts.parts.find(({ slot }) => slot === claim.slot)
  await create(tx, claimKind, {
    ...KINDS.claims.blank,
    jobId: job.id,
    ...bad,
    what,
    invoice,
    state,
    text: part ? nameOf(part.module) : '',
    slot: claim.slot,
    serial: part?.serial ?? '',
    against: part?.supplier ?? '',
    chaseOn: chaseFrom(at.slice(0, 10)),
  })
}

const nameOf = ({ generation, capacityGiB, article }: Module) =>
  `${capacityGiB} GB ${generation}, ${article}`

/** A report in fewer words than the page writes. */
function documentOf(
  file: JobFile,
  facts: HandoverFacts,
  planned: Situation,
  at: string,
): HandoverDocument {
  const { terms } = DEMO_SHOP
  const on = formatISO(new Date(at), { representation: 'date' })
  const gb = planned.evaluation.capacity.installedGiB
  const was = facts.before.evaluation.capacity.installedGiB
  return {
    ...onRecord(facts, terms, on, { drawn: nameOf, listed: nameOf }),
    paid: facts.toPay ?? 0,
    customerName: file.customer.name,
    serialNumber: file.machine.serialNumber,
    on,
    sections: [
      { section: 'asked', paragraphs: [`You told us: “${file.complaint}”`] },
      { section: 'found', paragraphs: [`It had ${was} GB of memory.`] },
      { section: 'done', paragraphs: [`We put in new modules. It now has ${gb} GB of memory.`] },
      { section: 'gained', paragraphs: ['How much faster it is was not measured.'] },
    ],
    runs: [{ what: 'Memory', before: `${was} GB`, now: `${gb} GB`, seen: false }],
    measured: [],
    tests: [],
    setup: [],
    accessories: [],
    open: [],
  }
}
