import type {
  Dispute,
  DisputeCode,
  SeenRunning,
  Unknown,
  UnknownCode,
} from '@tembrix/core/reading/evidence'
import { answerOf, type Reading } from '@tembrix/core/reading/inputs'
import type { Source } from '@tembrix/core/things/model'
import { capacity, list, plural, speed, tidy } from '../../../../base/format'
import { FORMAT_NAMES, figureName, PROBLEMS, placeOf } from '../../../../parts/facts'

/** What a way of settling asks one to do. */
export const WAY_NAMES: Partial<Record<Source, string>> = {
  opened: 'I opened it and looked',
  manual: 'the manual says so',
  lettering: 'by the lettering on the board',
  label: 'I read the label',
  contents: 'by the module’s contents',
  readout: 'I trust the report',
  guess: 'my guess',
}

/** What a reading gave, in a few words. */
export function summaryOf(reading: Reading): string {
  const { format, modules, machine, system } = answerOf(reading)
  const isOther = system !== null || format === 'page'
  const parts = modules.length > 0 || !isOther ? [plural(modules.length, 'module')] : []
  if (machine?.slotCount) parts.push(`${plural(machine.slotCount, 'slot')} claimed`)
  if (format === 'page' && machine?.maximumGiB) {
    parts.push(`${capacity(machine.maximumGiB)} at most`)
  }
  if (system?.shownRate) parts.push(`runs at ${system.shownRate}`)
  if (format.startsWith('spd')) {
    parts.push(modules[0]?.verified ? 'checksum holds' : 'not verified')
  }
  if (system?.totalGiB !== undefined) parts.push(`${tidy(system.totalGiB, 1)} GB in the system`)
  return `${FORMAT_NAMES[format]}: ${parts.join(', ')}`
}

/** Figures in which a counterfeit’s label says more than there is. */
const COUNTERFEITED: readonly Dispute['what'][] = ['capacityGiB', 'speeds', 'partNumber']

const DISPUTES: Record<DisputeCode, (dispute: Dispute) => { title: string; means: string }> = {
  SLOT_EMPTY: ({ subject }) => ({
    title: `What is in ${subject}?`,
    means:
      'A report says that it is empty, and a module was put there by its label. Nothing goes into it until one of them is right.',
  }),
  SLOT_COUNT: () => ({
    title: 'How many slots are there?',
    means: 'System reports often list slots that the board does not have. Open it and count.',
  }),
  SOLDERED: () => ({
    title: 'How much is soldered?',
    means: 'Soldered memory cannot be taken out and shares its channel with a slot.',
  }),
  MAXIMUM: () => ({
    title: 'How much does the machine take?',
    means: 'The maximum a system report gives is often the firmware’s default. The manual decides.',
  }),
  MODULE_NOT_OF_MACHINE: ({ what }) => ({
    title:
      what === 'generation'
        ? 'Which generation is this machine?'
        : 'Which form factor does it take?',
    means: 'What was read does not fit the record of the machine: one of the two is wrong.',
  }),
  MODULE_FIGURE: ({ subject, what }) => ({
    title: `Slot ${subject}: ${figureName(what).toLowerCase()}?`,
    means: COUNTERFEITED.includes(what)
      ? 'Two sources disagree about this module. A label that says more than the contents and the machine do may be a counterfeit’s: put it aside, and do not fit it before that is clear.'
      : 'Two sources disagree about this module.',
  }),
  RATE_OR_CLOCK: ({ subject }) => ({
    title: `Slot ${subject}: which speed does it run at?`,
    means: 'The figure may be the speed or the clock, which is half of it.',
  }),
  RATED_AGAINST_CONFIGURED: ({ subject }) => ({
    title: `Slot ${subject} does not run at its rated speed`,
    means: 'Nothing in the record explains it: is the label misread, or a limit not known yet?',
  }),
  LABEL_DENSITY: ({ where }) => ({
    title: 'A label was misread',
    means: `${PROBLEMS.DENSITY_NOT_MADE} (${placeOf(where?.where ?? null)})`,
  }),
}

export const disputeWords = (dispute: Dispute) => DISPUTES[dispute.code](dispute)

const UNKNOWNS: Record<UnknownCode, (what: string[]) => [string, string]> = {
  GENERATION: () => ['Generation and form factor', 'Read a module, or look at one.'],
  SLOT_COUNT: () => ['How many slots there are', 'Open it, or find the manual.'],
  SOLDERED: () => ['Whether anything is soldered', 'A system report tells; looking is surer.'],
  CONTENT_OF_SLOTS: (slots) => [
    `What is in ${list(slots)}`,
    'Paste a system report, read the labels, or look.',
  ],
  LOOSE_MODULE: () => ['Which slot a module is from', 'Say so above.'],
  MODULE_FORM: () => [
    'The form factor of a module: DIMM, SO-DIMM or CAMM2',
    'It is not printed: look at the module, and enter it.',
  ],
  MODULE_CAPACITY: (slots) => [
    slots.length > 0 ? `The capacity of the module in ${list(slots)}` : 'The capacity of a module',
    'The label says, or a system report.',
  ],
  STANDARD_SPEED: (slots) => [
    `What ${slots.length > 0 ? `the module in ${list(slots)}` : 'a module'} runs at without its memory profile`,
    'Assumed low. Its contents tell, or the setup with the profile off.',
  ],
  MODULE_FIGURES: (slots) => [
    `Ranks, device width or speed of the module in ${list(slots)}`,
    'Read the label: 1Rx8 and the speed are on it.',
  ],
  TOTAL_LIMIT: () => ['How much the machine takes in all', 'The manual says.'],
  SLOT_LIMIT: () => ['How much one slot takes', 'The manual says.'],
  RATES: () => ['Which speeds the controller allows', 'The spec sheet of the processor.'],
  FILLING_ORDER: () => [
    'Which slots to fill first',
    'The page of the manual that shows the slots, or the lettering on the board.',
  ],
  FIRMWARE: () => ['A speed limit of the firmware', 'The spec sheet of the machine.'],
  VOLTAGE: (slots) => [
    `Which voltage the module in ${list(slots)} runs on`,
    'By what was read it needs another than the record says, and it runs in this machine. Its label or contents tell; then correct one of the two.',
  ],
  SYSTEM_WIDTH: () => [
    'Whether the system is 32- or 64-bit, and what its edition can use',
    'Its properties say, or a report; a 32-bit one uses about 4 GB.',
  ],
  SYSTEM_USES_LESS: () => [
    'Why the system uses so much less than is installed',
    'It is 32-bit, its edition has a limit, graphics take their share, or a most is set in its start options. Enter the limit under Limits.',
  ],
}

export function unknownWords({ code, what }: Unknown): [string, string] {
  return UNKNOWNS[code](what)
}

/** How a module was seen to run, which is not what it is made for. */
export function seenInWords({ rate, volts }: SeenRunning): string {
  const at = rate
    ? rate.clockOrRate === 'ambiguous'
      ? `${rate.readings.join(' or ')} MT/s now (printed ${rate.printed})`
      : `${speed(rate.configuredDataRate)} now${rate.clockOrRate === 'clock' ? ` (printed as its clock, ${rate.printed})` : ''}`
    : ''
  const on = volts === null ? '' : `${at === '' ? '' : ', '}on ${volts} V`
  return `runs ${at === '' ? '' : `at ${at}`}${on}`
}
