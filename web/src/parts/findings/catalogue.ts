import { aboveRating, type Grade } from '@tembrix/core/judging/evaluate'
import {
  type Evaluation,
  type Finding,
  type FindingCode,
  type Machine,
  type Placement,
  type Severity,
  systemLimitGiB,
} from '@tembrix/core/things/model'
import { bandwidth, capacity, list, speed, tidy } from '../../base/format'
import { formOf } from '../board'

export interface Wording {
  title: string
  means: string
  todo: string
}

export interface Circumstances {
  finding: Finding
  machine: Machine
  evaluation: Evaluation
  placement: Placement
}

/** How often a speed above the controller's rating runs; the same words wherever it is said. */
export const GRADE_WORDS: Record<Grade, string> = {
  everyday: 'that is everyday',
  doubtful: 'whether that runs depends on the very processor and board',
  unlikely: 'at this load that hardly ever runs',
}

export const SEVERITY_NAMES: Record<Severity, string> = { stop: 'Stop', risk: 'Risk', note: 'Note' }

export const NO_FINDINGS =
  'No problems found: the modules fit, sit in the right slots and share the channels evenly.'

type Word = Wording | ((about: Circumstances) => Wording)

const inSlots = ({ slots }: Finding) => (slots.length > 0 ? ` (${list(slots)})` : '')
const order = ({ slots }: Machine) =>
  list([...slots].sort((a, b) => (a.order ?? 99) - (b.order ?? 99)).map(({ id }) => id))

/** What each finding tells a technician: in a few words, what it means, and what to do about it. */
const CATALOGUE: Record<FindingCode, Word> = {
  WRONG_GENERATION: ({ finding, machine }) => ({
    title: `Wrong generation in ${list(finding.slots)}`,
    means: `This machine takes ${machine.generation}. The notch of another generation sits elsewhere; forcing it breaks the slot.`,
    todo: `Take a ${machine.generation} module.`,
  }),
  WRONG_FORM_FACTOR: ({ finding, machine }) => ({
    title: `Wrong form factor in ${list(finding.slots)}`,
    means: `The slots take ${formOf(machine)} modules.`,
    todo: 'Take a module of that form factor.',
  }),
  WRONG_BUFFERING: ({ finding, machine }) => ({
    title: `Wrong kind of buffering in ${list(finding.slots)}`,
    means: `The controller works with ${list(machine.buffering)} modules only.${machine.generation === 'DDR5' ? ' The notch of registered DDR5 stands elsewhere, and its supply is 12 V in place of 5 V: never force it.' : ''}`,
    todo: 'Look for that word in the module’s description.',
  }),
  WRONG_VOLTAGE: ({ finding, machine }) => ({
    title: `Wrong voltage in ${list(finding.slots)}`,
    means: `The machine supplies ${list(machine.voltages.map((v) => `${v} V`))}, which the module is not made for.`,
    todo: 'Take a module rated for that voltage.',
  }),
  ECC_REFUSED: ({ finding }) => ({
    title: `ECC module in ${list(finding.slots)}`,
    means: 'This machine does not start with ECC modules.',
    todo: 'Take a module without ECC.',
  }),
  ECC_REQUIRED: ({ finding }) => ({
    title: `No ECC in ${list(finding.slots)}`,
    means: 'This machine starts only with ECC modules.',
    todo: 'Take a module with ECC.',
  }),
  SLOT_CAPACITY: ({ finding, machine }) => ({
    title: `Too large for ${list(finding.slots)}`,
    means: `One slot takes at most ${capacity(machine.limits.slotGiB)}.`,
    todo: 'Spread the capacity over more slots. Where the maker’s newest statement names more, enter it in Identify.',
  }),
  DIE_DENSITY: ({ finding, machine }) => ({
    title: `Chips too dense in ${list(finding.slots)}`,
    means: `This older controller cannot address chips above ${machine.limits.dieGbit} Gbit: it would see half the module, or none.`,
    todo: 'Take a module of the same capacity with more, smaller chips.',
  }),
  VOLTAGES_APART: ({ machine }) => ({
    title: 'No voltage suits all modules',
    means: `The machine supplies ${list(
      machine.voltages.map((v) => `${v} V`),
      'or',
    )}, one for all slots, and no one of these suits every module here.`,
    todo: 'Use modules of one voltage throughout.',
  }),
  SLOT_ORDER_OPEN: {
    title: 'Which slots to fill first is unknown',
    means: 'With several slots to a channel the order matters, and boards differ.',
    todo: 'Find the page of the manual that shows the slots, and enter the order in Identify.',
  },
  CLOCK_BYPASSED: ({ finding }) => ({
    title: `Clock driver bypassed${inSlots(finding)}`,
    means: 'Clocked modules work here as plain ones do, at a plain module’s speeds.',
    todo: 'The machine may need a firmware update first. For this machine a plain module does as well.',
  }),
  BUFFERING_MIXED: {
    title: 'Buffered and unbuffered together',
    means: 'Modules with different buffering cannot share a controller.',
    todo: 'Use one kind throughout.',
  },
  NO_MEMORY: {
    title: 'No memory',
    means: 'Nothing is soldered and no slot is filled.',
    todo: 'Put a module in the first slot of the filling order.',
  },
  TOTAL_CAPACITY: ({ machine, evaluation }) => ({
    title: 'More than the machine takes',
    means: `${capacity(evaluation.capacity.installedGiB)} are fitted; the maximum is ${capacity(machine.limits.totalGiB)}.`,
    todo: 'Take smaller modules or leave a slot empty. A published maximum is often only what was tested: look for the maker’s newest statement.',
  }),
  BOOT_SLOT_EMPTY: ({ finding }) => ({
    title: `Slot ${list(finding.slots)} must be filled`,
    means: 'The machine looks for memory there first and does not start without it.',
    todo: `Move a module to ${list(finding.slots)}.`,
  }),
  SINGLE_CHANNEL: ({ machine, evaluation }) => ({
    title: 'Runs on a single channel',
    means: `Only one of ${machine.channels.length} channels carries data at a time: ${bandwidth(evaluation.zones[0]?.peakGBs ?? 0)} at most, where two would give ${tidy(2 * (evaluation.zones[0]?.peakGBs ?? 0), 1)}.`,
    todo: 'Put an equal amount on a second channel.',
  }),
  CHANNELS_UNUSED: ({ machine, evaluation }) => ({
    title: `${evaluation.zones[0]?.ways} of ${machine.channels.length} channels used`,
    means: 'The controller could interleave over more channels.',
    todo: 'Fill one slot of each channel with equal amounts.',
  }),
  UNEVEN_CHANNELS: ({ evaluation }) => ({
    title: 'Channels hold different amounts',
    means:
      evaluation.zones.length > 1
        ? `${evaluation.zones.map(({ gib, ways }) => `${capacity(gib)} run over ${ways === 1 ? 'one channel' : `${ways} channels`}`).join(', then ')}. Which program lands where is chance.`
        : 'This controller interleaves over its channels only when they hold equal amounts.',
    todo: 'Make the totals of the channels equal; the modules themselves may differ.',
  }),
  SLOT_ORDER: ({ finding, machine }) => ({
    title: 'Not the maker’s filling order',
    means: `The board is laid out to be filled ${order(machine)}. Out of order it may run slower, or not start${inSlots(finding)}.`,
    todo: 'Move the modules to the first slots of that order; the board’s manual decides.',
  }),
  OS_LIMIT: ({ machine, evaluation }) => ({
    title: 'The operating system cannot use it all',
    means: `It uses ${capacity(systemLimitGiB(machine) ?? 0)} of ${capacity(evaluation.capacity.installedGiB)}; a 32-bit system stops near 4 GB.`,
    todo: 'Ask about a 64-bit system before selling more memory.',
  }),
  ECC_MIXED: {
    title: 'ECC and plain modules together',
    means: 'Errors are corrected only when every module has ECC.',
    todo: 'Use one kind, if the customer counts on it.',
  },
  WIDTHS_MIXED: ({ finding }) => ({
    title: 'Registered ×4 and ×8 together',
    means: `Modules of four and of eight bits a chip are mixed${inSlots(finding)}. Some controllers do not start so, and error correction falls to the weaker of the two.`,
    todo: 'Use one width; the maker’s rules for this board decide.',
  }),
  X4_REFUSED: ({ finding }) => ({
    title: `High-density module in ${list(finding.slots)}`,
    means: 'It is unbuffered with four bits a chip, which this machine refuses by its record.',
    todo: 'Take a module of eight bits a chip.',
  }),
  X4_UNBUFFERED: ({ finding }) => ({
    title: `High-density module in ${list(finding.slots)}`,
    means:
      'Unbuffered modules with four bits a chip are made for few machines; ordinary desktop controllers refuse them.',
    todo: 'Take a module of eight bits a chip, unless the maker’s list names this one.',
  }),
  TOO_TALL: ({ machine, placement, finding }) => ({
    title: `Too tall for ${list(finding.slots)}`,
    means: `The record has ${machine.clearanceMm} mm beneath the cooler${heightsIn(placement, finding.slots)}.`,
    todo: 'Take a lower module, or look whether the cooler’s fan can sit higher. Nothing is bent or forced.',
  }),
  HEIGHT_OPEN: ({ machine, finding }) => ({
    title: `Height of the module in ${list(finding.slots)} is not known`,
    means: `Modules with a memory profile often have a heat spreader; there are ${machine.clearanceMm} mm beneath the cooler.`,
    todo: 'Measure it, or look it up before it is bought.',
  }),
  HALF_BANK_GROUPS: ({ finding }) => ({
    title:
      finding.slots.length > 0
        ? `Chips of sixteen bits in ${list(finding.slots)}`
        : 'Chips of sixteen bits',
    means:
      'They have half the bank groups of chips of eight bits: some per cent less where pictures are drawn in the main memory, hardly anything elsewhere. The forecast counts it.',
    todo: 'Where graphics share the memory, prefer modules of eight bits a chip, and two ranks on a channel.',
  }),
  CHANNEL_COUNT_ODD: ({ machine }) => ({
    title: 'A number of channels that may not be allowed',
    means: `Of ${machine.channels.length} channels an odd number is filled. Many such platforms run with certain counts only, such as 1, 2, 4, 6 or 8.`,
    todo: 'Look at the population rules in the board’s manual.',
  }),
  ABOVE_RATING: ({ machine, placement, evaluation }) => {
    const above = aboveRating(machine, placement, evaluation)
    return {
      title: 'Above the controller’s rating',
      means: `It runs at ${speed(evaluation.run?.dataRate)}; the controller is rated for ${evaluation.run?.controllerRating} at this load${above ? `: ${GRADE_WORDS[above.grade]}` : ''}. Only ${speed(above?.fallsBackTo ?? evaluation.run?.controllerRating)} can be promised.`,
      todo:
        above?.grade === 'unlikely'
          ? `Set it by hand to ${speed(above.holds)}, or leave the profile off.`
          : 'The processor’s maker may refuse warranty for it. Test several passes; if it fails, lower the speed or leave the profile off.',
    }
  },
  ABOVE_MODULES: ({ evaluation }) => ({
    title: 'Above what the modules are rated for',
    means: `Set by hand to ${speed(evaluation.run?.dataRate)}, beyond every speed the modules list. Nobody has tested them there.`,
    todo: 'Test for hours, watch for errors, and keep the rated values written down as the way back.',
  }),
  TIGHTER_THAN_RATED: {
    title: 'Timings tighter than rated',
    means:
      'A timing set by hand is below what the modules are made for. It may start and still give errors.',
    todo: 'Test for hours; loosen it by a clock or two where an error shows.',
  },
  HALF_RATE_CLOCK: ({ machine }) => ({
    title: 'The controller drops to half rate',
    means: `Above ${machine.syncCeiling} MT/s the controller no longer runs synchronously (1:1) with the memory, and every access waits longer.`,
    todo: `Run at ${machine.syncCeiling} MT/s: it is likely quicker.`,
  }),
  MIXED_MODULES: {
    title: 'Different modules together',
    means:
      'They run at the lowest speed and the loosest timings among them. Usually well; now and then it freezes.',
    todo: 'Test longer before hand-over, and tell the customer.',
  },
  KITS_COMBINED: ({ finding }) => ({
    title: 'Two kits combined',
    means: `Each kit was tested on its own, not with the other${inSlots(finding)}.`,
    todo: 'One kit of the full number is the safe buy; otherwise test longer.',
  }),
  KIT_CHANNELS: ({ finding }) => ({
    title: 'The kit does not divide over the channels',
    means: `Its pieces cannot be shared evenly between the channels${inSlots(finding)}.`,
    todo: 'Take a kit whose number matches, or leave a piece out.',
  }),
  KIT_SHARES_CHANNELS: ({ finding, machine }) => ({
    title: 'One kit, several on each channel',
    means: `Its pieces were tested together, which is right; but more than one shares each of the ${machine.channels.length} channels${inSlots(finding)}, and that load lowers what the controller is rated for.`,
    todo: 'Fewer, larger modules run faster; this many is right where the memory is needed.',
  }),
  PROFILE_OFF: {
    title: 'A faster memory profile is there',
    means:
      'Every module carries one and this machine can set it; now they run at their standard speed.',
    todo: 'Consider enabling it in the BIOS/UEFI setup, with a stability test.',
  },
  MANUAL_BLOCKED: {
    title: 'Nothing can be set by hand',
    means: 'This machine’s firmware offers no such settings.',
    todo: 'Expect what it sets by itself.',
  },
  PROFILE_BLOCKED: ({ finding, machine }) => ({
    title: 'The memory profile cannot be used',
    means: machine.profiles
      ? `Not every module carries one${inSlots(finding)}.`
      : 'This machine’s firmware offers no profile.',
    todo: 'Expect the standard speed.',
  }),
  SPEED_UNUSED: ({ finding, evaluation }) => ({
    title: 'Some modules could run faster',
    means: `Limited to ${speed(evaluation.run?.dataRate)}${inSlots(finding)}.`,
    todo: 'Fine if they cost no more; faster ones gain nothing here.',
  }),
  ECC_INACTIVE: {
    title: 'ECC is not used',
    means: 'The modules have it, the machine ignores it.',
    todo: 'Do not sell it as protection.',
  },
  MIXED_RANKS: {
    title: 'Different numbers of ranks',
    means: 'Allowed; the heavier modules set the load on the controller.',
    todo: 'Nothing, unless the speed falls short.',
  },
  KIT_SPLIT: ({ finding }) => ({
    title: 'Part of a kit',
    means: `The rest of the kit is not fitted${inSlots(finding)}.`,
    todo: 'Keep the other pieces together with the job.',
  }),
}

/** Heights of the modules in these slots, as far as they are known. */
const heightsIn = (placement: Placement, slots: readonly string[]): string =>
  slots
    .flatMap((id) => {
      const height = placement[id]?.heightMm
      return height === undefined ? [] : [`; the module in ${id} is ${height} mm high`]
    })
    .join('')

export function wordingOf(about: Circumstances): Wording {
  const word = CATALOGUE[about.finding.code]
  return typeof word === 'function' ? word(about) : word
}
