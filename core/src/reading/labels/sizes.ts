import { EACH_WORD, PIECES_WORD } from '../facts'

/** A capacity in GiB of one module, and how many are packaged together (null: not said). */
export interface PrintedSize {
  capacityGiB: number | undefined
  pieces: number | null
  /** A kit is printed, but whether the capacity is that of one module or of all is not clear. */
  unclear: boolean
  /** Two capacities that cannot both be true (a sum that is not count × size, two of one module), or one that is not certain. */
  contradicts: boolean
}

const UNIT = '(GI?B|MI?B|TI?B|G(?![A-Z0-9])|M(?![A-Z0-9/]))'
const FIGURE = '(\\d{1,4}(?:\\.5)?)'
const COUNTS: Readonly<Record<string, number>> = { TWO: 2, THREE: 3, FOUR: 4, SIX: 6, EIGHT: 8 }
const COUNT = '(\\d{1,2}|TWO|THREE|FOUR|SIX|EIGHT)'

/** Ways to write so many modules of so much each: count, capacity, unit. */
const EACH: readonly RegExp[] = [
  // `2X16GB`, `2 X 8`: without its unit only in brackets or behind the sum.
  new RegExp(`(?:^|[^\\d.A-Z])(\\d{1,2}) ?X ?${FIGURE} ?${UNIT}(?![A-Z])`),
  new RegExp(`(?<=\\d ?[GM]I?B ?\\(?)(?<![\\d.])(\\d{1,2}) ?X ?${FIGURE}()(?= ?\\))`),
  // `2 OF 8GB`, `2 BARRETTES DE 8GB`, `2 STUCK 8GB`.
  new RegExp(`\\b${COUNT} ?${PIECES_WORD}? ${EACH_WORD} ?${FIGURE} ?${UNIT}(?![A-Z])`),
  new RegExp(`\\b${COUNT} ?${PIECES_WORD} ${FIGURE} ?${UNIT}(?![A-Z])`),
  // `KIT OF 2 8GB MODULES`.
  new RegExp(`\\bKIT[ -]OF[ -]${COUNT} ${FIGURE} ?${UNIT} ?${PIECES_WORD}`),
]
/** `16GBX2`, `16GB X 2`; X4, X8 and X16 behind a blank are a device width, unless a kit is named. */
const TIMES = /(\d{1,4}) ?(GI?B|MI?B|TI?B)(X| X ?)(\d{1,2})(?![\dA-Z])/
/** `QTY 2`, and a count that ends the line: so many of what the line describes. */
const QUANTITY =
  /\b(?:QTY|QUANTITY|MENGE|ANZAHL|QTE|CANT|ILOSC)\.? ?[:=]? ?(\d{1,2})\b|(?<!B) X ?([2-8])$/
/** `8GB+8GB`, `(16+16)`. */
const SUM = new RegExp(`${FIGURE} ?${UNIT}? ?\\+ ?\\1 ?${UNIT}?(?![A-Z\\d])`)
const CAPACITY = new RegExp(`(?:^|[^\\d.A-WYZ])${FIGURE} ?${UNIT}(?![A-Z])`)
/** `8+16GB`, `8/16/32GB`: several capacities, of several modules or to choose from. */
const SEVERAL = new RegExp(
  `(?<![\\d.])${FIGURE} ?${UNIT}? ?\\+ ?(?!\\1(?!\\d))\\d{1,3} ?(?:GB|\\))|(?<![\\d.])\\d{1,3}(?:/\\d{1,3})+ ?GB`,
)
/** `8 OR 16 GB`, `8-16GB`: one of several, nobody says which. */
const EITHER =
  /(?<![A-Z\d./-])(4|8|12|16|24|32|48|64|96|128) ?(?:GB)? ?(?:OR|ODER|OU|O|LUB|BIS|TO|ALEBO|-) ?(8|12|16|24|32|48|64|96|128) ?GB/
/** `~16GB`, `16GB?`, `ETWA 16GB`: whoever wrote it did not know. */
const UNSURE =
  /(?:~|\b(?:CA|CIRCA|ABOUT|APPROX\w*|ETWA|UNGEFAHR|ENVIRON|PROBABLY|MAYBE|PERHAPS|VIELLEICHT|WAHRSCHEINLICH|PEUT-ETRE|QUIZA|FORSE|CHYBA|OKOLO|MISSCHIEN)\.?) ?\d{1,3} ?GB|\d ?GB ?\?/
const CAPACITIES = new RegExp(CAPACITY, 'g')
/** `KIT OF TWO`, `KIT OF 2`: the capacity beside it is the whole kit's. */
const KIT_OF = new RegExp(`\\bKIT[ -]OF[ -]${COUNT}\\b`)
/** `2 PIECES`, `KIT2`, `TWIN PACK`, `2ER`: whose capacity stands beside it is not said. */
const COUNTED = new RegExp(
  `\\b${COUNT}[ -]?(?:${PIECES_WORD}|PACK|ER)(?![A-Z0-9])|\\bKIT ?(\\d)\\b|\\b(TWIN|DUAL)[- ]?(?:PACK|KIT)`,
)
/** A kit printed without its count. */
const SOME_KIT = /\bKIT\b|\bSET\b/

const NOTHING_ELSE = { unclear: false, contradicts: false }

/** Capacity and kit in a line in upper case. */
export function sizeIn(text: string): PrintedSize {
  const isSeveral = /[+/]/.test(text) && SEVERAL.test(text)
  if (isSeveral || isEither(text) || UNSURE.test(text)) {
    return { capacityGiB: undefined, pieces: null, unclear: false, contradicts: true }
  }
  const each = /\d/.test(text) ? eachIn(text) : null
  if (each) return each
  const kit = /KIT|PACK/.test(text)
  const times = /B ?X ?\d/.test(text) ? TIMES.exec(text) : null
  const isCount = times && (times[3] === 'X' || kit || [2, 3, 6].includes(Number(times[4])))
  if (times && isCount) {
    const capacityGiB = inGiB(times[1], times[2])
    return { capacityGiB, pieces: Number(times[4]), ...NOTHING_ELSE }
  }
  // `8GB X 4` without ranks: four of them, or a device width.
  if (times && Number(times[4]) === 4 && !/\dR ?X/.test(text)) {
    return { capacityGiB: undefined, pieces: null, unclear: true, contradicts: false }
  }
  const sum = text.includes('+') ? SUM.exec(text) : null
  const capacity = CAPACITY.exec(text)
  if (sum && (sum[2] || sum[3] || capacity)) {
    const capacityGiB = inGiB(sum[1], sum[2] ?? sum[3] ?? capacity?.[2])
    return { capacityGiB, pieces: 2, unclear: false, contradicts: isOff(text, sum, capacityGiB, 2) }
  }
  const printed = capacity ? inGiB(capacity[1], capacity[2]) : undefined
  const whole = countOf(KIT_OF.exec(text)?.[1])
  if (whole > 1) {
    const capacityGiB = printed === undefined ? undefined : printed / whole
    return { capacityGiB, pieces: whole, ...NOTHING_ELSE }
  }
  const counted = COUNTED.exec(text)
  const pieces = counted?.[3] ? 2 : countOf(counted?.[1] ?? counted?.[2])
  if (pieces > 1) {
    return { capacityGiB: undefined, pieces, unclear: printed !== undefined, contradicts: false }
  }
  if (SOME_KIT.test(text)) {
    return { capacityGiB: undefined, pieces: null, unclear: true, contradicts: false }
  }
  const quantity = QUANTITY.exec(text)
  const many = Number(quantity?.[1] ?? quantity?.[2] ?? 1)
  if (printed !== undefined && many > 1) {
    return { capacityGiB: printed, pieces: many, ...NOTHING_ELSE }
  }
  const all = capacitiesIn(text)
  const contradicts = all.some((one) => one !== printed)
  return { capacityGiB: printed, pieces: null, unclear: false, contradicts }
}

function isEither(text: string): boolean {
  const [, one, other] = EITHER.exec(text) ?? []
  return one !== undefined && Number(one) < Number(other) && !/SLOT|BANK|DIMM ?\d/.test(text)
}

function eachIn(text: string): PrintedSize | null {
  for (const pattern of EACH) {
    const match = pattern.exec(text)
    if (!match) continue
    const pieces = countOf(match[1])
    const capacityGiB = inGiB(match[2], match[3])
    const contradicts = isOff(text, match, capacityGiB, pieces)
    return { capacityGiB, pieces, unclear: false, contradicts }
  }
  return null
}

/** Whether a capacity beside a count and size of modules is not their sum. */
function isOff(text: string, match: RegExpExecArray, capacityGiB: number, pieces: number): boolean {
  const before = text.slice(0, match.index)
  const rest = `${before} ${text.slice(match.index + match[0].length)}`
  return capacitiesIn(rest).some((one) => one !== capacityGiB * pieces)
}

const capacitiesIn = (text: string): number[] =>
  [...text.matchAll(CAPACITIES)].map(([, figure, unit]) => inGiB(figure, unit))

const countOf = (text: string | undefined): number =>
  text === undefined ? 0 : (COUNTS[text] ?? Number(text))

function inGiB(figure: string | undefined, unit: string | undefined): number {
  const amount = Number(figure)
  const letter = unit?.[0]
  return letter === 'M' ? amount / 1024 : letter === 'T' ? amount * 1024 : amount
}
