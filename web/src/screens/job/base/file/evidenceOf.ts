import { type Evidence, type Input, weigh } from '@tembrix/core/reading/evidence'
import { type Reading, read } from '@tembrix/core/reading/inputs'
import type { Assignment, JobFile, ReadingRecord } from '@tembrix/core/things/records'

const decoded = new Map<string, Reading>()

/** What a stored reading says; each is decoded once, since what was read never changes. */
export function readingOf({ id, text, base64 }: ReadingRecord): Reading {
  const known = decoded.get(id)
  if (known) return known
  const reading = read(text ?? bytesOf(base64 ?? ''))
  decoded.set(id, reading)
  return reading
}

function bytesOf(base64: string): Uint8Array {
  return Uint8Array.from(atob(base64), (letter) => letter.charCodeAt(0))
}

/** Keeps what was read of a text that is about to be stored, so that it is not read again. */
export function remember(id: string, reading: Reading): void {
  decoded.set(id, reading)
}

/** Everything known about a job’s machine, weighed against the board as found; its readings run at `runsAt` MT/s. */
export function evidenceOf(
  readings: readonly ReadingRecord[],
  { sources, machine }: JobFile['machine'],
  rulings: JobFile['rulings'],
  assignment: Assignment,
  runsAt: number | null,
): Evidence {
  const filled = Object.keys(assignment)
  return weigh({ machine, sources, inputs: readings.map(inputOf), rulings, filled, runsAt })
}

/** A stored reading as the evidence weighs it. */
function inputOf(record: ReadingRecord): Input {
  const { id, name, by, createdAt, seats } = record
  return { id, name, by, at: createdAt, seats, reading: readingOf(record) }
}
