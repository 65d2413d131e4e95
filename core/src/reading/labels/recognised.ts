import { type Generation, isModuleCapacity } from '../../things/model'
import { commonDensities, modulesRead, rateOfFigure } from '../facts'
import { binsOf } from './bins'
import { readLabels } from './labels'
import { isPartAlone } from './numbers'

/** A line of letters recognised in a picture, and how sure the recognition is of it, 0 to 100. */
export interface RecognisedLine {
  text: string
  confidence: number
}

/** What a picture of a label says, as text that can be read; null figures stay unread. */
export interface RecognisedLabel {
  /** The lines that belong to a label, mended, one under the other. */
  text: string
  /** Which of the given lines these are. */
  lines: number[]
  /** Whether it may be taken as it is; else it is to be compared with the picture. */
  sure: boolean
  /** Of one that is not sure: up to three texts that it may be, the likelier first. */
  readings: string[]
  /** How much of a label was found, to tell the right turn of a picture from the wrong ones. */
  score: number
}

/** Letters that are taken for digits in places where only digits stand. */
const AS_DIGIT: Readonly<Record<string, string>> = {
  O: '0',
  Q: '0',
  D: '0',
  I: '1',
  L: '1',
  '|': '1',
  '!': '1',
  Z: '2',
  S: '5',
  G: '6',
  B: '8',
}
/** Digits and letters that are taken for each other; to choose among them is a guess. */
const LOOKALIKES: Readonly<Record<string, string>> = {
  '0': '869',
  '1': '7',
  '2': '7',
  '3': '8',
  '4': '9',
  '5': '6',
  '6': '580',
  '7': '12',
  '8': '360',
  '9': '0',
}
const BIN_LOOKALIKES: Readonly<Record<string, string>> = {
  '4': 'A',
  Y: 'V',
  V: 'Y',
  '7': 'T',
  I: 'T',
  '1': 'T',
  '8': 'B',
  E: 'B',
  '6': 'B',
  F: 'P',
}

const DIGIT = '[0-9OQDIL|!ZSGB]'
const CAPACITY = new RegExp(`(?<![A-Z0-9.])(${DIGIT}{1,3}) ?[GC6] ?[B8E](?![A-Z0-9]{2})`)
const ORGANISATION = /(?<![A-Z0-9])([1248IL|!Z]) ?R ?[XK*×] ?(16|I6|L6|1G|[48AB])(?![0-9])/
const RATE = new RegExp(
  `P ?[CGO(] ?([2-5SZ]) ?([LU]?) ?[-–—_.~ ]{0,2}(${DIGIT}{4,5})([A-Z0-9]{0,2})(?=[-–—_. ]|$)`,
)

/** A line with what is a label's in it put right; `guessed` where that was a choice. */
interface Mended {
  text: string
  hits: number
  guessed: boolean
  /** The text with each rate that the printed one may be. */
  choices: string[]
}

/**
 * What the lines recognised in a picture say of a module. Letters in the place of digits are mended by
 * the label's grammar: capacities and speeds that are sold, bins that exist, densities that are made.
 */
export function recognisedLabel(lines: readonly RecognisedLine[]): RecognisedLabel | null {
  const mended = lines.map(({ text }) => mend(text))
  if (!mended.some(({ hits }) => hits > 0)) return null
  // A part number stands alone on its line, above or below the label's own.
  const own = mended.flatMap(({ hits, text }, at) => (hits > 0 || isPartAlone(text) ? [at] : []))
  const text = own.map((at) => (mended[at] as Mended).text).join('\n')
  const hits = own.reduce((sum, at) => sum + (mended[at] as Mended).hits, 0)
  const confidences = own.map((at) => lines[at]?.confidence ?? 0)
  const least = Math.min(...confidences)
  const mean = confidences.reduce((sum, one) => sum + one, 0) / confidences.length
  const guessed = own.some((at) => mended[at]?.guessed)
  const sure = !guessed && least >= SURE && isWhole(text)
  const withRates = own.flatMap((at) =>
    (mended[at] as Mended).choices.map((one) => text.replace((mended[at] as Mended).text, one)),
  )
  const texts = withRates.length > 0 ? withRates : [text]
  return {
    text,
    lines: own,
    sure,
    readings: sure ? [] : [...new Set(texts.flatMap(withCapacities))].slice(0, MOST_READINGS),
    score: hits * (50 + mean),
  }
}

const COMPARED = ['capacityGiB', 'generation', 'formFactor', 'ranks', 'deviceWidth'] as const

/**
 * Best of several looks at one picture: the surest, then the one that found most of a label. It is not sure
 * where another that could be says other figures; then both are among its readings. Null where none found a label.
 */
export function bestLook(
  looks: readonly (RecognisedLabel | null)[],
): { at: number; label: RecognisedLabel } | null {
  const found = looks.flatMap((label, at) => (label ? [{ at, label }] : []))
  const [best] = found.toSorted(
    (a, b) => Number(b.label.sure) - Number(a.label.sure) || b.label.score - a.label.score,
  )
  if (!best) return null
  const others = found.filter(
    ({ at, label }) =>
      at !== best.at && isWhole(label.text) && saysOther(label.text, best.label.text),
  )
  if (others.length === 0) return best
  const texts = [best.label.text, ...others.map(({ label }) => label.text), ...best.label.readings]
  const readings = [...new Set(texts)].slice(0, MOST_READINGS)
  return { at: best.at, label: { ...best.label, sure: false, readings } }
}

/** Whether two texts give a stick a different figure. */
function saysOther(one: string, other: string): boolean {
  const [a, b] = [one, other].map((text) => {
    const [module] = modulesRead(readLabels(text.split('\n'))?.observations ?? [])
    const { said = {} } = module ?? {}
    return [...COMPARED.map((what) => said[what]), said.speeds?.[0]?.dataRate]
  })
  return (a ?? []).some((value, at) => {
    const against = b?.[at]
    return value !== undefined && against !== undefined && value !== against
  })
}

/** From here on a line is believed as it was recognised. */
const SURE = 60

/** More readings of one picture are not offered. */
const MOST_READINGS = 3

/** Ranks, width and generation in a text, each where it is printed. */
function organisationIn(text: string) {
  const [, ranks, width] = /(?<![A-Z0-9])(\d)Rx(\d+)/.exec(text) ?? []
  const number = /PC(\d)/.exec(text)?.[1] ?? /DDR(\d)/.exec(text)?.[1]
  return ranks && width && number
    ? { ranks: Number(ranks), width: Number(width), generation: `DDR${number}` as Generation }
    : null
}

/** Capacities (GiB) that ranks and width make with the dies of a generation that are common. */
function capacitiesOf(text: string): number[] {
  const printed = organisationIn(text)
  if (!printed) return []
  const { ranks, width, generation } = printed
  return commonDensities(generation)
    .map((density) => (density * ranks * 64) / width / 8)
    .filter(isModuleCapacity)
}

/** The text with each capacity that can be, those first whose digits were seen; itself where none is worked out. */
function withCapacities(text: string): string[] {
  const seen = /(?<![A-Z0-9])(\d+)GB/.exec(text)?.[1] ?? ''
  const possible = capacitiesOf(text)
  if (possible.length === 0) return [text]
  const fit = (gib: number) => (seen !== '' && String(gib).endsWith(seen) ? 0 : 1)
  return possible
    .toSorted((a, b) => fit(a) - fit(b) || a - b)
    .map((gib) =>
      seen === ''
        ? text.replace(/(?<![A-Z0-9])(?=\dRx\d)/, `${gib}GB `)
        : text.replace(/(?<![A-Z0-9])\d+GB/, `${gib}GB`),
    )
}

/** Whether a text is one stick with nothing of importance missing or impossible, whose capacity is what its ranks and width make. */
function isWhole(text: string): boolean {
  const reading = readLabels(text.split('\n'))
  const [first, another] = modulesRead(reading?.observations ?? [])
  if (!reading || !first || another) return false
  const { capacityGiB, generation, speeds, formFactor } = first.said
  const wrong = reading.problems.some(
    ({ code }) =>
      code === 'DENSITY_NOT_MADE' || code === 'CAPACITY_NOT_MADE' || code === 'BIN_UNKNOWN',
  )
  return (
    !wrong &&
    [generation, speeds, formFactor].every((one) => one !== undefined) &&
    capacityGiB !== undefined &&
    capacitiesOf(text).includes(capacityGiB)
  )
}

function mend(line: string): Mended {
  let text = line
    .toUpperCase()
    .replace(/[\u2010-\u2015]/g, '-')
    .replace(/\s+/g, ' ')
    .trim()
  // Numbers of the stick itself are never put right: any letter may stand in them.
  if (isPartAlone(text)) return { text, hits: 0, guessed: false, choices: [] }
  if (/^(?:S\/?N|P\/?N|SERIAL)\b/.test(text) && !RATE.test(text)) {
    return { text, hits: 1, guessed: false, choices: [] }
  }
  let hits = 0
  let guessed = false
  const { rate, choices: rates } = rateIn(text)
  const plain = text
  if (rate) {
    text = text.replace(RATE, rate.text)
    hits += 3
    guessed ||= rate.guessed
  } else if (rates.length > 0) hits += 1
  text = text.replace(CAPACITY, (whole, figure: string) => {
    const capacity = Number(digits(figure))
    if (!isModuleCapacity(capacity)) return whole
    hits += 1
    return `${capacity}GB`
  })
  text = text.replace(ORGANISATION, (_, ranks: string, width: string) => {
    hits += 1
    const wide = { A: '4', B: '8', I6: '16', L6: '16', '1G': '16' }[width] ?? width
    return `${digits(ranks)}Rx${wide}`
  })
  if (hits === 0 && /DDR[2-5]/.test(text) && /\d{4}/.test(text)) hits += 2
  if (hits === 0 && /\bS\/?N\b|\bP\/?N\b/.test(text)) hits += 1
  const choices = rates.map((one) => text.replace(RATE.exec(plain)?.[0] ?? '', one))
  return { text, hits, guessed, choices }
}

const digits = (text: string): string =>
  [...text].map((letter) => AS_DIGIT[letter] ?? letter).join('')

/** The rate and bin of the label form put right, or the rates that it may be where that is not clear. */
function rateIn(text: string): {
  rate: { text: string; guessed: boolean } | null
  choices: string[]
} {
  const match = RATE.exec(text)
  if (!match) return { rate: null, choices: [] }
  const [, generationDigit = '', low = '', figure = '', letters = ''] = match
  const number = digits(generationDigit)
  const generation = `DDR${number}` as Generation
  const name = `PC${number}${low}-`
  const split = binBehind(generation, figure, letters)
  if (split) return { rate: { text: name + split, guessed: false }, choices: [] }
  const plain = digits(figure)
  const known = rateOfFigure(generation, Number(plain))
  const rates = known
    ? [plain]
    : oneOff(plain).filter((one) => rateOfFigure(generation, Number(one)))
  const printed = rates.map((one) => {
    const rate = rateOfFigure(generation, Number(one))?.dataRate ?? 0
    const bin = binIn(generation, rate, letters)
    return { text: `${name}${one}${bin.letters}`, guessed: !known || bin.guessed }
  })
  const [only, ...others] = printed
  if (only && others.length === 0) return { rate: only, choices: [] }
  return { rate: null, choices: printed.map((one) => one.text) }
}

/**
 * A bin letter that was taken for a fifth digit, as B for 8: no bandwidth is printed with other than
 * two zeros at its end.
 */
function binBehind(generation: Generation, figure: string, letters: string): string | null {
  if (figure.length !== 5 || letters !== '' || /00$/.test(digits(figure))) return null
  const rate = digits(figure.slice(0, 4))
  const meant = rateOfFigure(generation, Number(rate))
  const last = figure[4] as string
  const bin = BIN_LOOKALIKES[last] ?? last
  return meant && binsOf(generation, meant.dataRate).includes(bin) ? `${rate}${bin}` : null
}

/** Every figure that differs in one digit that looks alike. */
function oneOff(figure: string): string[] {
  return [...figure].flatMap((digit, at) =>
    [...(LOOKALIKES[digit] ?? '')].map(
      (other) => figure.slice(0, at) + other + figure.slice(at + 1),
    ),
  )
}

function binIn(generation: Generation, rate: number, letters: string) {
  const bins = binsOf(generation, rate)
  if (letters === '' || bins.length === 0 || bins.includes(letters)) {
    return { letters, guessed: false }
  }
  const other = [...letters].map((letter) => BIN_LOOKALIKES[letter] ?? letter).join('')
  return bins.includes(other) ? { letters: other, guessed: true } : { letters, guessed: true }
}
