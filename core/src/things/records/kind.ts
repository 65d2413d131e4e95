import type { z } from 'zod'
import type { Stored } from './stored'

/** Lists beside a job's own, which screens keep. */
export type SharedList = 'customers' | 'jobs' | 'models' | 'orders' | 'shopModules' | 'waiting'

/** All there is to say of a kind of record that screens write; what is done with it follows from this. */
export interface KindOfRecord {
  /** What one of them is called in the history. */
  record: string
  /** What people call one. */
  displayName: string
  /** How a job holds them: it is one itself, has one, has a list of them, or a list of at most one. */
  inJob: 'itself' | 'one' | 'many' | 'at-most-one' | null
  /** The lists beside a job's own that show one. */
  shownIn: readonly SharedList[]
  /** What makes one. */
  createSchema: z.ZodObject
  /** What changes one. */
  updateSchema: z.ZodObject
  stored: z.ZodObject
  /** What one just made holds until the server has said more. */
  blank: object
  /** Fields in which every entry stands for itself; others are taken whole. */
  entries: readonly string[]
}

/** A record of a kind before anybody has entered anything: all its fields but those that the store fills. */
export type Blank<T> = Omit<T, keyof Stored | 'jobId'>
