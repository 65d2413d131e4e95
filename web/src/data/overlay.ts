import type { JobFile, ModuleRecord } from '@tembrix/core/records'
import { type Collection, type Entry, type Fields, keyOf } from './outbox'

/** A job as it is once every waiting write is through: what the server has, with the outbox laid over it. */
export function overlay(file: JobFile, entries: readonly Entry[]): JobFile {
  const own = entries.filter((entry) => entry.jobId === file.id)
  if (own.length === 0) return file
  const lay = <T extends { id: string }>(collection: Collection, record: T): T => {
    const key = keyOf({ collection, recordId: record.id })
    const fields = own.filter((entry) => entry.action === 'change' && keyOf(entry) === key)
    return fields.length === 0
      ? record
      : Object.assign({}, record, ...fields.map((one) => one.fields))
  }
  const gone = new Set(
    own.filter((entry) => entry.action === 'remove').map((entry) => entry.recordId),
  )
  const known = new Set(file.modules.map(({ id }) => id))
  const fresh = own.filter(
    (entry) =>
      entry.collection === 'modules' && entry.action === 'create' && !known.has(entry.recordId),
  )
  return {
    ...lay('jobs', file),
    customer: lay('customers', file.customer),
    machine: lay('machines', file.machine),
    modules: own.some(({ collection }) => collection === 'modules')
      ? [...file.modules, ...fresh.map(asModule)]
          .filter(({ id }) => !gone.has(id))
          .map((module) => lay('modules', module))
      : file.modules,
    plans: file.plans.map((plan) => lay('plans', plan)),
  }
}

function asModule({ recordId, fields, version }: Entry): ModuleRecord {
  const unset = { price: null, note: '', createdAt: '', updatedAt: '' }
  return { ...unset, ...(fields as Fields), id: recordId, version } as ModuleRecord
}

/** What the server answered to a write, taken into the job as it was read. */
export function absorb(file: JobFile, entry: Entry, answer: Fields | null): void {
  const { collection, recordId } = entry
  if (collection === 'modules') {
    file.modules = file.modules.filter(({ id }) => id !== recordId || answer !== null)
    const known = file.modules.find(({ id }) => id === recordId)
    if (known) Object.assign(known, answer)
    else if (answer) file.modules.push(answer as unknown as ModuleRecord)
  } else {
    const homes: Record<Exclude<Collection, 'modules'>, object | undefined> = {
      jobs: file,
      customers: file.customer,
      machines: file.machine,
      plans: file.plans.find(({ id }) => id === recordId),
    }
    Object.assign(homes[collection] ?? {}, answer)
  }
}
