import {
  exactRate,
  GENERATIONS,
  type Generation,
  STANDARD_STEPS,
  standardStep,
} from '../../things/model'

/** One meaning of a rate's name: the data rate in MT/s, and what the printed figure was. */
export interface RateReading {
  generation: Generation
  dataRate: number
  as: 'rate' | 'bandwidth' | 'clock'
}

/** Bandwidths are printed rounded to the hundred, which is as much as 1.6 % off. */
const BANDWIDTH_SHARE = 0.016

/** Profiles go beyond the standard steps, up to about three quarters more. */
const BEYOND = 1.75

/** Speeds that modules are sold by though they are no standard step, MT/s: memory profiles all. */
const SOLD: Partial<Record<Generation, readonly number[]>> = {
  DDR: [433, 466, 500, 533, 550, 566, 600],
  DDR2: [900, 1000, 1142, 1150, 1200],
  DDR3: [1800, 2000, 2200, 2250, 2400, 2600, 2666, 2800, 2933, 3000],
  DDR4: [
    2800, 3000, 3300, 3333, 3400, 3466, 3600, 3666, 3733, 3800, 3866, 4000, 4133, 4200, 4266, 4333,
    4400, 4500, 4600, 4700, 4800, 5000, 5066, 5100, 5133, 5333,
  ],
  DDR5: [5000, 5400, 6200, 6600, 7000, 7400, 7466, 7800, 8200, 8266, 8533, 9000, 9200, 9600],
}

const DIGITS = { DDR: '1', DDR2: '2', DDR3: '3', DDR4: '4', DDR5: '5' } as Partial<
  Record<Generation, string>
>

/** Whether a figure can be a data rate of the generation, MT/s: a standard step, or a profile above them. */
export function plausibleRate(generation: Generation, figure: number): boolean {
  const steps = STANDARD_STEPS[generation]
  const top = steps.at(-1) as number
  return soldSpeed(generation, figure) !== undefined || (figure > top && figure <= top * BEYOND)
}

/** The standard step or speed sold that a figure (MT/s) stands for: the nearest within `share` of it. */
export function soldSpeed(
  generation: Generation,
  figure: number,
  share = 0.01,
): number | undefined {
  let best: number | undefined
  let off = Number.POSITIVE_INFINITY
  for (const list of [STANDARD_STEPS[generation], SOLD[generation] ?? []]) {
    for (const speed of list) {
      const away = Math.abs(figure - exactRate(speed))
      if (away <= exactRate(speed) * share && away < off) {
        best = speed
        off = away
      }
    }
  }
  return best
}

/** The data rate whose module bandwidth in MB/s (rate × 8) is printed so. */
export function rateOfBandwidth(generation: Generation, figure: number): number | undefined {
  return soldSpeed(generation, figure / 8, BANDWIDTH_SHARE)
}

/** A figure of a known generation as a data rate, told from a bandwidth by what is plausible. */
export function rateOfFigure(generation: Generation, figure: number): RateReading | undefined {
  const step = soldSpeed(generation, figure)
  if (step !== undefined) return { generation, dataRate: step, as: 'rate' }
  const rate = rateOfBandwidth(generation, figure)
  if (rate !== undefined) return { generation, dataRate: rate, as: 'bandwidth' }
  return plausibleRate(generation, figure)
    ? { generation, dataRate: figure, as: 'rate' }
    : undefined
}

const NAME =
  /^\s*(?:(LP)?DDR([1-5])?([LUX])?|PC([1-5])?([LU])?)?[\s-]*(\d{3,5})[A-Z]{0,2}\s*(MHZ|MT\/?S|MB\/?S)?\s*$/i

/**
 * Every meaning a rate's name can have, the likeliest first: `DDR4-3200`, `PC4-25600`, `PC3-12800`,
 * `PC-3200`, `PC4-3200AA`, or a bare figure. More than one: it is ambiguous. None: it is no such name.
 */
export function readRateName(text: string): RateReading[] {
  const match = NAME.exec(
    text.slice(0, 80).replace(/(?<=\d)o+|o+(?=\d)/gi, (letters) => '0'.repeat(letters.length)),
  )
  if (!match) return []
  const [, low, ddr, letter, pc, , digits, unit] = match
  const figure = Number(digits)
  const isPc = /^\s*PC/i.test(text)
  const digit = ddr ?? pc
  const named = digit === undefined ? undefined : generationOf(digit, low !== undefined, letter)
  if (named) return meanings(named, figure, unit)
  if (digit !== undefined) return []
  const bare = isPc || /^\s*DDR/i.test(text)
  const all = (bare ? wordless(isPc) : GENERATIONS).flatMap((one) => meanings(one, figure, unit))
  return all
    .filter(({ generation, dataRate }) => standardStep(generation, dataRate) !== undefined)
    .toSorted((a, b) => (isPc ? rankOf(a) - rankOf(b) : 0))
}

/** `PC-3200` without a digit is the first generation's by the book; people write it for the later ones too. */
const wordless = (isPc: boolean): Generation[] =>
  isPc ? ['DDR', 'DDR2', 'DDR3', 'DDR4', 'DDR5'] : ['DDR']

const rankOf = ({ as, generation }: RateReading) =>
  as === 'bandwidth' && generation === 'DDR' ? 0 : as === 'bandwidth' ? 1 : 2

function generationOf(digit: string, low: boolean, letter: string | undefined) {
  const name = `${low ? 'LP' : ''}DDR${digit === '1' ? '' : digit}${low && letter?.toUpperCase() === 'X' ? 'X' : ''}`
  return GENERATIONS.find((one) => one === name)
}

function meanings(generation: Generation, figure: number, unit: string | undefined): RateReading[] {
  const said = unit?.toUpperCase().replace('/', '')
  const found: RateReading[] = []
  const plain = rateOfFigure(generation, figure)
  if (plain && (said === undefined || (said === 'MBS') === (plain.as === 'bandwidth'))) {
    found.push(plain)
  }
  const doubled = standardStep(generation, figure * 2)
  if (said === 'MHZ' && doubled !== undefined) {
    found.push({ generation, dataRate: doubled, as: 'clock' })
  }
  return found
}

/** The names a data rate (MT/s) goes by: rate and bandwidth forms, clock in MHz, peak of one module in MB/s. */
export interface RateNames {
  rate: string
  /** None where no module of the generation is sold. */
  bandwidth: string | null
  clockMHz: number
  peakMBs: number
}

export function rateNames(generation: Generation, dataRate: number): RateNames {
  const exact = exactRate(dataRate)
  const digit = DIGITS[generation]
  return {
    rate: `${generation}-${dataRate}`,
    bandwidth: digit
      ? `PC${digit === '1' ? '' : digit}-${printedBandwidth(generation, exact)}`
      : null,
    clockMHz: exact / 2,
    peakMBs: exact * 8,
  }
}

/** Rounded down to the hundred, but for 333 of the first generation, which is printed 2700. */
function printedBandwidth(generation: Generation, exact: number): number {
  if (generation === 'DDR' && Math.round(exact) === 333) return 2700
  return Math.floor((exact * 8 + 0.01) / 100) * 100
}
