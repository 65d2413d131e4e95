import { kindsNamed, learn, learnAll, MACHINE, plainLetters, SYSTEM, subjectOf } from '../facts'
import type { PrintForm } from './form'

/** Fields as firmware names the memory that it found, all of it. */
const FIELD =
  /^(?:MAIN (?:MEMORY|RAM)|(?:SYSTEM |TOTAL )?(?:MEMORY|RAM) (?:INFORMATION|INFO|TEST(?:ING)?|CHECK)|DRAM)(?: (?:SIZE|TYPE|SPEED))? ?[:=]/
/** Figures in K or M, as firmware counts them. */
const COUNTED = /(?<![\d.])(\d{3,9}) ?([KM])I?B?\b/
const TOTAL = /(?<![\d.])(\d{1,9}) ?([KMG])I?B?\b/
const PER_GIB: Readonly<Record<string, number>> = { K: 1024 ** 2, M: 1024, G: 1 }
/** Marks of one module, which is not all that there is. */
const OF_ONE = /\dR ?X ?\d|DIMM|\bKIT\b|\d ?X ?\d{1,3} ?GB|\bCL ?\d|PC[2-5]/

/** Whether a line is a start-up message: its field, memory that was counted and found well, or all of it beside its channels. */
function isStartUp(plain: string): boolean {
  if (OF_ONE.test(plain)) return false
  if (FIELD.test(plain)) return true
  if (!COUNTED.test(plain)) return false
  return /\bOK\b\.?$/.test(plain) || /\b(?:SINGLE|DUAL|TRIPLE|QUAD)[- ]CHANNEL/.test(plain)
}

/**
 * Start-up message of the firmware: `Main Memory: DDR4 2133MHz 8192MB, Dual Channel`. It is about all the memory as it
 * runs, so it makes no module.
 */
export const startUpMessage: PrintForm = {
  name: 'startUpMessage',
  begins:
    /^\s*(?:(?:main|system|total) )?(?:memory|ram|dram)\b|\d ?[km]i?b?\b.*(?:ok\b|channel)|channel.*\d ?[km]i?b/i,
  read(lines, at) {
    const plain = plainLetters((lines[at] as string).slice(0, 200)).trim()
    if (!isStartUp(plain)) return null
    const { generations, rates, channels } = kindsNamed(plain)
    const [, figure, unit = ''] = COUNTED.exec(plain) ?? TOTAL.exec(plain) ?? []
    const system = subjectOf(SYSTEM, 'readout', { line: at + 1 })
    learnAll(system, {
      totalGiB: figure === undefined ? undefined : Number(figure) / (PER_GIB[unit] as number),
      shownRate: rates.length === 1 ? rates[0] : undefined,
      channels: channels.length === 1 ? channels[0] : undefined,
    })
    const machine = subjectOf(MACHINE, 'readout', { line: at + 1 })
    if (generations.length === 1) learn(machine, 'generation', generations[0])
    const observations = [...machine.observations, ...system.observations]
    if (observations.length === 0) return null
    return { format: 'clocks', observations, problems: [], end: at + 1 }
  },
}
