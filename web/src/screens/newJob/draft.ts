import type { Answers, StartingPoint } from '@tembrix/core/machines'
import { NewCustomer, NewJob } from '@tembrix/core/records'
import { z } from 'zod'

/** A job as it is typed in, kept in the browser until it is begun. */
export interface Draft {
  jobId: string
  /** A customer the shop knows; null while one is typed in. */
  customerId: string | null
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
export const formOf = (points: readonly StartingPoint[]) =>
  z.custom<Draft>().transform((draft, context): StartedJob => {
    const { jobId, customerId, name, phone, email, report, complaint } = draft
    const contact = NewCustomer.safeParse({ name, phone, email })
    const start = points.find(({ id }) => id === draft.start)
    if (customerId === null) {
      for (const { path, message } of contact.error?.issues ?? []) {
        context.addIssue({ code: 'custom', path, message })
      }
    }
    if (!start) {
      context.addIssue({ code: 'custom', path: ['start'], message: 'Choose the kind of machine.' })
    }
    if (context.issues.length > 0 || !start) return z.NEVER
    const { machine, modelId, sources } = start
    const job = NewJob.parse({
      id: jobId,
      customer: customerId === null ? contact.data : { id: customerId },
      machine: { machine, modelId, sources },
      complaint,
    })
    return { ...job, report }
  })
