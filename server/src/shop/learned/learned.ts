import { STARTING_USES } from '@tembrix/core/judging/sizing'
import { type Learned, learnedFrom } from '@tembrix/core/shop/job'
import { piecesById } from '@tembrix/core/things/records'
import { desc, eq, inArray } from 'drizzle-orm'
import {
  type Database,
  jobs,
  machines,
  measurements,
  modules,
  plans,
  verifications,
} from '../../base/database'
import { readShop } from '../settings'

/** The latest sessions that are learned from. */
const MOST_SESSIONS = 5000

/** What the shop’s own measurements teach, worked out again from all its jobs. */
export function learned(db: Database): Promise<Learned> {
  return db.transaction(async (tx) => {
    const latest = await tx
      .select()
      .from(measurements)
      .orderBy(desc(measurements.createdAt))
      .limit(MOST_SESSIONS)
    const sessions = latest.reverse()
    const ids = [...new Set(sessions.map(({ jobId }) => jobId))]
    const measured = await tx
      .select({ job: jobs, machine: machines.machine, sources: machines.sources })
      .from(jobs)
      .innerJoin(machines, eq(machines.id, jobs.machineId))
      .where(inArray(jobs.id, ids))
    const planned = await tx.select().from(plans).where(inArray(plans.jobId, ids))
    const seen = await tx.select().from(verifications).where(inArray(verifications.jobId, ids))
    const slots = [
      ...measured.map(({ job }) => job.found),
      ...planned.map(({ placement }) => placement ?? {}),
    ]
    const held = new Set(slots.flatMap((one) => Object.values(one).map(({ moduleId }) => moduleId)))
    const pieces = await tx
      .select()
      .from(modules)
      .where(inArray(modules.id, [...held]))
    const { uses, learning } = await readShop(tx)
    const taught = measured.flatMap(({ job, ...machine }) => {
      const plan = planned.find(({ id }) => id === job.planId)
      if (!plan) return []
      const { found, sizing } = job
      const own = sessions.filter(({ jobId }) => jobId === job.id)
      const verification = seen.find(({ jobId }) => jobId === job.id) ?? null
      return [{ found, sizing, machine, plan, measurements: own, verification }]
    })
    return learnedFrom(taught, piecesById(pieces), uses ?? STARTING_USES, learning)
  })
}
