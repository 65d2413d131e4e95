/** Code pages 1252 (Western European) and 1250 (Central European) from 0x80 on, as Unicode has them. */
const WESTERN =
  '€\u0081‚ƒ„…†‡ˆ‰Š‹Œ\u008dŽ\u008f\u0090‘’“”•–—˜™š›œ\u009džŸ\u00a0¡¢£¤¥¦§¨©ª«¬\u00ad®¯°±²³´µ¶·¸¹º»¼½¾¿ÀÁÂÃÄÅÆÇÈÉÊËÌÍÎÏÐÑÒÓÔÕÖ×ØÙÚÛÜÝÞßàáâãäåæçèéêëìíîïðñòóôõö÷øùúûüýþÿ'
const CENTRAL =
  '€\u0081‚\u0083„…†‡\u0088‰Š‹ŚŤŽŹ\u0090‘’“”•–—\u0098™š›śťžź\u00a0ˇ˘Ł¤Ą¦§¨©Ş«¬\u00ad®Ż°±˛ł´µ¶·¸ąş»Ľ˝ľżŔÁÂĂÄĹĆÇČÉĘËĚÍÎĎĐŃŇÓÔŐÖ×ŘŮÚŰÜÝŢßŕáâăäĺćçčéęëěíîďđńňóôőö÷řůúűüýţ˙'

/**
 * Bytes as text: UTF-16 where a byte order mark says so, else UTF-8, else code page 1252, or 1250 where letters of its
 * own stand in words. Null where they are no text (control characters other than tab, line ends and form feed).
 */
export function textOfBytes(bytes: Uint8Array): string | null {
  const [first, second] = bytes
  if (first === 0xff && second === 0xfe) return utf16(bytes, 0)
  if (first === 0xfe && second === 0xff) return utf16(bytes, 1)
  const body = first === 0xef && second === 0xbb && bytes[2] === 0xbf ? bytes.subarray(3) : bytes
  for (const byte of body) if (byte < 32 && !(byte >= 9 && byte <= 13)) return null
  return utf8(body) ?? inCodePage(body)
}

/** Letters of code page 1250 that are signs in 1252, where a word never has them: ł, ą, ż, Ł, ľ, Ą. */
const CENTRAL_LETTERS = [0xb3, 0xb9, 0xbf, 0xa3, 0xbe, 0xa5]
const isLetter = (byte: number | undefined): boolean =>
  byte !== undefined && ((byte >= 65 && byte <= 90) || (byte >= 97 && byte <= 122))

function inCodePage(bytes: Uint8Array): string {
  const isCentral = bytes.some(
    (byte, at) =>
      CENTRAL_LETTERS.includes(byte) && isLetter(bytes[at - 1]) && isLetter(bytes[at + 1]),
  )
  const page = isCentral ? CENTRAL : WESTERN
  return units(bytes.length, (at) => {
    const byte = bytes[at] as number
    return byte < 0x80 ? byte : page.charCodeAt(byte - 0x80)
  })
}

function utf16(bytes: Uint8Array, high: 0 | 1): string {
  return units((bytes.length >> 1) - 1, (at) => {
    const from = 2 + at * 2
    const [a, b] = [bytes[from] as number, bytes[from + 1] as number]
    return high ? a * 256 + b : b * 256 + a
  })
}

function units(count: number, unit: (at: number) => number): string {
  const parts: string[] = []
  for (let from = 0; from < count; from += 8192) {
    const size = Math.min(8192, count - from)
    parts.push(String.fromCharCode(...Array.from({ length: size }, (_, at) => unit(from + at))))
  }
  return parts.join('')
}

/** Null where the bytes are not well-formed UTF-8. */
function utf8(bytes: Uint8Array): string | null {
  const codes: number[] = []
  for (let at = 0; at < bytes.length; ) {
    const lead = bytes[at] as number
    const more =
      lead < 0x80 ? 0 : lead >> 5 === 6 ? 1 : lead >> 4 === 14 ? 2 : lead >> 3 === 30 ? 3 : -1
    if (more < 0 || at + more >= bytes.length) return null
    let code = more === 0 ? lead : lead & (0x3f >> more)
    for (let n = 1; n <= more; n += 1) {
      const next = bytes[at + n] as number
      if (next >> 6 !== 2) return null
      code = (code << 6) | (next & 0x3f)
    }
    if (code > 0x10ffff) return null
    codes.push(code)
    at += more + 1
  }
  const parts: string[] = []
  for (let from = 0; from < codes.length; from += 8192) {
    parts.push(String.fromCodePoint(...codes.slice(from, from + 8192)))
  }
  return parts.join('')
}
