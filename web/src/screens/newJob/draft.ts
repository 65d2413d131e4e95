import type { Answers, StartingPoint } from '@tembrix/core/things/machines'
import { NewCustomer, NewJob } from '@tembrix/core/things/records'
import { z } from 'zod'

/** A job as it is typed in, kept in the browser until it is begun. */
export interface Draft {
  jobId: string
  /** A customer the shop knows; null while one is typed in. */
  customerId: string | null
  /** One of the customer’s machines that the shop knows; null for one described here. Left out in drafts of before. */
  machineId?: string | null
  name: string
  phone: string
  email: string
  /** The starting point chosen for the machine, by its id. */
  start: string
  answers: Answers
  report: string
  complaint: string
}

export const empty = (): Draft => ({
  jobId: crypto.randomUUID(),
  customerId: null,
  machineId: null,
  name: '',
  phone: '',
  email: '',
  start: '',
  answers: {},
  report: '',
  complaint: '',
})

/** What a draft makes: the job, and the system report that goes with it. */
export type StartedJob = z.output<typeof NewJob> & { report: string }

/** Checks a draft: who the customer is unless it is a known one, and which of these the machine starts from. */
export const newJobForm = (points: readonly StartingPoint[]) =>
  z.custom<Draft>().transform((draft, context): StartedJob => {
    const { jobId, customerId, name, phone, email, report, complaint } = draft
    const contact = NewCustomer.safeParse({ name, phone, email })
    const start = points.find(({ id }) => id === draft.start)
    const known = customerId === null ? null : (draft.machineId ?? null)
    if (customerId === null) {
      for (const { path, message } of contact.error?.issues ?? []) {
        context.addIssue({ code: 'custom', path, message })
      }
    }
    if (!start && known === null) {
      context.addIssue({ code: 'custom', path: ['start'], message: 'Choose the kind of machine.' })
    }
    if (context.issues.length > 0) return z.NEVER
    const job = NewJob.parse({
      id: jobId,
      customer: customerId === null ? contact.data : { id: customerId },
      machine: known === null ? machineOf(start) : { id: known },
      complaint,
    })
    return { ...job, report }
  })

const machineOf = (start: StartingPoint | undefined) =>
  start && { machine: start.machine, modelId: start.modelId, sources: start.sources }
