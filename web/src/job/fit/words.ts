import type { FitCode, FitStep, Phase, ScrewQuestion, Tool, Work } from '@tembrix/core/fitting'
import type { Module } from '@tembrix/core/model'
import type { Destination, ScrewHead } from '@tembrix/core/records'
import { describeModule } from '../../board'
import { capacity, list, plural, tidy } from '../../ui'

export interface StepWords {
  title: string
  how: string
}

type Say = (step: FitStep, module: Module | undefined) => StepWords

const say =
  (title: string, how: string): Say =>
  () => ({ title, how })

const WORDS: Record<FitCode, Say> = {
  CAUTION_MAKER: say(
    'The maker’s instructions come first',
    'Where the maker’s service manual or a local rule says otherwise than this screen, follow them.',
  ),
  CAUTION_BACKUP: say(
    'Nothing is opened before the work is saved',
    'Ask whether everything is saved and a copy is elsewhere. If not, that is the first job.',
  ),
  CAUTION_SWOLLEN: say(
    'A swollen battery stops the work',
    'If the case bulges, the touchpad stands up or the battery is soft, close it and give it to someone qualified. Do not press, pierce or charge it.',
  ),
  CAUTION_MAINS: say(
    'Mains voltage stays shut in',
    'Never open the power supply. In an all-in-one, keep off the part with the mains socket. That is for someone qualified.',
  ),
  CAUTION_COOLER: say(
    'No processor runs without its cooler',
    'If the cooler has to come off to reach a slot, it goes back on, fastened, before power comes near.',
  ),
  CAUTION_DISPLAY: say(
    'The display is glued or clipped on glass',
    'Cutting it loose can break it and cut hands. It is for someone who is trained for this model; otherwise send it on.',
  ),
  CAUTION_MODEL: ({ about }) => ({
    title: about.text ?? '',
    how: 'Noted in the shop’s record of this model.',
  }),
  BACKUP: say('Work saved, copy made', 'Ask the customer, or look for the copy yourself.'),
  SHUT_DOWN: say(
    'Shut it down fully',
    'Not sleep: choose shut down and wait until fans and lights are off.',
  ),
  UNPLUG: say(
    'Pull every cable',
    'Mains first, then display, network and everything plugged in. Switch a rear power switch off.',
  ),
  DRAIN: say('Drain what is left', 'Hold the power button for ten seconds with nothing connected.'),
  STRAP_ON: say(
    'Strap on, mat out',
    'Wrist strap on bare skin and clipped to the mat or bare metal of the case.',
  ),
  TOUCH_METAL: say(
    'Touch bare metal',
    'Stand off the carpet. Touch unpainted metal of the case now, and again before every module.',
  ),
  SIDE_OFF: say(
    'Side panel off',
    'The screws at the rear edge, then slide it back. Lay the case on its side.',
  ),
  TOP_OFF: say('Cover off', 'The screw or latch at the rear, then slide and lift the top.'),
  SHROUD_OUT: say('Air guide out', 'Lift it straight up by its marked points; it is not screwed.'),
  CAGE_OUT: say(
    'Drive cage up or out',
    'Tip it up or unscrew it. Note which cable went where before you pull one.',
  ),
  SCREWS_OUT: say(
    'Screws out, each onto the map',
    'Put a pin for every screw as it comes out: its length, its head, whether it hid under a cap or foot. A long screw in a short hole ruins a laptop.',
  ),
  COVER_OFF: say(
    'Cover off',
    'The clips still hold it: run a plastic card round the edge, never metal. Lift where it gives first.',
  ),
  HATCH_OFF: say('Hatch off', 'Its screws out, then lift or slide it.'),
  DISPLAY_OFF: say(
    'Display off',
    'Only as this model’s instructions say, and only by someone trained for it.',
  ),
  PART_OFF: ({ about }) => ({
    title: `Off: ${about.text ?? ''}`,
    how: 'From the shop’s record of this model.',
  }),
  BATTERY_OFF: say(
    'Battery off',
    'Before anything else on the board: pull its plug by the edges with plastic, not by the wires.',
  ),
  TAKE_OUT: ({ slots }, module) => ({
    title: `Out of slot ${slots[0]}`,
    how: `${module ? `${describeModule(module)}. ` : ''}A hand over the module while the latches open, so that it does not fly out. Hold it by its edges.`,
  }),
  LATCHES_OPEN: ({ slots }) => ({
    title: `Open the latches of ${list(slots)}`,
    how: 'Every latch of the slots to be filled, at both ends where there are two.',
  }),
  PUT_IN: ({ slots, about }, module) => ({
    title: `Into slot ${slots[0]}`,
    how: [
      module ? `${describeModule(module)}, ${module.article}.` : '',
      about.from ? `It came out of ${about.from}.` : '',
      'Notch to notch, long side to long side: it fits one way only.',
      about.angle === 'angled'
        ? 'In at an angle until the contacts are gone, then fold it down.'
        : 'Straight down, a thumb at each end.',
      'Press until both latches click.',
    ]
      .filter(Boolean)
      .join(' '),
  }),
  SEATED: ({ slots }) => ({
    title: 'Both ends down, both latches shut',
    how: `Look along ${list(slots)}: level, no gold to be seen, no latch open. “Looks in” is not in: press once more.`,
  }),
  BATTERY_ON: say(
    'Battery on',
    'Plug pushed home with a plastic tool; nothing lies under the cover.',
  ),
  PART_ON: ({ about }) => ({ title: `Back on: ${about.text ?? ''}`, how: 'As it came off.' }),
  DISPLAY_ON: say('Display on', 'As this model’s instructions say.'),
  HATCH_ON: say('Hatch on', 'Screws back as they came out.'),
  COVER_ON: say('Cover on', 'Press along the edge until every clip has clicked.'),
  SCREWS_IN: say(
    'Screws in, the map backwards',
    'Each into the hole it came from. Count what is left on the tray before you turn it over.',
  ),
  CAGE_IN: say('Drive cage back', 'Cables as noted, nothing pinched.'),
  SHROUD_IN: say('Air guide back', 'It sits flat over the modules, or it is not in.'),
  TOP_ON: say('Cover on', 'Slide it home, fasten it.'),
  SIDE_ON: say('Side panel on', 'Slide it forward, fasten it.'),
  STRAP_OFF: say('Strap off', 'Before mains is connected.'),
  PLUG_IN: say('Cables back', 'Display and keyboard, mains last.'),
  FIRST_START: say(
    'First start: let it take its time',
    'After a change the memory is trained: several minutes with a dark screen and restarts are normal. Do not cut it off.',
  ),
  SEEN: ({ about }) => ({
    title: about.gib ? `Set-up and system show ${capacity(about.gib)}` : 'Set-up and system agree',
    how: `Every slot, the full amount${about.dataRate ? ` and ${about.dataRate} MT/s (half of it, where the clock is shown)` : ''}. What differs is looked into in Verify.`,
  }),
  PROFILE_ON: say(
    'Memory profile on',
    'In the firmware set-up. If it does not start, wait for it to fall back, or clear the settings as the board’s manual says.',
  ),
  STABILITY: say(
    'Stability test begun',
    'Several passes before it is handed over. A profile that starts may still fail after hours.',
  ),
}

export const wordsOf = (step: FitStep, module: Module | undefined): StepWords =>
  WORDS[step.code](step, module)

export const PHASE_NAMES: Record<Phase, string> = {
  cautions: 'Before anything',
  before: 'Made safe',
  open: 'Opened',
  out: 'Out',
  in: 'In',
  close: 'Closed',
  start: 'First start',
}

export const TOOL_NAMES: Record<Tool, string> = {
  'screwdriver-small': 'small cross-head screwdriver',
  'screwdriver-fine': 'fine cross-head screwdriver',
  'pry-card': 'plastic card or pry tool',
  tweezers: 'plastic tweezers',
  'screw-tray': 'screw tray',
  'strap-mat': 'wrist strap and mat',
  'suction-cup': 'suction cup',
}

export const WORK_NAMES: Record<Work, string> = {
  open: 'opening and closing',
  battery: 'battery',
  module: 'modules',
  firstStart: 'first start',
  profile: 'profile',
  stability: 'stability test',
}

export const HEAD_NAMES: Record<ScrewHead, string> = {
  cross: 'cross',
  slotted: 'slotted',
  'six-point': 'six-point star',
  'five-point': 'five-point star',
  hexagon: 'hexagon',
}

export const DESTINATION_NAMES: Record<Destination, string> = {
  customer: 'back to the customer',
  shelf: 'to our shelf, used and untested',
  recycling: 'to recycling',
}

/** `name` turns a pin's id into the number it has on the map. */
export function questionWords(question: ScrewQuestion, name: (id: string) => string): string {
  const holes = (ids: readonly string[]) => list(ids.map(name))
  switch (question.code) {
    case 'NOT_BACK':
      return `${plural(question.pins.length, 'hole')} still empty: ${holes(question.pins)}.`
    case 'LEFT_OVER':
      return `${plural(question.count, 'screw')} of ${tidy(question.lengthMm)} mm left, though every hole is filled. ${question.wants.length > 0 ? `Holes for that length: ${holes(question.wants)}.` : 'No hole on the map wants that length.'}${question.suspects.length > 0 ? ` Did one of ${holes(question.suspects)} get another?` : ''}`
    case 'WRONG_LENGTH':
      return `A screw of ${tidy(question.lengthMm)} mm is left, but no open hole wants that length. Wrong length for this hole: take the suspects out again${question.suspects.length > 0 ? ` (${holes(question.suspects)})` : ''} before forcing one in.`
    case 'MISSING':
      return `${plural(question.count, 'screw')} of ${tidy(question.lengthMm)} mm missing: look in the machine and under it before it is started.`
  }
}
