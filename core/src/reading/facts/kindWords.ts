import { type FormFactor, GENERATIONS, type Generation } from '../../things/model'
import { plausibleRate } from './rateNames'

/** Kinds of memory that a text in plain letters (see `plainLetters`) names: each once. */
export interface KindsNamed {
  generations: Generation[]
  forms: FormFactor[]
  /** Data rates in MT/s that a generation can have. */
  rates: number[]
  /** Channels of 64 bits. */
  channels: number[]
}

const COUNTS: Readonly<Record<string, number>> = { SINGLE: 1, DUAL: 2, TRIPLE: 3, QUAD: 4 }
const GENERATION = /\b(?:LP)?DDR[1-6]X?(?![0-9])/g
const RATE = /\bDDR[1-6]L?[- ](\d{3,5})\b|\b(\d{3,5}) ?(?:MHZ|MT\/S)/g
const CHANNELS = /\b(SINGLE|DUAL|TRIPLE|QUAD)[- ](?:CHANNEL|KANAL|CANAL|CANALE)\w*/g
const SODIMM = /\bSO-? ?(?:U-?)?DIMM|\b(?:260|262|204)[- ]?PIN/
/** A bare `DIMM` names a slot of any form. */
const DIMM = /\bU-?DIMM|\bLONG[- ]DIMM|\b(?:288|240)[- ]?PIN/

export function kindsNamed(text: string): KindsNamed {
  const all = (pattern: RegExp) => [...text.matchAll(pattern)]
  const generations = all(GENERATION).flatMap(
    ([name]) => GENERATIONS.find((one) => one === name) ?? [],
  )
  const rates = all(RATE).map(([, named, printed]) => Number(named ?? printed))
  const isRate = (rate: number) =>
    generations.some((generation) => plausibleRate(generation, rate)) ||
    (generations.length === 0 && rate >= 800)
  return {
    generations: [...new Set(generations)],
    forms: [
      ...(SODIMM.test(text) ? (['SODIMM'] as const) : []),
      ...(DIMM.test(text) ? (['DIMM'] as const) : []),
      ...(/\bCAMM2?\b/.test(text) ? (['CAMM2'] as const) : []),
    ],
    rates: [...new Set(rates.filter(isRate))],
    channels: [...new Set(all(CHANNELS).map(([, word = '']) => COUNTS[word] as number))],
  }
}
