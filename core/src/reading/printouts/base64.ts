import { readBytes } from './bytesListed'
import type { PrintForm } from './form'

const LINE = /^\s*([A-Za-z0-9+/]{40,}={0,2})\s*$/
const LAST = /^\s*([A-Za-z0-9+/]{1,}={0,2})\s*$/
const LETTERS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789+/'

/** Contents or a table in base64 (RFC 4648), in one line or broken into several. */
export const bytesInBase64: PrintForm = {
  name: 'bytesInBase64',
  begins: LINE,
  read(lines, at) {
    if (!LINE.test(lines[at] as string)) return null
    let text = ''
    let end = at
    while (end < lines.length && !text.endsWith('=')) {
      const line = lines[end] as string
      const part = (LINE.exec(line) ?? (end > at ? LAST.exec(line) : null))?.[1]
      if (part === undefined) break
      text += part
      end += 1
    }
    const part = readBytes(bytesOf(text))
    return part?.observations.some(({ what }) => what === 'present') ? { ...part, end } : null
  },
}

function bytesOf(text: string): Uint8Array {
  const plain = text.replace(/=+$/, '')
  const bytes = new Uint8Array(Math.floor((plain.length * 3) / 4))
  let held = 0
  let bits = 0
  let at = 0
  for (const letter of plain) {
    held = ((held << 6) | LETTERS.indexOf(letter)) & 0xffff
    bits += 6
    if (bits < 8) continue
    bits -= 8
    bytes[at] = (held >> bits) & 0xff
    at += 1
  }
  return bytes
}
