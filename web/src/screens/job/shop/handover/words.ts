import type { Looked, OpenPoint } from '@tembrix/core/shop/handover'
import type { Destination, OpenPointCode, Section } from '@tembrix/core/things/records'
import { list, money, plural } from '../../../../base/format'
import { describeModule } from '../../../../parts/board'

export const SECTION_NAMES: Record<Section, string> = {
  asked: 'What you asked for',
  found: 'What we found',
  done: 'What we did',
  gained: 'What you gain',
  watch: 'What to watch',
  next: 'What could come next',
}

/** Where an old module went, as the customer reads it. */
export const WENT: Record<Destination, string> = {
  customer: 'given back to you',
  shelf: 'kept by our shop',
  recycling: 'to recycling',
}

const LOOKED_WORDS: Record<Looked, string> = {
  seen: 'the memory in all',
  slots: 'every slot',
  speed: 'the speed',
  channels: 'the channels at work',
}

const POINTS: { [C in OpenPointCode]: (point: Extract<OpenPoint, { code: C }>) => string } = {
  FITTING_OPEN: () => 'What is planned is not fitted.',
  DIFFERENT_SEEN: () => 'What is seen on the machine is not what is expected.',
  UNSTEADY: () =>
    'The last stability test, or the system’s error log since the fitting, shows errors.',
  NOT_AS_AGREED: () => 'What is fitted is not what the customer agreed to.',
  NOT_VERIFIED: () => 'Not verified: nobody has looked at the machine since it was fitted.',
  NOT_SEEN: ({ what }) => `Nobody has seen ${list(what.map((one) => LOOKED_WORDS[one]))}.`,
  SOAK_SHORT: ({ made, planned, rule }) =>
    rule === null
      ? `The soak test: ${plural(made, 'pass', 'passes')} of the ${planned} planned count.`
      : `Not tested: the plan is ${plural(planned, 'pass', 'passes')}, the shop’s rule ${hoursInWords(rule)}.`,
  TEST_SHORT: ({ hours, rule }) =>
    `Tested for ${hoursInWords(hours)}; the shop’s rule is ${hoursInWords(rule)}.`,
  LOSS: ({ tests }) => `Slower than before in ${list(tests)}.`,
  NOT_APPROVED: () => 'No quote is approved.',
  UNPAID: ({ amount }) => `${money(amount)} is not paid.`,
  OLD_MODULE: ({ removed }) =>
    `Nobody has said where ${list(removed.map(({ module }) => `the ${describeModule(module)}`))} goes.`,
  ACCESSORIES: ({ items }) => `Not given back: ${list(items)}.`,
}

/** An open point as a sentence. */
export const pointWords = <C extends OpenPointCode>(point: Extract<OpenPoint, { code: C }>) =>
  (POINTS[point.code as C] as (point: OpenPoint) => string)(point)

/** Hours as people say them. */
export const hoursInWords = (hours: number): string =>
  hours < 1 ? plural(Math.round(hours * 60), 'minute') : plural(Math.round(hours * 10) / 10, 'hour')
