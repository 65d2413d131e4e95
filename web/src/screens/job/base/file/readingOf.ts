import { type Reading, read } from '@tembrix/core/reading/inputs'
import type { ReadingRecord } from '@tembrix/core/things/records'

const decoded = new Map<string, Reading>()

/** Decoded content of a stored reading; decoded once, since its input never changes. */
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
