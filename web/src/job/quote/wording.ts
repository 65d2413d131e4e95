import type { MixForecast } from '@tembrix/core/forecast'
import type { Evaluation, Machine, Module } from '@tembrix/core/model'
import type { MixingLevel } from '@tembrix/core/plan'
import { list, plural, tidy } from '../../ui'

/** What the customer is told about a plan. Modules are those in slots; soldered memory is in the totals. */
export interface Told {
  kind: Machine['kind']
  before: Evaluation
  after: Evaluation
  kept: readonly Module[]
  added: readonly Module[]
  /** Whether what is added is new, used, or some of both. */
  addedAre: 'new' | 'used' | 'both'
  removed: readonly Module[]
  /** Some added modules were packaged and tested together. */
  asKit: boolean
  gain: MixForecast | null
  mixing: MixingLevel
  profile: boolean
  /** What removed modules are taken for, as written; null where they go back. */
  credit: string | null
  /** Days until what is bought is here; 0 where it lies in the shop. */
  leadDays: number | null
}

const KINDS: Record<Machine['kind'], string> = {
  desktop: 'computer',
  laptop: 'laptop',
  'all-in-one': 'computer',
  'small-form-factor': 'computer',
  workstation: 'workstation',
}

const NUMBERS = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight']
const number = (count: number) => NUMBERS[count] ?? String(count)
const gb = (gib: number) => `${tidy(gib)} GB`

/** An option’s heading where nobody has written another. */
export function usualTitle({ after, kept, added }: Told): string {
  const size = `${gb(after.capacity.usableGiB)} of memory`
  if (added.length === 0) return kept.length > 0 ? `${size}, set up anew` : size
  if (kept.length > 0) return `${size}, your own kept`
  return size
}

/** The plan in plain sentences, for the customer. */
export function wordingOf(told: Told): string {
  return [
    today(told),
    work(told),
    outcome(told),
    slower(told),
    gains(told),
    ...cautions(told),
    old(told),
    wait(told),
  ]
    .filter(Boolean)
    .join(' ')
}

function today({ kind, before, kept, removed }: Told): string {
  const modules = kept.length + removed.length
  const size = gb(before.capacity.installedGiB)
  if (before.capacity.installedGiB === 0) return `Your ${KINDS[kind]} has no memory in it now.`
  const where = modules > 0 ? `, in ${plain(modules, 'module')}` : ''
  return `Your ${KINDS[kind]} has ${size} of memory today${where}.`
}

const STATES = { new: 'new ', used: 'used and tested ', both: '' }

function work({ kept, added, addedAre, removed, asKit, profile }: Told): string {
  if (added.length === 0 && removed.length === 0) {
    return profile
      ? 'We switch on the faster setting that its memory was made for.'
      : 'We move what is there to the slots where it works best.'
  }
  const what = counted(added, STATES[addedAre])
  const together = asKit ? ' that were made and tested to work together' : ''
  if (added.length === 0) return `We take out ${counted(removed, '')}.`
  if (removed.length === 0) return `We add ${what}${together}.`
  const out = kept.length === 0 ? 'what is in it' : counted(removed, '')
  return `We take out ${out} and put in ${what}${together}.`
}

/** “a module of 8 GB”, “two modules of 16 GB”, several sizes one after another. */
function counted(modules: readonly Module[], word: string): string {
  const sizes = new Map<number, number>()
  for (const { capacityGiB } of modules) sizes.set(capacityGiB, (sizes.get(capacityGiB) ?? 0) + 1)
  return list(
    [...sizes].map(([gib, count]) =>
      count === 1
        ? `a ${word}module of ${gb(gib)}`
        : `${number(count)} ${word}modules of ${gb(gib)}`,
    ),
  )
}

const plain = (count: number, one: string) =>
  count < NUMBERS.length ? `${number(count)} ${one}${count === 1 ? '' : 's'}` : plural(count, one)

function outcome({ before, after }: Told): string {
  const { installedGiB, usableGiB } = after.capacity
  const size =
    usableGiB < installedGiB
      ? `It then holds ${gb(installedGiB)}, of which your system can use ${gb(usableGiB)}.`
      : `It then has ${gb(installedGiB)}.`
  const [was, is] = [before.zones[0]?.ways ?? 1, after.zones[0]?.ways ?? 1]
  if (after.zones.length > 1 && is > 1) {
    return `${size} Of these, ${gb(after.zones[0]?.gib ?? 0)} can be read along ${number(is)} paths at once, the rest along one.`
  }
  if (is > was) {
    return `${size} The modules then work side by side: memory is read along ${number(is)} paths at once instead of ${number(was)}.`
  }
  if (is < was) {
    return `${size} Memory is then read along ${number(is)} path${is === 1 ? '' : 's'} instead of ${number(was)}, which is slower.`
  }
  return size
}

function slower({ before, after }: Told): string {
  const [was, is] = [before.run?.dataRate ?? 0, after.run?.dataRate ?? 0]
  if (is >= was || is === 0) return ''
  return `It runs at a lower rate than today (${is} instead of ${was}), which pays where more memory is what is missing.`
}

/** Below this nobody notices. */
const NOTICED = 1.02

function gains({ gain }: Told): string {
  if (!gain) return ''
  const pages = gain.by.some(({ forecast }) => forecast.pages.before && !forecast.pages.after)
  const still = gain.by.some(({ forecast }) => forecast.pages.after)
  const full = pages
    ? 'Today it can run out of memory and then moves data to and from the disk, which is what makes it stall; this should stop. '
    : still
      ? 'It may still run out of memory at the busiest moments. '
      : ''
  if (gain.high < NOTICED)
    return `${full}For the work you told us of we expect no difference you would notice.`
  return `${full}For the work you told us of we expect it to be ${range(gain.low, gain.high)}.`
}

/** A speed-up no finer than an estimate can be. */
function range(low: number, high: number): string {
  if (low < NOTICED) return `anything from hardly faster to ${speed(high)}`
  const [from, to] = [share(low), share(high)]
  if (high < 2) return from === to ? `about ${to} % faster` : `between ${from} and ${to} % faster`
  return `between ${speed(low)} and ${speed(high)}`
}

function speed(times: number): string {
  return times >= 2 ? `${tidy(times, 0)} times as fast` : `${share(times)} % faster`
}

function share(times: number): number {
  const percent = (times - 1) * 100
  return percent < 10 ? Math.round(percent) : Math.round(percent / 5) * 5
}

function cautions({ after, mixing, profile }: Told): string[] {
  const found = (code: string) => after.findings.some((finding) => finding.code === code)
  const said: string[] = []
  if (found('ABOVE_RATING')) {
    said.push(
      'The modules run faster than the processor’s maker promises. That usually works; we test it for hours and step back to the plain setting if it does not.',
    )
  } else if (profile) said.push('We use the faster setting stored on the modules and test it.')
  if (mixing === 'some' || mixing === 'high') {
    said.push(
      'The modules do not come from one set. That usually works; we test it before you get it back.',
    )
  }
  return said
}

function old({ removed, credit }: Told): string {
  if (removed.length === 0) return ''
  const it = removed.length === 1 ? 'The module we take out' : 'The modules we take out'
  if (credit !== null) return `${it} we buy from you for ${credit}.`
  return `${it} ${removed.length === 1 ? 'is' : 'are'} yours and given back to you.`
}

function wait({ leadDays }: Told): string {
  if (leadDays === null) return ''
  return leadDays === 0
    ? 'Everything needed lies in our shop.'
    : `What is needed arrives in about ${plain(leadDays, 'day')}.`
}
