import { isCimCsv, readCimCsv, readCimJson } from './cim'
import { readDdr3 } from './contentsDdr3'
import { readDdr4 } from './contentsDdr4'
import { readDdr5 } from './contentsDdr5'
import { bytesFromHex } from './hex'
import { readLabels } from './labels'
import { isListing, readListing } from './listing'
import { nothingRead, type Reading } from './reading'
import { isSmbios, readSmbios } from './smbios'
import { textOfBytes } from './text'

/** The byte that names the memory type, and who reads its contents. */
const CONTENTS: Readonly<Record<number, (bytes: Uint8Array) => Reading>> = {
  11: readDdr3,
  12: readDdr4,
  18: readDdr5,
}

/** Fewer bytes than these say nothing. */
const LEAST_BYTES = 16

/**
 * Reads whatever was pasted or dropped: label lines, a module's identification contents (binary or
 * as hexadecimal text), an SMBIOS table (binary or as a text listing), CIM PhysicalMemory in CSV or
 * JSON. Never throws; what it does not know is format `unknown` with a problem. Time grows with the
 * size of the input.
 */
export function read(input: string | Uint8Array): Reading {
  if (typeof input === 'string') return readText(input)
  const asBytes = readBytes(input)
  if (asBytes) return asBytes
  const text = textOfBytes(input)
  if (text !== null) return readText(text)
  const code = input.length >= LEAST_BYTES ? 'MEMORY_TYPE_UNKNOWN' : 'NOTHING_READ'
  return nothingRead('unknown', { code, where: input.length > 2 ? { byte: 2, length: 1 } : null })
}

function readBytes(bytes: Uint8Array): Reading | null {
  if (bytes.length < LEAST_BYTES) return null
  if (isSmbios(bytes)) return readSmbios(bytes)
  return CONTENTS[bytes[2] as number]?.(bytes) ?? null
}

function readText(text: string): Reading {
  const plain = text.charCodeAt(0) === 0xfeff ? text.slice(1) : text
  if (/^\s*[[{]/.test(plain)) return readCimJson(plain)
  if (isCimCsv(plain)) return readCimCsv(plain)
  if (isListing(plain)) return readListing(plain)
  const bytes = bytesFromHex(plain)
  if (bytes && bytes.length >= LEAST_BYTES) {
    return (
      readBytes(bytes) ??
      nothingRead('unknown', { code: 'MEMORY_TYPE_UNKNOWN', where: { byte: 2, length: 1 } })
    )
  }
  return readLabels(plain) ?? nothingRead('unknown', { code: 'NOTHING_READ', where: null })
}
