import type { OfferFacts } from '@tembrix/core/shop/job'
import { day, list, money, plural, speed, tidy } from '../../../../base/format'
import { promise } from '../../../../parts/papers'
import { soakWords } from '../../../../parts/soak'

const gb = (gib: number) => `${tidy(gib)} GB`
const months = (count: number) => plural(count, 'month')

/** Used modules, each with the day it was tested; null where one has no such day. */
const testDays = ({ added }: OfferFacts): string[] | null => {
  const used = added.filter(({ state }) => state === 'used')
  const days = used.flatMap(({ testedOn }) => (testedOn ? [testedOn] : []))
  return used.length > 0 && days.length === used.length ? [...new Set(days)].sort() : null
}

const one = (count: number, single: string, several: string) => (count === 1 ? single : several)

/** Every sentence of a quote that promises something, each with the fact it rests on. */
export const PROMISES = {
  tested: promise(testDays, (days, { added }) => {
    const count = added.filter(({ state }) => state === 'used').length
    return `${one(count, 'The used module was', 'The used modules were')} tested on ${list(days.map((date) => day(date)))}.`
  }),

  wholeKit: promise(
    ({ wholeKit }: OfferFacts) => wholeKit,
    (size) => `They are one kit of ${size}, made and tested to work together.`,
  ),

  /** As the maker's list says; that it was tested there is all it says. */
  listed: promise(
    ({ listedBy }: OfferFacts) => listedBy,
    (name) => `All of it is on the maker’s list of modules tested in this computer (“${name}”).`,
  ),

  /** Where memory runs out today and will not: that the stalls end, and no figure for it. */
  stallsEnd: promise(
    ({ gain }: OfferFacts) =>
      gain?.words === 'STALLS_STOP' || gain?.uses.some(({ pages }) => pages.before && !pages.after)
        ? gain
        : null,
    () =>
      'Today it can run out of memory and then moves data to and from the disk, which is what makes it stall; the stalls should stop.',
  ),

  soak: promise(
    ({ soak }: OfferFacts) => soak,
    (plan) => `Before you get it back we run ${soakWords(plan)}.`,
  ),

  testRule: promise(
    ({ testHours }: OfferFacts) => testHours,
    (hours) =>
      `Our rule: every computer we fit memory in is tested for ${plural(hours, 'hour')} before you get it back.`,
  ),

  firmware: promise(
    ({ firmware }: OfferFacts) => (firmware.length > 0 ? firmware : null),
    () => 'We bring your computer’s firmware up to date first, as these modules need it.',
  ),

  credit: promise(
    ({ removed }: OfferFacts) => {
      const bought = removed.filter(({ credit }) => credit !== null)
      return bought.length > 0 ? bought : null
    },
    (bought) =>
      `We buy from you ${list(bought.map(({ module, credit }) => `the module of ${gb(module.capacityGiB)} (${module.article}) for ${money(credit ?? 0)}`))}.`,
  ),

  givenBack: promise(
    ({ removed }: OfferFacts) => {
      const back = removed.filter(({ credit, goesTo }) => credit === null && goesTo === 'customer')
      return back.length > 0 ? back.length : null
    },
    (count) =>
      `${one(count, 'The old module is', 'The old modules are')} given back to you, as you chose.`,
  ),

  inShop: promise(
    ({ lead }: OfferFacts) => lead?.inShop || null,
    () => 'Everything needed is in our shop and kept for you.',
  ),

  arrives: promise(
    ({ lead }: OfferFacts) =>
      lead && !lead.inShop && lead.saidOn ? { days: lead.days, saidOn: lead.saidOn } : null,
    ({ days, saidOn }) =>
      `What is needed should arrive ${days === 0 ? 'the same day' : `in about ${plural(days, 'day')}`}, as the supplier said on ${day(saidOn)}.`,
  ),

  warrantyNew: promise(
    ({ added, warranty }: OfferFacts) =>
      added.some(({ state }) => state === 'new') ? warranty.newParts : null,
    (count) => `We stand by new modules for ${months(count)}.`,
  ),

  warrantyUsed: promise(
    ({ added, warranty }: OfferFacts) =>
      added.some(({ state }) => state === 'used') ? warranty.usedParts : null,
    (count) =>
      count === 0
        ? 'Used modules come without our warranty.'
        : `We stand by used modules for ${months(count)}.`,
  ),

  warrantyWork: promise(
    ({ warranty }: OfferFacts) => warranty.work,
    (count) => `We stand by our work for ${months(count)}.`,
  ),

  aboveRating: promise(
    (facts: OfferFacts) =>
      facts.above && facts.above.grade !== 'unlikely'
        ? { above: facts.above, volts: facts.profile?.volts ?? null }
        : null,
    ({ above: { dataRate, rating, grade, fallsBackTo }, volts }) =>
      `The modules then run at ${speed(dataRate)}${volts === null ? '' : ` on ${volts} V`}; the processor is rated for ${rating}. ${grade === 'everyday' ? 'That usually works' : 'Whether that works depends on the very processor'}, and its maker may refuse warranty for it. If it does not run well, we go back to the plain setting, ${speed(fallsBackTo)}: that is what we promise.`,
  ),

  fallsBack: promise(
    ({ above }: OfferFacts) => (above?.grade === 'unlikely' ? above : null),
    ({ fallsBackTo }) =>
      `We promise ${speed(fallsBackTo)}. The modules are made for more, but this many of them hardly ever run faster in this computer.`,
  ),
} as const

export type PromiseName = keyof typeof PROMISES
