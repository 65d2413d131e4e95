import type { MixingReason, Objection } from '@tembrix/core/judging/plan'

export const OBJECTION_WORDS: Record<Objection, string> = {
  CHANNEL_EMPTY: 'a channel stays empty',
  CHANNELS_UNEVEN: 'the channels hold unequal amounts',
  ARTICLES_MIXED: 'different modules',
  KIT_SPLIT: 'a kit is taken apart',
  KITS_COMBINED: 'kits are put together that were not tested together',
}

export const MIXING_WORDS: Record<MixingReason, string> = {
  ARTICLES: 'different modules',
  SOLDERED: 'a module beside soldered memory',
  KITS: 'kits that were not tested together',
  DIES: 'different memory dies',
  RANKS: 'different ranks',
  RATES: 'different speeds',
  SHARED_CHANNEL: 'several on one channel',
  PROFILE: 'a memory profile on a mixed set',
  TOUCHY: 'the platform is known to be sensitive',
}
