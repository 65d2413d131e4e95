import type { FrameRate, MemoryChange, Surrounding } from '@tembrix/core/bench/measure'
import { tidy } from '../../../../base/format'

export const CHANGE_WORDS: Record<MemoryChange, string> = {
  capacity: 'the capacity',
  channels: 'the channels',
  rate: 'the speed',
  latency: 'the latency',
  ranks: 'the ranks',
  width: 'the device width',
}

/** Changes made along with the memory, as read in a sentence. */
export const ALONG_WORDS: Record<Surrounding, string> = {
  processor: 'the processor',
  driver: 'the driver',
  system: 'the system',
  version: 'the program’s version',
  disk: 'the disk',
  other: 'something else',
}

export const times = (ratio: number, digits = 1): string =>
  ratio >= 2 || ratio <= 0.5
    ? `${tidy(ratio)} times`
    : `${ratio >= 1 ? '+' : '−'}${tidy(Math.abs(ratio - 1) * 100, digits)} %`

/** The figures of a log of frame times, each under its own name, since the ways to say “slowest” differ. */
export const RATE_WORDS: Record<FrameRate, string> = {
  averageRate: 'average rate',
  rateAt99: 'rate at the 99th percentile frame time',
  rateOfSlowest1: 'rate of the mean of the slowest 1 %',
  rateAt999: 'rate at the 99.9th percentile frame time',
  rateOfSlowest01: 'rate of the mean of the slowest 0.1 %',
}

/** Those compared as tests of their own. */
export const COMPARED_RATES = ['averageRate', 'rateAt99', 'rateOfSlowest1'] as const

export const rateTestName = (test: string, rate: FrameRate) => `${test}: ${RATE_WORDS[rate]}`
