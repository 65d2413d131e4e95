import { UNFITTED, UNKNOWN_PIECE, UNVERIFIED } from './blank'
import type { RecordKind } from './history'

interface Facts {
  /** What one of them is called in the history. */
  record: RecordKind
  /** What people call one. */
  called: string
  /** How a job holds them: it is one itself, has one, has a list of them, or a list of at most one. */
  inJob: 'itself' | 'one' | 'many' | 'at-most-one' | null
  /** What one just made holds until the server has said more. */
  blank: object
  /** Fields in which every entry stands for itself; others are taken whole. */
  entries: readonly string[]
  /**
   * Whether a change may go out within the create before it. Not where a job has one, perhaps begun at
   * another screen, nor where a change may set what a create does not take.
   */
  joins: boolean
}

/** What a screen has to know of every kind of record it writes, by its path under the API; without the schemas, so that it loads quickly. */
export const FACTS = {
  customers: {
    record: 'customer',
    called: 'the customer',
    inJob: 'one',
    blank: {},
    entries: [],
    joins: true,
  },
  machines: {
    record: 'machine',
    called: 'the machine',
    inJob: 'one',
    blank: {},
    entries: [],
    joins: true,
  },
  models: {
    record: 'model',
    called: 'a machine record',
    inJob: null,
    blank: {},
    entries: [],
    joins: true,
  },
  jobs: {
    record: 'job',
    called: 'the job',
    inJob: 'itself',
    blank: {},
    entries: ['rulings'],
    joins: false,
  },
  modules: {
    record: 'module',
    called: 'a module',
    inJob: 'many',
    blank: UNKNOWN_PIECE,
    entries: [],
    joins: true,
  },
  readings: {
    record: 'reading',
    called: 'a reading',
    inJob: 'many',
    blank: { by: '', text: null, base64: null, seats: {} },
    entries: ['seats'],
    joins: true,
  },
  photos: {
    record: 'photo',
    called: 'a photo',
    inJob: 'many',
    blank: { caption: '', width: 0, height: 0, bytes: 0 },
    entries: [],
    joins: true,
  },
  plans: {
    record: 'plan',
    called: 'the plan',
    inJob: 'many',
    blank: { placement: null, profile: false, manual: null },
    entries: [],
    joins: true,
  },
  quotes: {
    record: 'quote',
    called: 'the quote',
    inJob: 'many',
    blank: {
      options: [],
      depositPercent: null,
      validUntil: null,
      note: '',
      number: 0,
      offered: null,
      approval: null,
      ended: null,
      document: null,
    },
    entries: ['options'],
    joins: false,
  },
  fits: {
    record: 'fit',
    called: 'the work at the bench',
    inJob: 'at-most-one',
    blank: UNFITTED,
    entries: ['ticks', 'screws', 'screwsBack', 'serials', 'removed'],
    joins: false,
  },
  verifications: {
    record: 'verification',
    called: 'the verification',
    inJob: 'at-most-one',
    blank: UNVERIFIED,
    entries: ['seen', 'trials', 'stability', 'tuning', 'accepted'],
    joins: false,
  },
  measurements: {
    record: 'measurement',
    called: 'a measurement',
    inJob: 'many',
    blank: {
      unit: '',
      failed: 0,
      bandwidth: null,
      work: null,
      at: null,
      conditions: {},
      busy: false,
      note: '',
    },
    entries: ['runs', 'conditions'],
    joins: true,
  },
  frames: {
    record: 'frames',
    called: 'a log of frame times',
    inJob: 'many',
    blank: { session: 1, at: null, conditions: {} },
    entries: ['conditions'],
    joins: true,
  },
} as const satisfies Record<string, Facts>

export type Collection = keyof typeof FACTS

type ListIn<C extends Collection> = (typeof FACTS)[C]['inJob'] extends 'many' | 'at-most-one'
  ? C
  : never
/** Kinds of which a job has a list. */
export type JobList = { [C in Collection]: ListIn<C> }[Collection]

export const COLLECTIONS = Object.keys(FACTS) as Collection[]
export const JOB_LISTS = COLLECTIONS.filter((one): one is JobList =>
  ['many', 'at-most-one'].includes(FACTS[one].inJob ?? ''),
)
