import { contentsLikelihood, readDdr3, readDdr4, readDdr5 } from '../contents'
import { type FormRead, nothingRead } from '../facts'
import { readBytesText } from './bytes'
import type { PrintForm } from './form'
import { readSmbios, smbiosLikelihood } from './smbios'

/** The byte that names the memory type, and who reads its contents. */
const CONTENTS: Readonly<Record<number, (bytes: Uint8Array) => FormRead>> = {
  11: readDdr3,
  12: readDdr4,
  18: readDdr5,
}

/** Fewer bytes than these say nothing. */
const LEAST_BYTES = 16
const LEAST_LIKELY = 0.2

/** How likely bytes are anything that can be read, 0 to 1. */
export const likelihood = (bytes: Uint8Array): number =>
  Math.max(contentsLikelihood(bytes), smbiosLikelihood(bytes))

/**
 * Reads bytes as what they most likely are by everything in them: a module's identification contents,
 * or an SMBIOS table. Null where they are neither.
 */
export function readBytes(bytes: Uint8Array): FormRead | null {
  if (bytes.length < LEAST_BYTES) return null
  const [contents, smbios] = [contentsLikelihood(bytes), smbiosLikelihood(bytes)]
  if (Math.max(contents, smbios) < LEAST_LIKELY) return null
  return smbios > contents ? readSmbios(bytes) : (CONTENTS[bytes[2] as number]?.(bytes) ?? null)
}

/** Bytes as consoles list them, read as what they are. */
export const bytesListed: PrintForm = {
  name: 'bytesListed',
  begins: /^\s*(?:[{(]\s*)?[[(]*(?:0x)?[0-9a-f]{2}[^g-z]/i,
  read(lines, at) {
    const read = readBytesText(lines, at)
    if (!read) return null
    const { swapped, end, problems } = read
    const bytes = swapped && likelihood(swapped) > likelihood(read.bytes) ? swapped : read.bytes
    const part =
      readBytes(bytes) ??
      nothingRead('unknown', { code: 'MEMORY_TYPE_UNKNOWN', where: { byte: 2, length: 1 } })
    if (part.format === 'unknown' && bytes.length < 64) return null
    const lacking = problems.length > 0
    for (const one of lacking ? part.observations : []) {
      if (one.source === 'contents') one.source = 'unverified-contents'
    }
    return { ...part, problems: [...problems, ...part.problems], end }
  },
}
