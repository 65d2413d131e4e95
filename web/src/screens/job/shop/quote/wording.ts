import { isSteadier } from '@tembrix/core/judging/forecast'
import type { Added, OfferFacts } from '@tembrix/core/shop/job'
import type { Machine, Module } from '@tembrix/core/things/model'
import type { OtherSpend } from '@tembrix/core/things/records'
import { fasterBy, list, plural, tidy } from '../../../../base/format'
import { eitherWords } from '../../judging/plan'
import { PROMISES } from './promises'

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

export const OTHER_TITLES: Record<OtherSpend, string> = {
  disk: 'A solid-state disk',
  cooling: 'Cooling cleaned',
  repair: 'Repair',
  nothing: 'Nothing to be changed',
}

const OTHER_WORDING: Record<OtherSpend, string> = {
  disk: 'We put a solid-state disk in place of the one in it and move your system and files over. Starting up and opening programs and files wait for the disk today. The memory stays as it is.',
  cooling:
    'We open your computer, clean its cooling and renew what carries the heat from the processor. A computer that gets too warm slows itself down. The memory stays as it is.',
  repair:
    'We look for what is at fault and tell you what its repair needs before we do it. The memory stays as it is.',
  nothing:
    'We advise to change nothing: for the work you told us of, more memory would make no difference you would notice.',
}

/** An option’s heading where nobody has written another. */
export function usualTitle({ after, kept, added, other, looked }: OfferFacts): string {
  if (other) return OTHER_TITLES[other]
  if (!looked && added.length > 0) {
    return `${gb(added.reduce((sum, { module }) => sum + module.capacityGiB, 0))} of new memory`
  }
  const size = `${gb(after.capacity.usableGiB)} of memory`
  if (added.length === 0) return kept.length > 0 ? `${size}, set up again` : size
  if (kept.length > 0) return `${size}, your own kept`
  return size
}

/** The plan in plain sentences, for the customer; what promises something is in `PROMISES`. */
export function offerWording(facts: OfferFacts): string {
  if (facts.other)
    return [OTHER_WORDING[facts.other], PROMISES.warrantyWork(facts)].join(' ').trim()
  return [
    today(facts),
    work(facts),
    PROMISES.tested(facts),
    PROMISES.wholeKit(facts),
    PROMISES.listed(facts),
    PROMISES.firmware(facts),
    ...(facts.looked ? [outcome(facts), slower(facts), gains(facts)] : []),
    profile(facts),
    mixed(facts),
    PROMISES.soak(facts),
    PROMISES.testRule(facts),
    PROMISES.credit(facts),
    PROMISES.givenBack(facts),
    openOld(facts),
    PROMISES.inShop(facts),
    PROMISES.arrives(facts),
    PROMISES.warrantyNew(facts),
    PROMISES.warrantyUsed(facts),
    PROMISES.warrantyWork(facts),
  ]
    .filter(Boolean)
    .join(' ')
}

function today({ kind, before, kept, removed, solderedGiB, looked }: OfferFacts): string {
  if (!looked) return ''
  const modules = kept.length + removed.length
  const size = gb(before.capacity.installedGiB)
  if (before.capacity.installedGiB === 0) return `Your ${KINDS[kind]} has no memory in it now.`
  const where =
    solderedGiB > 0
      ? modules === 0 && solderedGiB >= before.capacity.installedGiB
        ? ', all of it fixed to the board'
        : `, ${gb(solderedGiB)} of it fixed to the board${modules > 0 ? ` and the rest in ${plain(modules, 'module')}` : ''}`
      : modules > 0
        ? `, in ${plain(modules, 'module')}`
        : ''
  return `Your ${KINDS[kind]} has ${size} of memory today${where}.`
}

function work({ before, after, kept, added, removed, looked, profile: on }: OfferFacts): string {
  if (added.length === 0 && removed.length === 0) {
    return on
      ? 'We turn on the faster setting (memory profile) that its memory was made for. Nothing has to be bought.'
      : 'We move what is there to the slots where it works best. Nothing has to be bought.'
  }
  const what = list(groups(added))
  const outgoing = counted(
    removed.map(({ module }) => module),
    '',
  )
  if (added.length === 0) {
    const [was, is] = [before.run?.dataRate ?? 0, after.run?.dataRate ?? 0]
    const reason = is > was && was > 0 ? ': the rest then runs faster' : ''
    return `We take out ${outgoing}${reason}. Nothing has to be bought.`
  }
  if (!looked) return `We put in ${what}.`
  if (removed.length === 0) return `We add ${what}.`
  return `We take out ${kept.length === 0 ? 'what is in it' : outgoing} and put in ${what}.`
}

const STATES = { new: 'new ', used: 'used ', own: 'own ' }

/** What goes in, new, used and the customer’s own apart. */
function groups(added: readonly Added[]): string[] {
  return (['new', 'used', 'own', null] as const).flatMap((state) => {
    const modules = added.filter((one) => one.state === state).map(({ module }) => module)
    if (modules.length === 0) return []
    if (state === 'own') return [`your own ${plain(modules.length, 'module').replace(/^one /, '')}`]
    return [counted(modules, state === null ? '' : STATES[state])]
  })
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

/** Of 4 GB, a 32-bit system and integrated graphics leave about this much. */
const SMALL_SYSTEM = { gib: 4, left: '3 to 3.5 GB' }

function outcome({ before, after, integratedGraphics }: OfferFacts): string {
  const { installedGiB, usableGiB } = after.capacity
  const small = usableGiB <= SMALL_SYSTEM.gib && installedGiB >= SMALL_SYSTEM.gib
  const limited = usableGiB < installedGiB
  const usable =
    small && (limited || integratedGraphics) ? `about ${SMALL_SYSTEM.left}` : gb(usableGiB)
  const size =
    limited || usable !== gb(usableGiB)
      ? `It then holds ${gb(installedGiB)}, of which your system can use ${usable}.`
      : `It then has ${gb(installedGiB)}.`
  const [was, is] = [before.zones[0]?.ways ?? 1, after.zones[0]?.ways ?? 1]
  if (after.zones.length > 1 && is > 1) {
    const rest = list(
      after.zones
        .slice(1)
        .map(({ gib, ways }) => `${gb(gib)} along ${ways === 1 ? 'one' : number(ways)}`),
    )
    return `${size} Of these, ${gb(after.zones[0]?.gib ?? 0)} can be read along ${number(is)} paths at once, ${rest}.`
  }
  if (is > was) {
    return `${size} The modules then work side by side: memory is read along ${number(is)} paths at once instead of ${number(was)}.`
  }
  if (is < was) {
    return `${size} Memory is then read along ${number(is)} path${is === 1 ? '' : 's'} instead of ${number(was)}, which is slower.`
  }
  return size
}

function slower({ before, after }: OfferFacts): string {
  const [was, is] = [before.run?.dataRate ?? 0, after.run?.dataRate ?? 0]
  if (is >= was || is === 0) return ''
  return `It runs at a lower speed than today (${is} instead of ${was} MT/s), which is worth it where more memory is what is missing.`
}

function gains(facts: OfferFacts): string {
  const { gain } = facts
  if (!gain) return ''
  const stalls = PROMISES.stallsEnd(facts)
  if (stalls) return stalls
  const still = gain.uses.some(({ pages }) => pages.after)
    ? 'It may still run out of memory at the busiest moments. '
    : ''
  const work = 'For the work you told us of we expect'
  const games = gain.uses.find(({ either }) => either)?.either
  if (gain.words === 'UNKNOWN') {
    return games
      ? `${still}How much faster your games become depends on what limits them: ${eitherWords(games)}.`
      : `${still}How much faster your work becomes we cannot say.`
  }
  if (isSteadier(gain)) {
    return `${still}${work} no more speed, but a steadier picture in games: its slowest moments come sooner.`
  }
  if (gain.words === 'NONE') return `${still}${work} no difference you would notice.`
  const depends = games ? ` In games that depends on what limits them: ${eitherWords(games)}.` : ''
  return `${still}${work} it to be ${fasterBy(gain.most)}.${depends}`
}

function profile(facts: OfferFacts): string {
  const above = PROMISES.aboveRating(facts) || PROMISES.fallsBack(facts)
  if (above || !facts.profile) return above
  return 'We use the faster setting (memory profile) stored on the modules.'
}

/** Said at every level of risk: the plan asks to tell the customer at every one. */
function mixed({ mixing, besideSoldered }: OfferFacts): string {
  if (mixing === 'none') return ''
  if (besideSoldered) {
    return 'It works beside memory that is fixed to the board, which this kind of computer is made for.'
  }
  return `The modules do not come from one set. That usually works${mixing === 'low' ? '' : '; now and then such a mix freezes, and then they have to be replaced'}.`
}

/** Modules of which nobody has said where they go, the customer’s to decide. */
function openOld({ removed }: OfferFacts): string {
  const open = removed.filter(({ credit, goesTo }) => credit === null && goesTo === null)
  if (open.length === 0) return ''
  return open.length === 1
    ? 'The module we take out stays yours: please tell us whether you want it back.'
    : 'The modules we take out stay yours: please tell us whether you want them back.'
}
