import type { FreeLayout } from '@tembrix/core/judging/advice'
import {
  type Expected,
  type Forecast,
  isSteadier,
  type UseForecast,
} from '@tembrix/core/judging/forecast'
import type {
  GivesUp,
  PlacedPiece,
  RecommendationName,
  RecommendationReason,
} from '@tembrix/core/judging/plan'
import { CHOICES, capacity, list, money, plural, tidy } from '../../../../base/format'

/** Plans that can be kept beside the one on the board. */
export const PLANS_KEPT = 4

export const RECOMMENDATION_NAMES: Record<RecommendationName, string> = {
  'lowest-cost': 'Lowest cost',
  'best-for-use': 'Best for this use',
  safest: 'Safest',
  listed: 'On the maker’s list',
  'add-later': 'Start now, add later',
}

/** A share as a per cent figure that claims no more than it knows. */
export function sharePercent(share: number): string {
  const points = share * 100
  return `${tidy(points, Math.abs(points) < 10 ? 1 : 0).replace('-', '−')} %`
}

type Gain = Pick<Forecast, 'words' | 'median' | 'most' | 'low1'>

/** The correction without buying in words: “move the module from A1 to B2”. */
export function freeWords({ moves, settings }: Pick<FreeLayout, 'moves' | 'settings'>): string {
  const move = moves.flatMap(({ from, to }) => (to === null ? [] : [`from ${from} to ${to}`]))
  const out = moves.flatMap(({ from, to }) => (to === null ? [from] : []))
  const acts = [
    move.length > 0 && `move the module${move.length > 1 ? 's' : ''} ${list(move)}`,
    out.length > 0 && `take out the module${out.length > 1 ? 's' : ''} in ${list(out)}`,
    settings.profile && 'run it with the memory profile enabled',
  ].filter((one) => one !== false)
  return list(acts)
}

/** A forecast in a few words, its range nine times in ten. */
export function gainInShort(forecast: Gain): string {
  const { words, median, most } = forecast
  if (median < SLOWER) return `${sharePercent(1 - most[1])} to ${sharePercent(1 - most[0])} slower`
  switch (words) {
    case 'UNKNOWN':
      return most[1] >= NOTICED ? `up to ${upTo(most)}` : 'unknown'
    case 'NONE':
      return isSteadier(forecast) ? 'steadier, not faster' : 'none you would notice'
    case 'STALLS_STOP':
      return 'stalls stop'
    default:
      return rangeWords(most)
  }
}

/** A forecast as it is said across the counter. */
export function gainInWords(forecast: Gain): string {
  switch (forecast.words) {
    case 'UNKNOWN':
      return forecast.most[1] >= NOTICED
        ? `up to ${upTo(forecast.most)}, by what limits it`
        : 'unknown: a log of the memory in use over a working day would tell'
    case 'NONE':
      if (forecast.median < SLOWER) return gainInShort(forecast)
      return isSteadier(forecast)
        ? 'steadier, not faster: the slowest frames come sooner'
        : 'no difference you would notice'
    case 'STALLS_STOP':
      return 'the stalls stop: memory runs out now and will not; how much that is, a log would tell'
    default:
      return `${gainInShort(forecast)}, nine times in ten`
  }
}

/** A game of which nobody knows what limits it, by either: “up to 14 % where the processor is the limit”. */
export function eitherWords({ card, processor }: NonNullable<UseForecast['either']>): string {
  const of = ({ median, most }: Expected) =>
    median < NOTICED ? 'nothing you would notice' : `up to ${upTo(most)}`
  return `${of(processor)} where the processor is the limit, ${of(card)} where the graphics card is`
}

/** The slowest 1 % of frames, in words. */
export const low1Words = ({ most }: { most: [number, number] }): string =>
  most[1] < NOTICED ? 'no difference you would notice' : rangeWords(most)

const upTo = ([, high]: readonly [number, number]) => sharePercent(high - 1).replace(/\.\d/, '')

/** Below this it is slower. */
const SLOWER = 0.99
/** From here on somebody notices. */
const NOTICED = 1.03

function rangeWords([low, high]: readonly [number, number]): string {
  if (high >= 2) return `${tidy(low, 1)} to ${tidy(high, 1)} × as fast`
  const [from, to] = [Math.max(0, Math.round((low - 1) * 100)), Math.round((high - 1) * 100)]
  return from === to ? `${to} % faster` : `${from}–${to} % faster`
}

/** A gain in words: shares while it is one, times once it has doubled. */
const faster = (gain: number): string =>
  gain >= 1 ? `${tidy(1 + gain, 1)} times as fast as` : `${sharePercent(gain)} faster than`

export function recommendationReason(
  reason: RecommendationReason,
  nameOf: (piece: PlacedPiece) => string,
): string {
  switch (reason.code) {
    case 'NOTHING_BOUGHT':
      return 'nothing has to be bought'
    case 'CHEAPEST':
      return `the cheapest that meets the need${reason.under ? ` by “${CHOICES.policy[reason.under]}”` : ''}, ${money(reason.cost)}`
    case 'KEEPS_OWN':
      return `keeps ${plural(reason.pieces, 'module')} of the customer’s`
    case 'GAIN':
      return `about ${faster(reason.gain)} now${reason.more < 0.01 ? '' : ', and faster than the cheapest'}`
    case 'NO_GAIN_FOR_MORE':
      return 'spending more gains nothing worthwhile for these uses'
    case 'STEADIER':
      return 'games come steadier: their slowest frames come sooner'
    case 'TWO_RANKS':
      return 'two ranks on each channel, which gain some work a few per cent more'
    case 'ONE_RANK':
      return 'one rank on each channel, as the shop chooses it'
    case 'ONE_SET':
      return 'one matched set, nothing mixed'
    case 'ALIKE':
      return 'modules of one article, alike; bought singly, so not tested together'
    case 'LISTED':
      return 'all of it is on the maker’s list for this number of modules'
    case 'FREE_SLOTS':
      return `${plural(reason.slots, 'slot')} stay${reason.slots === 1 ? 's' : ''} free`
    case 'PARTNER':
      return `one more can be added later: ${nameOf(reason.piece)}. A later one may have other chips, ranks and timings under the same part number${reason.today === null ? '' : `; a matched set of as much bought today costs ${money(reason.today)}`}`
  }
}

export function givesUpWords(one: GivesUp): string {
  switch (one.code) {
    case 'COSTS_MORE':
      return money(one.by)
    case 'LESS_GAIN':
      return `about ${sharePercent(one.by)} of speed`
    case 'LESS_MEMORY':
      return capacity(one.by)
    case 'MIXES':
      return 'a set that was tested together'
    case 'NO_FREE_SLOT':
      return 'a free slot for later'
  }
}
