import { FACTS, JOB_LISTS } from '../records'

type Value = Readonly<Record<string, unknown>>

/** What jobs and the shop's modules had not yet in version 1. */
const JOB_SINCE_1 = { login: null, followUpOn: null, leadId: null }
const PIECE_SINCE_1 = { cost: null, invoice: '' }

const asObjects = (list: unknown): object[] =>
  Array.isArray(list) ? list.filter((one) => typeof one === 'object' && one !== null) : []

/**
 * The file of a job in version 1 as it is in version 2: what there was not yet is blank, and there were no messages.
 * What is wrong in it stays wrong.
 */
export function fromVersion1(file: Value): Value {
  const lists = JOB_LISTS.map((list) => {
    const { blank } = FACTS[list]
    const records = file[list] ?? (list === 'messages' ? [] : undefined)
    if (!Array.isArray(records)) return [list, records]
    return [list, asObjects(records).map((record) => ({ ...blank, ...record }))]
  })
  const job = typeof file.job === 'object' ? { ...JOB_SINCE_1, ...file.job } : file.job
  const pieces = Array.isArray(file.pieces)
    ? asObjects(file.pieces).map((piece) => ({ ...PIECE_SINCE_1, ...piece }))
    : file.pieces
  return { ...file, ...Object.fromEntries(lists), job, pieces, version: 2 }
}
