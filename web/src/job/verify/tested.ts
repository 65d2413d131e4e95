import { type Comparison, compareRuns } from '@tembrix/core/measure'
import type { Measurement, Moment } from '@tembrix/core/records'

/** A test with its runs before and after. */
export interface Tested extends Pick<Measurement, 'test' | 'unit' | 'better' | 'bandwidth'> {
  before: Measurement | undefined
  after: Measurement | undefined
  comparison: Comparison | null
}

/** A job's measurements, test by test; of several of one moment the newest counts. */
export function testedOf(measurements: readonly Measurement[]): Tested[] {
  const names = [...new Set(measurements.map(({ test }) => test))]
  return names.map((test) => {
    const own = measurements.filter((one) => one.test === test)
    const at = (moment: Moment) => own.findLast((one) => one.moment === moment)
    const [before, after] = [at('before'), at('after')]
    const { unit, better, bandwidth } = (after ?? before) as Measurement
    const comparison = before && after ? compareRuns(before.runs, after.runs, better) : null
    return { test, unit, better, bandwidth, before, after, comparison }
  })
}

/** All runs as separated values. */
export function csvOf(tested: readonly Tested[]): string {
  const quoted = (cell: unknown) => `"${String(cell).replaceAll('"', '""')}"`
  const rows = tested.flatMap(({ test, unit, before, after }) =>
    [before, after].flatMap((one) =>
      (one?.runs ?? []).map((run, at) => [test, unit, one?.moment, at + 1, run]),
    ),
  )
  return [['test', 'unit', 'moment', 'run', 'figure'], ...rows]
    .map((row) => row.map(quoted).join(','))
    .join('\r\n')
}
