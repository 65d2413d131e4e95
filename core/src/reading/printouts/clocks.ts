import { plainLetters, type SystemFigures } from '../facts'
import { isBlank, type PrintForm, systemRead } from './form'

/** Rate of running memory, as a setup, a clock tool or a start-up message prints it. */
const RATE =
  /\b(?:DRAM|MEMORY|MEM\.?|RAM|SPEICHER)[ -]?(?:FREQUENCY|FREQ\.?|CLOCK|SPEED|TAKT|FREQUENZ)(?: ?\(MHZ\))?\s*[:=|]?\s*(?:DDR\d-)?(\d{3,5})(?:[.,]\d+)? ?(MHZ|MT\/S)?/
const CL = /(?:CAS#? ?LATENCY(?: ?\(CL\))?|\bT?CL\b)\s*[:=|]?\s*(\d{1,2})(?:[.,]0)?(?!\d)/
const TIMINGS = /\b(?:DRAM|MEMORY) TIMINGS?\s*[:=|]?\s*(\d{1,2})-\d{1,3}-\d{1,3}/
const CHANNELS =
  /\bCHANNELS? ?#?\s*[:=|]?\s*(\d) ?X ?(32|64)-?BIT|\b(SINGLE|DUAL|TRIPLE|QUAD)(?:[- ]CHANNEL)?\b/
const TOTAL =
  /\b(?:TOTAL (?:SYSTEM )?MEMORY|MEMORY SIZE|INSTALLED MEMORY)\s*[:=|]?\s*(\d{1,7}) ?([MG])B/
const COUNTS: Readonly<Record<string, number>> = { SINGLE: 1, DUAL: 2, TRIPLE: 3, QUAD: 4 }

/** Every such line has one of these in it. */
const MAYBE = /(?:freq|clock|speed|takt|latency|channels? ?#|memory).*\d/i

/** Lines of the same kind that follow each other, with others between. */
const LONGEST = 16

/**
 * Clocks and timings of running memory: `DRAM frequency 1596 MHz, CL 16, Dual`, or a line for each. They say what the
 * machine does, never what its modules are. A frequency may be the clock or the rate, and stays as it is printed.
 */
export const clocksShown: PrintForm = {
  name: 'clocksShown',
  begins: MAYBE,
  read(lines, at) {
    if (!isOfClocks(lines[at] as string)) return null
    const system: Partial<SystemFigures> = {}
    let end = at
    for (let n = at; n < Math.min(lines.length, at + LONGEST) && !isBlank(lines[n]); n += 1) {
      if (take(plainOf(lines[n] as string), system)) end = n + 1
    }
    if (system.shownRate === undefined && system.cl === undefined) return null
    return systemRead('clocks', system, at, end)
  },
}

const plainOf = (line: string): string => plainLetters(line.slice(0, 200)).replace(/\s+/g, ' ')

/** Whether a line is one of running memory; a label has a capacity and a kind of memory beside its rate. */
function isOfClocks(line: string): boolean {
  if (!MAYBE.test(line)) return false
  const plain = plainOf(line)
  return RATE.test(plain) || /CAS# ?LATENCY|\bCHANNELS? #/.test(plain) || TOTAL.test(plain)
}

function take(plain: string, into: Partial<SystemFigures>): boolean {
  const rate = RATE.exec(plain)?.[1]
  const cl = (CL.exec(plain) ?? TIMINGS.exec(plain))?.[1]
  const [, count, bits, word] = CHANNELS.exec(plain) ?? []
  const total = TOTAL.exec(plain)
  if (rate) into.shownRate ??= Number(rate)
  if (cl) into.cl ??= Number(cl)
  if (word) into.channels ??= COUNTS[word] as number
  else if (count) into.channels ??= Math.max(1, (Number(count) * Number(bits)) / 64)
  if (total) into.totalGiB ??= Number(total[1]) / (total[2] === 'M' ? 1024 : 1)
  return Boolean(rate || cl || word || count || total)
}
