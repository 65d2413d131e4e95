/** What a bar code, QR or data-matrix code on a stick says. */
export interface CodeFields {
  serial?: string
  partNumber?: string
}

/** Group, record and end-of-transmission marks, commas and blanks part the fields. */
const PARTING = new RegExp(`[${String.fromCharCode(4, 29, 30)},;|\\s]+`)

/**
 * Serial and part number in the text of a code: with data identifiers (`1P…`, `S…`, parted by group
 * separators or commas, as ISO/IEC 15434 and ANSI MH10.8.2 have it), labelled in words, or bare: eight
 * hexadecimal digits are a serial number, a word with dashes is a part number.
 */
export function codeFields(text: string): CodeFields {
  const body = text
    .split(PARTING)
    .map((one) => one.trim().toUpperCase())
    .filter((one) => one !== '')
  const found: CodeFields = {}
  for (const field of body) {
    const part = /^(?:1P|P\/?N[:=]?)([A-Z0-9][A-Z0-9./-]{3,29})$/.exec(field)?.[1]
    const serial = /^(?:S\/?N[:=]?|S)([A-Z0-9]{6,24})$/.exec(field)?.[1]
    if (part) found.partNumber ??= part
    else if (/^[0-9A-F]{8}$/.test(field)) found.serial ??= field
    else if (serial && /\d/.test(serial)) found.serial ??= serial
    else if (/^[A-Z0-9]+(?:[-./][A-Z0-9]+)+$/.test(field) && /\d/.test(field)) {
      found.partNumber ??= field
    }
  }
  return found
}

/** The fields as a line that a label's reader understands; empty where there are none. */
export function codeLine({ serial, partNumber }: CodeFields): string {
  return [partNumber && `P/N ${partNumber}`, serial && `S/N ${serial}`].filter(Boolean).join(' ')
}
