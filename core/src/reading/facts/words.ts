const BLANK =
  /^(?:|n\/?a|none|null|not (?:specified|available|present|provided|installed)|no dimm|unknown|undefined|empty|\[empty\]|default string|to be filled by o\.?e\.?m\.?|system \w+ number|0+|0x0+|f+|0xf+|-+|\?+|x+)$/i

/** What a maker wrote into a field, or null where it only says that nothing was. Padding goes. */
export function meaningful(text: string | null | undefined): string | null {
  const plain = (text ?? '')
    .slice(0, 200)
    .replace(/\p{Cc}+/gu, ' ')
    .trim()
  return BLANK.test(plain) ? null : plain
}

/** A maker field that is a code (four hexadecimal digits, perhaps repeated or padded), upper case. */
export function makerCodeIn(text: string): string | null {
  const digits = /^(?:0x)?([0-9a-f]{4})(?:0{4}|0{4}\1|0{8,12})?$/i.exec(text)?.[1]
  return digits && /\d/.test(digits) ? digits.toUpperCase() : null
}
