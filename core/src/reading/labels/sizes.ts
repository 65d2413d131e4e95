/** A capacity in GiB of one module, and how many are packaged together (null: not said). */
export interface PrintedSize {
  capacityGiB: number | undefined
  pieces: number | null
  /** A kit is printed, but whether the capacity is that of one module or of all is not clear. */
  unclear: boolean
}

const UNIT = '(GI?B|MI?B|TI?B|G(?![A-Z0-9])|M(?![A-Z0-9/]))'
/** `2X16GB`: each. */
const EACH = new RegExp(`(?:^|[^\\d.A-Z])(\\d{1,2}) ?X ?(\\d{1,4}(?:\\.5)?) ?${UNIT}(?![A-Z])`)
/** `16GBX2`; a blank before the X makes it a device width, unless a kit is named. */
const TIMES = /(\d{1,4}) ?(GI?B|MI?B|TI?B)(X| X ?)(\d{1,2})(?![\dA-Z])/
const CAPACITY = new RegExp(`(?:^|[^\\d.A-WYZ])(\\d{1,4}(?:\\.5)?) ?${UNIT}(?![A-Z])`)
const COUNTS: Readonly<Record<string, number>> = { TWO: 2, THREE: 3, FOUR: 4, SIX: 6, EIGHT: 8 }
const COUNT = '(\\d{1,2}|TWO|THREE|FOUR|SIX|EIGHT)'
/** `KIT OF TWO`, `KIT OF 2`: the capacity beside it is the whole kit's. */
const KIT_OF = new RegExp(`\\bKIT[ -]OF[ -]${COUNT}\\b`)
/** `2 PIECES`, `KIT2`, `TWIN PACK`: whose capacity stands beside it is not said. */
const COUNTED = new RegExp(
  `\\b${COUNT}[ -]?(?:PIECES?|PCS?|PACK|STICKS?|MODULES?)\\b|\\bKIT ?(\\d)\\b|\\b(TWIN)[- ]?PACK`,
)

/** What a line in upper case says of capacity and kit. */
export function sizeIn(text: string): PrintedSize {
  const each = /\d ?X ?\d/.test(text) ? EACH.exec(text) : null
  if (each) return { capacityGiB: inGiB(each[2], each[3]), pieces: Number(each[1]), unclear: false }
  const kit = /KIT|PACK/.test(text)
  const times = /B ?X ?\d/.test(text) ? TIMES.exec(text) : null
  if (times && (times[3] === 'X' || kit)) {
    return { capacityGiB: inGiB(times[1], times[2]), pieces: Number(times[4]), unclear: false }
  }
  const capacity = CAPACITY.exec(text)
  const printed = capacity ? inGiB(capacity[1], capacity[2]) : undefined
  if (!kit && !/PIECE|PC|STICK|MODULE/.test(text)) {
    return { capacityGiB: printed, pieces: null, unclear: false }
  }
  const whole = countOf(KIT_OF.exec(text)?.[1])
  if (whole > 1) {
    const capacityGiB = printed === undefined ? undefined : printed / whole
    return { capacityGiB, pieces: whole, unclear: false }
  }
  const counted = COUNTED.exec(text)
  const pieces = counted?.[3] ? 2 : countOf(counted?.[1] ?? counted?.[2])
  if (pieces > 1) return { capacityGiB: undefined, pieces, unclear: printed !== undefined }
  // A kit of nobody says how many.
  if (/\bKIT\b/.test(text)) return { capacityGiB: undefined, pieces: null, unclear: true }
  return { capacityGiB: printed, pieces: null, unclear: false }
}

const countOf = (text: string | undefined): number =>
  text === undefined ? 0 : (COUNTS[text] ?? Number(text))

function inGiB(figure: string | undefined, unit: string | undefined): number {
  const amount = Number(figure)
  const letter = unit?.[0]
  return letter === 'M' ? amount / 1024 : letter === 'T' ? amount * 1024 : amount
}
