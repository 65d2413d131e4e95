import { type Generation, isModuleCapacity } from '../../things/model'
import { isMadeDensity, modulesRead, rateOfFigure } from '../facts'
import { binsOf } from './bins'
import { readLabels } from './labels'

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
}

/**
 * What the lines recognised in a picture say of a module. Letters in the place of digits are mended by
 * the label's grammar: capacities and speeds that are sold, bins that exist, densities that are made.
 */
export function recognisedLabel(lines: readonly RecognisedLine[]): RecognisedLabel | null {
  const mended = lines.map(({ text }) => mend(text))
  const own = mended.flatMap(({ hits }, at) => (hits > 0 ? [at] : []))
  if (own.length === 0) return null
  const text = own.map((at) => (mended[at] as Mended).text).join('\n')
  const hits = own.reduce((sum, at) => sum + (mended[at] as Mended).hits, 0)
  const confidences = own.map((at) => lines[at]?.confidence ?? 0)
  const least = Math.min(...confidences)
  const mean = confidences.reduce((sum, one) => sum + one, 0) / confidences.length
  const guessed = own.some((at) => mended[at]?.guessed)
  return {
    text,
    lines: own,
    sure: !guessed && least >= SURE && isWhole(text),
    score: hits * (50 + mean),
  }
}

/** From here on a line is believed as it was recognised. */
const SURE = 60

/** Whether a text is one stick with nothing of importance missing or impossible. */
function isWhole(text: string): boolean {
  const reading = readLabels(text.split('\n'))
  const [first, another] = modulesRead(reading?.observations ?? [])
  if (!reading || !first || another) return false
  const { capacityGiB, generation, speeds, formFactor } = first.said
  const wrong = reading.problems.some(
    ({ code }) =>
      code === 'DENSITY_NOT_MADE' || code === 'CAPACITY_NOT_MADE' || code === 'BIN_UNKNOWN',
  )
  return !wrong && [capacityGiB, generation, speeds, formFactor].every((one) => one !== undefined)
}

function mend(line: string): Mended {
  let text = line
    .toUpperCase()
    .replace(/[\u2010-\u2015]/g, '-')
    .replace(/\s+/g, ' ')
    .trim()
  let hits = 0
  let guessed = false
  const rate = rateIn(text)
  if (rate) {
    text = text.replace(RATE, rate.text)
    hits += 3
    guessed ||= rate.guessed
  }
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
  return { text, hits, guessed: guessed || !isDense(text) }
}

const digits = (text: string): string =>
  [...text].map((letter) => AS_DIGIT[letter] ?? letter).join('')

/** The label form's rate and bin, put right; null where none can be made of it. */
function rateIn(text: string): { text: string; guessed: boolean } | null {
  const match = RATE.exec(text)
  if (!match) return null
  const [, generationDigit = '', low = '', figure = '', letters = ''] = match
  const number = digits(generationDigit)
  const generation = `DDR${number}` as Generation
  const split = binBehind(generation, figure, letters)
  if (split) return { text: `PC${number}${low}-${split}`, guessed: false }
  const plain = digits(figure)
  const known = rateOfFigure(generation, Number(plain))
  const rates = known
    ? [plain]
    : oneOff(plain).filter((one) => rateOfFigure(generation, Number(one)))
  const [printed] = rates
  if (rates.length !== 1 || printed === undefined) return null
  const rate = rateOfFigure(generation, Number(printed))?.dataRate ?? 0
  const bin = binIn(generation, rate, letters)
  return {
    text: `PC${number}${low}-${printed}${bin.letters}`,
    guessed: !known || bin.guessed,
  }
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

/** Whether capacity, ranks and width of a line make a density that there is; true where one is missing. */
function isDense(text: string): boolean {
  const capacity = /(\d+)GB/.exec(text)?.[1]
  const [, ranks, width] = /(\d)Rx(\d+)/.exec(text) ?? []
  if (!capacity || !ranks || !width) return true
  const density = (Number(capacity) * 8 * Number(width)) / (Number(ranks) * 64)
  return isMadeDensity(density, /PC([23])/.test(text) ? 'DDR3' : 'DDR4')
}
