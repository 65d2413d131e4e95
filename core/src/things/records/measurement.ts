import { z } from 'zod'
import { BANDWIDTHS, CONFIGURATIONS, TEST_CONDITIONS, WORKS } from '../model'
import type { KindOfRecord } from './kind'
import { OwnId, ShortText, Stored, Versioned } from './stored'

/** A run’s figure: above 0, since runs are compared by their ratio. */
export const RunFigure = z.number('A run is a number.').positive('A run is above 0.').max(1e12)

export const ConfigurationField = z.enum(CONFIGURATIONS)

/** The two changes that an upgrade is made of, in the shop’s words. */
export const TwoChanges = z.object({
  first: z.string().trim().min(1, 'Name the first change.').max(80),
  second: z.string().trim().min(1, 'Name the second change.').max(80),
})
export type TwoChanges = z.infer<typeof TwoChanges>

/** What it was run under; what nobody noted is left out. */
export const ConditionsField = z.partialRecord(z.enum(TEST_CONDITIONS), z.string().trim().max(120))

/** When a session was made; null where nobody noted it. */
export const SessionTime = z.iso.datetime().nullable()

const fields = {
  test: z.string().trim().min(1, 'Name the test.').max(120),
  unit: z.string().trim().max(20),
  better: z.enum(['higher', 'lower']),
  configuration: ConfigurationField,
  runs: z.array(RunFigure).max(1000),
  /** Runs that crashed or never finished. */
  failed: z.int().min(0).max(1000),
  /** A bandwidth, which tells of channels; null for anything else. */
  bandwidth: z.enum(BANDWIDTHS).nullable(),
  /** The kind of work that the test stands for; null for none. */
  work: z.enum(WORKS).nullable(),
  at: SessionTime,
  conditions: ConditionsField,
  /** Something else was busy meanwhile: it is not counted. */
  busy: z.boolean(),
  note: ShortText,
}

export const NewMeasurement = OwnId.extend({
  jobId: z.uuid(),
  ...fields,
  unit: fields.unit.default(''),
  failed: fields.failed.default(0),
  bandwidth: fields.bandwidth.default(null),
  work: fields.work.default(null),
  at: fields.at.default(null),
  conditions: fields.conditions.default({}),
  busy: fields.busy.default(false),
  note: fields.note.default(''),
})
export type NewMeasurement = z.input<typeof NewMeasurement>

export const MeasurementChange = z.object(fields).partial()
export type MeasurementChange = z.infer<typeof MeasurementChange>
export const MeasurementPatch = Versioned.extend(MeasurementChange.shape)

/** One session of one test on a job’s machine, in one configuration. */
export const Measurement = Stored.extend({ jobId: z.uuid(), ...fields })
export type Measurement = z.infer<typeof Measurement>

/** What the probe sends: its runs by what was measured. */
export const ProbeRuns = z.object({
  token: z.string().min(20).max(100),
  configuration: ConfigurationField,
  measurements: z
    .array(
      z.object({
        test: fields.test,
        unit: fields.unit,
        better: fields.better,
        bandwidth: fields.bandwidth,
        runs: z.array(RunFigure).min(1).max(100),
        note: fields.note,
      }),
    )
    .min(1)
    .max(10),
})
export type ProbeRuns = z.infer<typeof ProbeRuns>

export const MEASUREMENTS = {
  record: 'measurement',
  displayName: 'a measurement',
  inJob: 'many',
  shownIn: [],
  createSchema: NewMeasurement,
  updateSchema: MeasurementPatch,
  stored: Measurement,
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
} as const satisfies KindOfRecord
