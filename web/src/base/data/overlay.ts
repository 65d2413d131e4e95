import {
  type Collection,
  JOB_LISTS,
  type JobFile,
  type JobList,
  KIND_INFO,
  type ModelRecord,
} from '@tembrix/core/things/records'
import { type Entry, type Fields, keyOf } from './outbox'

const isList = (collection: Collection): collection is JobList =>
  (JOB_LISTS as Collection[]).includes(collection)

interface Known {
  id: string
}

/** A job as it is once every waiting write is through: what the server has, with the outbox laid over it. */
export function overlay(file: JobFile, entries: readonly Entry[]): JobFile {
  const own = entries.filter((entry) => entry.jobId === file.id)
  if (own.length === 0) return file
  const lay = <T extends Known>(collection: Collection, record: T) =>
    withChanges(own, collection, record)
  const lists = JOB_LISTS.map((list) => [list, listWithChanges<Known>(own, list, file[list])])
  return {
    ...lay('jobs', file),
    customer: lay('customers', file.customer),
    machine: lay('machines', file.machine),
    ...(Object.fromEntries(lists) as Pick<JobFile, JobList>),
  }
}

/** One of a job's records, undefined where it has none such. */
export function recordIn(
  file: JobFile,
  collection: Collection,
  id: string,
): (Known & { version: number }) | undefined {
  const all = isList(collection) ? file[collection] : [file, file.customer, file.machine]
  return (all as (Known & { version: number })[]).find((one) => one.id === id)
}

/** The shop's models with the outbox laid over them. */
export function overlayModels(models: ModelRecord[], entries: readonly Entry[]): ModelRecord[] {
  const own = entries.filter(({ collection }) => collection === 'models')
  return own.length === 0 ? models : models.map((model) => withChanges(own, 'models', model))
}

function withChanges<T extends Known>(own: readonly Entry[], collection: Collection, record: T): T {
  const key = keyOf({ collection, recordId: record.id })
  const changes = own.filter((entry) => entry.action === 'change' && keyOf(entry) === key)
  return changes.length === 0
    ? record
    : Object.assign({}, record, ...changes.map(({ fields }) => fields))
}

function listWithChanges<T extends Known>(
  own: readonly Entry[],
  collection: JobList,
  records: T[],
): T[] {
  const entries = own.filter((entry) => entry.collection === collection)
  if (entries.length === 0) return records
  return entries.reduce((list, { action, recordId, fields, version }) => {
    if (action === 'remove') return list.filter(({ id }) => id !== recordId)
    if (action === 'change') {
      return list.map((one) => (one.id === recordId ? { ...one, ...fields } : one))
    }
    if (action === 'expect' || list.some(({ id }) => id === recordId)) return list
    const stamps = { createdAt: '', updatedAt: '', id: recordId, version }
    const made = { ...KIND_INFO[collection].blank, ...fields, ...stamps }
    return list.concat(made as unknown as T)
  }, records)
}

/** What the server answered to a write, taken into the job as it was read. */
export function applyAnswer(file: JobFile, entry: Entry, answer: Fields | null): void {
  const { collection, recordId } = entry
  if (isList(collection)) {
    applyAnswerToList(file[collection] as Known[], recordId, answer)
    return
  }
  const homes: Partial<Record<Collection, object>> = {
    jobs: file,
    customers: file.customer,
    machines: file.machine,
  }
  takeNewer(homes[collection], answer)
}

/** An answer may come late, when something newer has been read. */
function takeNewer(record: object | undefined, answer: Fields | null): void {
  const { version = 0 } = (record ?? {}) as { version?: number }
  if (record && answer && (answer.version as number) >= version) Object.assign(record, answer)
}

/** The same into a list: changed where it is, added as a copy for the next answer to change, or taken out. */
export function applyAnswerToList(list: Known[], recordId: string, answer: Fields | null): void {
  const at = list.findIndex(({ id }) => id === recordId)
  if (answer === null) {
    if (at >= 0) list.splice(at, 1)
  } else if (at >= 0) takeNewer(list[at], answer)
  else list.push({ ...answer } as unknown as Known)
}
