import { KIND_INFO } from './kindInfo'
import type { Collection, KINDS } from './kinds'

type ListIn<C extends Collection> = (typeof KINDS)[C]['inJob'] extends 'many' | 'at-most-one'
  ? C
  : never
/** Kinds of which a job has a list. */
export type JobList = { [C in Collection]: ListIn<C> }[Collection]

export const COLLECTIONS = Object.keys(KIND_INFO) as Collection[]
export const JOB_LISTS = COLLECTIONS.filter((one): one is JobList =>
  ['many', 'at-most-one'].includes(KIND_INFO[one].inJob ?? ''),
)
