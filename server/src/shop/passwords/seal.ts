import { createCipheriv, createDecipheriv, randomBytes } from 'node:crypto'

const CIPHER = 'aes-256-gcm'
const KEY_BYTES = 32
const NONCE_BYTES = 12
const TAG_BYTES = 16

export const newKey = (): Buffer => randomBytes(KEY_BYTES)

/** A text encrypted for `about` alone (AES-256-GCM): nonce, tag, then what it says. */
export function seal(key: Uint8Array, about: string, text: string): Buffer {
  const nonce = randomBytes(NONCE_BYTES)
  const cipher = createCipheriv(CIPHER, key, nonce)
  cipher.setAAD(Buffer.from(about))
  const said = Buffer.concat([cipher.update(text, 'utf8'), cipher.final()])
  return Buffer.concat([nonce, cipher.getAuthTag(), said])
}

/** What was sealed for `about`; null where it was sealed with another key, for another, or is damaged. */
export function unseal(key: Uint8Array, about: string, sealed: Uint8Array): string | null {
  const tagEnd = NONCE_BYTES + TAG_BYTES
  try {
    const decipher = createDecipheriv(CIPHER, key, sealed.subarray(0, NONCE_BYTES))
    decipher.setAAD(Buffer.from(about))
    decipher.setAuthTag(sealed.subarray(NONCE_BYTES, tagEnd))
    return Buffer.concat([decipher.update(sealed.subarray(tagEnd)), decipher.final()]).toString()
  } catch {
    return null
  }
}
