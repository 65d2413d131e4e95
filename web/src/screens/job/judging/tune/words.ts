import type { LadderStage, SettingChange, TuneRefusal } from '@tembrix/core/judging/tune'
import type { BESIDES } from '@tembrix/core/things/records'

export const TUNE_REFUSALS: Record<TuneRefusal, string> = {
  NOTHING_TO_SET:
    'This machine’s firmware offers nothing to set by hand: it runs at what it sets by itself.',
  DOES_NOT_START: 'As planned the machine does not start: there is nothing to tune. Plan first.',
}

export const LADDER_STAGE_NAMES: Record<LadderStage, string> = {
  rated: 'As rated',
  speed: 'Speed',
  cl: 'CL',
  'trcd-trp': 'tRCD and tRP',
  tras: 'tRAS',
  final: 'The soak test',
}

/** One change in a sentence. */
export function changeWords({ what, from, to }: SettingChange): string {
  switch (what) {
    case 'nothing':
      return 'nothing is changed'
    case 'dataRate':
      return `speed from ${from} to ${to} MT/s, timings carried over`
    case 'cl':
      return `CL from ${from} to ${to}`
    case 'trcd-trp':
      return `tRCD and tRP from ${from} to ${to}`
    case 'tras':
      return `tRAS from ${from} to ${to}`
  }
}

/** Values of the setup beside speed and timings. */
export const BESIDE_WORDS: Record<(typeof BESIDES)[number], { name: string; means: string }> = {
  commandRate: {
    name: 'Command rate',
    means: 'Clocks a command stands before it counts: 1T is quicker, 2T carries more modules.',
  },
  refreshInterval: {
    name: 'Refresh interval, clocks',
    means: 'Longer leaves more time for work, and less for what the cells lose when warm.',
  },
  fabricClock: {
    name: 'Fabric clock, MHz',
    means: 'Where it has one of its own: a whole ratio to the memory clock answers soonest.',
  },
}
