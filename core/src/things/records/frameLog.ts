import { z } from 'zod'
import { FRAME_EDGES, FRAME_STRETCHES, LOG_LENGTHS } from '../model'
import type { KindOfRecord } from './kind'
import { ConditionsField, ConfigurationField, SessionTime } from './measurement'
import { OwnId, Stored, Versioned } from './stored'

const Rate = z.number().positive().max(1e9)
const Count = z.int().min(0)

const BeginningField = z.object({
  frames: Count,
  seconds: z.number().positive(),
  rateAt99: Rate,
  rateAt999: Rate,
  rateOfSlowest1: Rate,
  rateOfSlowest01: Rate,
})

/** Figures of a log, as `analyseFrames` has them. */
export const FrameFiguresField = BeginningField.extend({
  averageRate: Rate,
  stutters: Count,
  lostSeconds: z.number().min(0),
  cap: Rate.nullable().optional(),
  dropped: Count.optional(),
  beginnings: z.array(BeginningField).max(LOG_LENGTHS.length).optional(),
})

const fields = {
  /** What was run: logs of one name are compared. */
  test: z.string().trim().min(1, 'Name what was run.').max(100),
  configuration: ConfigurationField,
  /** Logs of one configuration with the same number are of one session: nothing was started afresh between them. */
  session: z.int().min(1).max(1000),
  at: SessionTime,
  conditions: ConditionsField,
  /** The file’s name. */
  name: z.string().trim().max(200),
  figures: FrameFiguresField,
  bins: z.array(Count).length(FRAME_EDGES.length),
  line: z.array(z.number().positive()).min(1).max(FRAME_STRETCHES),
}

export const NewFrameLog = OwnId.extend({
  jobId: z.uuid(),
  ...fields,
  session: fields.session.default(1),
  at: fields.at.default(null),
  conditions: fields.conditions.default({}),
})
export type NewFrameLog = z.input<typeof NewFrameLog>

export const FrameLogChange = z
  .object({
    test: fields.test,
    configuration: fields.configuration,
    session: fields.session,
    conditions: fields.conditions,
  })
  .partial()
export const FrameLogPatch = Versioned.extend(FrameLogChange.shape)

/** A log of frame times of one run on a job’s machine: its figures and what is drawn of it, not its rows. */
export const FrameLog = Stored.extend({ jobId: z.uuid(), ...fields })
export type FrameLog = z.infer<typeof FrameLog>

export const FRAMES = {
  record: 'frames',
  displayName: 'a log of frame times',
  inJob: 'many',
  shownIn: [],
  createSchema: NewFrameLog,
  updateSchema: FrameLogPatch,
  stored: FrameLog,
  blank: { session: 1, at: null, conditions: {} },
  entries: ['conditions'],
} as const satisfies KindOfRecord
