import { JOB_LISTS, KIND_INFO } from '../../things/records'
import { EXCHANGE_FORMAT, EXCHANGE_VERSION, ExchangedJob } from './exchanged'
import { inNewestForm } from './older'

/** Why a file is not taken in, in a sentence. */
export type Unreadable = { fault: string }

/** The whole job in a file's JSON value, of an older form brought to today's; says what is wrong with it otherwise. Nothing is guessed or left out. */
export function readExchanged(value: unknown): ExchangedJob | Unreadable {
  const head = (value ?? {}) as { format?: unknown; version?: unknown }
  if (typeof value !== 'object' || head.format !== EXCHANGE_FORMAT) {
    return { fault: 'This is no file of a job.' }
  }
  if (!isVersion(head.version)) {
    return { fault: 'The file does not say which version of its form it is in.' }
  }
  if (head.version > EXCHANGE_VERSION) {
    return {
      fault: `The file was written by a newer version of this program (form ${head.version}; this one reads up to ${EXCHANGE_VERSION}). Update this one first.`,
    }
  }
  const { success, data, error } = ExchangedJob.safeParse(
    inNewestForm(value as Record<string, unknown>),
  )
  if (!success) {
    const [issue] = error.issues
    return { fault: `The file is damaged. ${issue?.path.join('.')}: ${issue?.message}` }
  }
  const fault = misfit(data)
  return fault === null ? data : { fault: `The file does not hold together: ${fault}` }
}

const isVersion = (version: unknown): version is number =>
  typeof version === 'number' && Number.isInteger(version) && version >= 1

/** Whether a message is still to be sent, or nobody knows yet whether it arrived. */
export const isUnderWay = ({ state }: { state: string }): boolean =>
  state === 'queued' || state === 'sent'

/** What in a file points nowhere, or to another job; null where all of it hangs together. */
function misfit(file: ExchangedJob): string | null {
  const { job, customer, machine, model, modules, pieces, plans, photos } = file
  if (job.customerId !== customer.id) return 'its customer is another one.'
  if (job.machineId !== machine.id) return 'its machine is another one.'
  if (machine.customerId !== customer.id) return 'its machine is of another customer.'
  if (model && machine.modelId !== model.id) return 'its machine is of another model.'
  if (!model && machine.modelId !== null) return 'the record of its machine’s model is missing.'
  for (const list of JOB_LISTS) {
    const stray = file[list].find(({ jobId }) => jobId !== job.id)
    if (stray) return `${list} holds one of another job.`
  }
  // Of what a job has one of, it is under the job's id.
  const many = JOB_LISTS.filter((list) => KIND_INFO[list].inJob === 'many')
  const ids = [...many, 'pieces' as const].flatMap((list) => file[list].map(({ id }) => id))
  if (new Set(ids).size < ids.length) return 'two of its records have the same id.'
  if (!plans.some(({ id }) => id === job.planId)) return 'the plan on its board is missing.'
  const known = new Set([...modules, ...pieces].map(({ id }) => id))
  const placed = [job.found, ...plans.map(({ placement }) => placement ?? {})]
  const missing = placed
    .flatMap((one) => Object.values(one))
    .find(({ moduleId }) => !known.has(moduleId))
  if (missing) return 'a slot holds a module that is not in it.'
  // Taken in, it would be sent from here.
  if (file.messages.some(isUnderWay)) return 'a message in it is still under way.'
  const map = file.fits[0]?.screwPhotoId
  if (map && !photos.some(({ id }) => id === map)) return 'the photo of its screw map is missing.'
  return null
}
