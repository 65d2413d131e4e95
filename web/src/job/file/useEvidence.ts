import { type Evidence, type Input, weigh } from '@tembrix/core/evidence'
import type { Machine } from '@tembrix/core/model'
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

/** Everything known about the job's machine, weighed; `runsAt` is the rate it should run at as found. */
export function useEvidence(
  { readings, machine, rulings }: JobFile,
  record: Machine,
  runsAt: number | null,
): Evidence {
  const inputs = useMemo(() => readings.map(inputOf), [readings])
  const { sources } = machine
  return useMemo(
    () => weigh({ machine: record, sources, inputs, rulings, runsAt }),
    [record, sources, inputs, rulings, runsAt],
  )
}

/** A stored reading as the evidence weighs it. */
export function inputOf(record: ReadingRecord): Input {
  const { id, name, by, createdAt, seats } = record
  return { id, name, by, at: createdAt, seats, reading: readingOf(record) }
}
