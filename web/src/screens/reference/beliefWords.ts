import type { BeliefFigures, MemoryBelief } from '@tembrix/core/judging/advice'
import { capacity, list, plural, speed } from '../../base/format'

interface Answer {
  belief: string
  /** The answer for machines in general. */
  answer: string
  /** The answer for one machine, with its figures; null where they say nothing of it. */
  here: (figures: BeliefFigures) => string | null
}

const HELD_BY = {
  modules: 'its modules',
  controller: 'the controller at this load',
  firmware: 'the firmware',
  setting: 'a setting made by hand',
} as const

export const BELIEF_WORDS: Record<MemoryBelief, Answer> = {
  UNEVEN_LOSES_DUAL: {
    belief: 'Uneven modules lose dual channel',
    answer:
      'Most controllers read the part that is equal on both channels from both at once, and only the rest from one. A few read all of it from one: a measurement before and after tells.',
    here: ({ zones, machine }) => {
      const [first, second] = zones
      if (!first || machine.channels.length < 2) return null
      const parts = zones.map(({ gib, ways }) =>
        ways === 1 ? `${capacity(gib)} from one` : `${capacity(gib)} from ${ways} channels at once`,
      )
      const open =
        second && machine.interleave === 'unknown'
          ? ' How its controller does it is not known: this is the careful case.'
          : ''
      return `Reads ${list(parts)}.${open}`
    },
  },
  COLOURS_TELL: {
    belief: 'The colours of the slots tell which to fill',
    answer:
      'On one board the same colour is one channel, on the next it is the first slot of each. The page of the manual that shows the slots decides, or the lettering on the board.',
    here: ({ order, colours }) =>
      order
        ? `By its record: ${order.join(', then ')}${colours.length === order.length ? ` (${colours.join(', ')})` : ''}.`
        : 'Its filling order is not known yet: look before you fill.',
  },
  SLOTS_ARE_CHANNELS: {
    belief: 'Four slots are four channels',
    answer:
      'Two slots usually share one channel: a second module on it adds memory, no bandwidth, and often lowers the speed.',
    here: ({ machine: { slots, channels } }) =>
      slots.length === 0
        ? null
        : `${plural(slots.length, 'slot')} on ${plural(channels.length, 'channel')}.`,
  },
  LABEL_IS_SPEED: {
    belief: 'It runs at the speed on the label',
    answer:
      'The slowest of module, controller and firmware decides, and a second module on a channel may lower it. A fast speed on a label is often a memory profile, which is off until it is switched on.',
    here: ({ speed: run }) =>
      run &&
      (run.runs >= run.labelled
        ? `Runs at ${speed(run.runs)}, as its fastest label says.`
        : `Runs at ${speed(run.runs)}; the fastest label says ${run.labelled}. Held by ${HELD_BY[run.limitedBy]}.`),
  },
  MORE_IS_FASTER: {
    belief: 'More memory is always faster',
    answer:
      'Up to what is in use at once, more keeps the drive out of it, which is felt. Beyond that nothing becomes faster, unless the modules also open a second channel.',
    here: ({ usableGiB }) =>
      usableGiB > 0
        ? `${capacity(usableGiB)} can be used. Size says what this customer’s work needs.`
        : null,
  },
  MIXING_BREAKS: {
    belief: 'Mixed modules break it',
    answer:
      'Different modules mostly work, at the speed of the slowest. They were not tested together, so a test comes before the customer’s system. Generation, buffering and voltage must be the same.',
    here: ({ articles, speed: run }) =>
      articles.length > 1 && run
        ? `${articles.length} different modules, running at ${speed(run.runs)} together.`
        : articles.length === 1
          ? 'Its modules are alike.'
          : null,
  },
}
