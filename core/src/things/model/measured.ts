/**
 * How a machine was when it was measured: before the change; with only the first or only the second of
 * the two changes it is made of; after it.
 */
export const CONFIGURATIONS = ['before', 'first', 'second', 'after'] as const
export type Configuration = (typeof CONFIGURATIONS)[number]

export const BANDWIDTHS = ['read', 'copy', 'write'] as const
export type Bandwidth = (typeof BANDWIDTHS)[number]

/** Conditions that may change along with the memory and then share in a gain. */
export const SURROUNDINGS = ['processor', 'driver', 'system', 'version', 'disk', 'other'] as const
export type Surrounding = (typeof SURROUNDINGS)[number]

/** Conditions of a test: picture, power mode, other programs, and the machine's surroundings. */
export const TEST_CONDITIONS = [
  'resolution',
  'quality',
  'display',
  'power',
  'running',
  ...SURROUNDINGS,
] as const
export type TestCondition = (typeof TEST_CONDITIONS)[number]

/** As the technician put them; what nobody noted is left out. */
export type TestConditions = Partial<Record<TestCondition, string>>

/** Edges of the distribution, ms: each a twentieth above the one before, from 1 ms to a second. */
export const FRAME_EDGES: readonly number[] = Array.from({ length: 142 }, (_, at) => 1.05 ** at)

/** Stretches that a log's line is drawn of. */
export const FRAME_STRETCHES = 240

/** Lengths, s, that beginnings of logs are worked through at: each a twentieth above the one before, 10 s to an hour. */
export const LOG_LENGTHS: readonly number[] = Array.from(
  { length: 121 },
  (_, at) => 10 * 1.05 ** at,
)
