import { type Evidence, type Input, weigh } from '@tembrix/core/evidence'
import type { Situation } from '@tembrix/core/job'
import { type Reading, read } from '@tembrix/core/readings'
import type { JobFile, ReadingRecord } from '@tembrix/core/records'
import { useMemo } from 'react'

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

/** Everything known about the job’s machine, weighed against the board as found. */
export function useEvidence(
  { readings, machine, rulings }: JobFile,
  { assignment, evaluation }: Pick<Situation, 'assignment' | 'evaluation'>,
): Evidence {
  const inputs = useMemo(() => readings.map(inputOf), [readings])
  const { sources, machine: record } = machine
  const runsAt = evaluation.run?.dataRate ?? null
  const filled = useMemo(() => Object.keys(assignment), [assignment])
  return useMemo(
    () => weigh({ machine: record, sources, inputs, rulings, filled, runsAt }),
    [record, sources, inputs, rulings, filled, runsAt],
  )
}

/** A stored reading as the evidence weighs it. */
function inputOf(record: ReadingRecord): Input {
  const { id, name, by, createdAt, seats } = record
  return { id, name, by, at: createdAt, seats, reading: readingOf(record) }
}
