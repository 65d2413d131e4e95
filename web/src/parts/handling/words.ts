import type {
  FitCode,
  FittingStep,
  LabourWork,
  Phase,
  StepSubject,
  Tool,
} from '@tembrix/core/bench/fitting'
import type { Module, TestFrom } from '@tembrix/core/things/model'
import { capacity, capital, list, plural, speed, tidy } from '../../base/format'
import { describeModule } from '../board'
import { soakHours } from '../soak'

export interface StepWords {
  title: string
  how: string
}

type Say = (step: FittingStep, module: Module | undefined) => StepWords

const say =
  (title: string, how: string): Say =>
  () => ({ title, how })

/** Minutes as one waits for them. */
function minutes({ low, high }: { low: number; high: number }): string {
  const whole = (value: number) => tidy(value < 1 ? value : Math.round(value), 1)
  return low === high ? `${whole(high)} minutes` : `${whole(low)} to ${whole(high)} minutes`
}

function takeOut({ fastening }: StepSubject): string {
  switch (fastening) {
    case 'screws':
      return 'Loosen the screws in the order marked on the module or board, a turn at a time. Lift it straight up off its guide pins; do not touch the contacts, on the module or beneath it.'
    case 'side-clips':
      return 'Spread the clips at both sides until it springs up to an angle, then draw it out along that angle. Where two slots are stacked, the upper one comes out first. A foil shield over it is folded back, not torn.'
    case 'latch-one-end':
      return 'Open the latch at the one end; the other end has none. A hand over the module, so that it does not fly out.'
    default:
      return 'Open the latch at each end that has one. A hand over the module, so that it does not fly out.'
  }
}

function putIn({ fastening }: StepSubject): string {
  switch (fastening) {
    case 'screws':
      return 'Contacts clean and untouched. Set it flat onto its guide pins; nothing is pushed and nothing clicks. Tighten the screws evenly in the marked order, to the torque the maker states.'
    case 'side-clips':
      return 'Off-centre notch to the key. In at 25 to 30 degrees until the contacts are in, then fold it down until both side clips hold. Where two slots are stacked, the lower one is filled first.'
    case 'latch-one-end':
      return 'Off-centre notch to the key: it fits one way only. Straight down, the end without a latch first, then press the other until the latch clicks.'
    default:
      return 'Off-centre notch to the key: it fits one way only. Straight down, a thumb at each end, until every latch clicks.'
  }
}

function seatedHow({ slots, about }: FittingStep): string {
  switch (about.fastening) {
    case 'screws':
      return `Look along ${list(slots)}: flat on the board all round, every screw in and at the maker’s torque.`
    case 'side-clips':
      return `Look along ${list(slots)}: level, both side clips hold. At most an even sliver of gold shows, as some makers’ slots leave; a slanting one means it is not fully seated.`
    default:
      return `Look along ${list(slots)}: level, every latch shut, no gold to be seen or at most an even sliver. “Looks in” is not in: press once more.`
  }
}

const WORDS: Record<FitCode, Say> = {
  CAUTION_MAKER: say(
    'The maker’s instructions come first',
    'Where the maker’s service manual or a local rule says otherwise than this screen, follow them.',
  ),
  CAUTION_BACKUP: say(
    'Nothing is opened before the work is saved',
    'Ask whether everything is saved and a copy is elsewhere. If not, that is the first job.',
  ),
  CAUTION_KEY: say(
    'An encrypted drive may ask for its recovery key',
    'A changed setup or new firmware can lock an encrypted drive until its recovery key is typed in. The customer needs that key before work starts.',
  ),
  CAUTION_SWOLLEN: say(
    'A swollen battery stops the work',
    'If the case bulges, the touchpad stands up or the battery is soft: stop, charger off. Do not close, press or screw the cover down, do not pierce or charge it. Keep it away from anything that burns, and hand it on to someone qualified, as local rules say.',
  ),
  CAUTION_BATTERY: say(
    'A battery plug is live until it is out',
    'Some plugs lift, many slide along the board: do as this model’s manual shows. No tweezers and no metal at a live plug. A removable pack comes out before the first screw. Work on a battery charged below a quarter.',
  ),
  CAUTION_MAINS: say(
    'The power supply stays shut',
    'Its capacitors hold hundreds of volts long after unplugging. Never open it; that is for someone qualified. Where mains parts lie bare, as in some all-in-ones, take the wrist strap off and keep away.',
  ),
  CAUTION_STANDBY: say(
    'These modules are fed while the machine is plugged in',
    'Modules with a voltage regulator of their own get standby power even when the machine is off (5 V, registered modules 12 V). Unplug and discharge before any module is touched.',
  ),
  CAUTION_COOLER: say(
    'No processor runs without its cooler',
    'It comes off to reach the slots. Fresh paste is at hand before it is lifted, and it is fastened before power comes near.',
  ),
  CAUTION_SURFACE: say(
    'A clear, dry surface',
    'No board gets power while it lies on an anti-static bag: the outside of the bag conducts. Watch the sharp edges of the case. Lay a glass panel flat where nobody leans on it. Two people lay a heavy tower on its side.',
  ),
  CAUTION_CARD: say(
    'An expansion card stands in the way',
    'Its slot has a latch that is easily broken, and the card is heavy: hold its weight while screw and latch are loosened, and pull its power lead by the plug.',
  ),
  CAUTION_HATCH: say(
    'It is laid on its display',
    'Face down on something soft that covers the whole display, and by two where it is heavy: the stand takes no weight sideways. Pull every lead first; one may hide a latch of the hatch.',
  ),
  CAUTION_NONVOLATILE: say(
    'Non-volatile modules keep their data',
    'Ordinary modules hold nothing without power. Non-volatile modules of some workstations do: copy what they hold first, and erase them by the maker’s way before they leave the shop.',
  ),
  CAUTION_DISPLAY: say(
    'The slots are behind the display',
    'Nobody has seen a hatch on this machine. Loosening a glued or clipped display can break it and cut hands: it is for someone trained for this model, with the maker’s instructions and new strips at hand; otherwise send it on.',
  ),
  CAUTION_SCREWED: say(
    'This module is screwed down',
    'It has no latch and is never pushed. Its contacts bend and soil easily: lift and set it straight, and do not touch them. One module fills both channels.',
  ),
  CAUTION_MODEL: ({ about }) => ({
    title: about.text ?? '',
    how: 'Noted in the shop’s record of this model.',
  }),
  BACKUP: say('Work saved, copy made', 'Ask the customer, or look for the copy yourself.'),
  KEY_AT_HAND: say(
    'Recovery key at hand, or the drive is not encrypted',
    'Tick it once the customer has shown the key, or you have seen that the drive is not encrypted.',
  ),
  ERRORS_BEFORE: say(
    'Read the system’s error log',
    'Memory errors and machine checks noted there before anything changes are not the new memory’s. On machines with error correction, its counters too. The command is under Get the report in Identify; paste what it prints there.',
  ),
  ENCRYPTION_SUSPENDED: say(
    'Suspend the drive’s encryption for the next starts',
    'Where the system’s drive is encrypted: suspended in the system, not decrypted, for as many starts as the work takes. Tick it where the drive is not encrypted too.',
  ),
  FIRMWARE_UPDATE: say(
    'Update the firmware first',
    'Older firmware may not start these modules. Use the maker’s newest for this very model, on mains power, and do not interrupt it. It sets the setup back.',
  ),
  SETUP_NOTED: say(
    'Write down the setup as it is',
    'Photograph or note every value before one is changed: storage mode, secure boot, boot order, memory. That is the way back; without the first three the system may not start. Know how this machine’s setup is cleared.',
  ),
  PROFILE_OFF: ({ phase, about }) => ({
    title: `Turn the memory profile off${inItsSetup(about.text)}`,
    how:
      phase === 'before'
        ? 'In the BIOS/UEFI setup, before modules are mixed or added. It goes on again afterwards, where it is planned.'
        : 'In the BIOS/UEFI setup; it restarts. Where the setup is not reached, clearing it as the board’s manual says turns the profile off as well.',
  }),
  ERASE_NONVOLATILE: ({ slots }) => ({
    title: `The module in ${list(slots)} keeps its contents: erase them, or give it back`,
    how: 'It holds the customer’s data without power. Erase it by the maker’s own way, while it is still in the machine and once the copy of the data opens, or hand it to the customer. Ordinary modules hold nothing without power and need none of this.',
  }),
  CHARGE_LOW: say(
    'Battery below a quarter',
    'Run it down before opening: a battery that is nearly empty does least harm if something slips.',
  ),
  SHUT_DOWN: say(
    'Shut it down fully',
    'Not sleep, and not the quick shutdown that hibernates: hold the modifier key your system asks for while choosing shut down, or shut down from the console. From the setup or a test: by its own menu. Wait until fans and lights are off.',
  ),
  FORCE_OFF: say(
    'Switch it off by its button',
    'Nothing came up that could be shut down: hold the power button until fans and lights are off.',
  ),
  UNPLUG: say(
    'Pull every cable',
    'Mains or charger first, then display, network and everything plugged in. Switch a rear power switch off.',
  ),
  PACK_OUT: say('Battery pack out', 'Before the first screw. Put it where nothing shorts it.'),
  DISABLE_BATTERY: say(
    'Disable the battery in the setup',
    'Its plug cannot be reached. With the charger off, start into the BIOS/UEFI setup and disable the internal battery as the maker’s manual says; the machine switches off. The charger stays away: it switches the battery on again.',
  ),
  CUT_BATTERY: say(
    'Cut the battery off another way',
    'It does not start, so its setup cannot disable the battery. The maker’s own way first: a reset hole, or the switch held as its manual says. Else open it further to the battery’s plug, or let the battery run empty. Where none of these is open to you: stop and say so.',
  ),
  LAY_DOWN: say(
    'Lay it face down',
    'Every lead out. On something soft, clear of the edge; hold the weight until it lies.',
  ),
  DRAIN: say(
    'Discharge residual power',
    'Hold the power button for ten seconds with nothing connected.',
  ),
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
    'Put a pin for every screw as it comes out: its length, its head (cross or star), whether it hid under a cap or foot. A long screw in a short hole ruins a laptop.',
  ),
  COVER_OFF: say(
    'Cover off',
    'The clips still hold it: run a plastic card round the edge, never metal. Lift it slowly and look beneath: ribbon cables may join it to the board.',
  ),
  HATCH_OFF: say('Hatch off', 'Its screws out, then lift or slide it.'),
  DISPLAY_LOOSE: say(
    'Loosen the display',
    'Only as this model’s instructions say, and only by someone trained for it.',
  ),
  DISPLAY_OFF: say(
    'Display off, its cables apart',
    'Lift it a little, free every cable as the instructions show, and lay it face down on something soft.',
  ),
  PART_OFF: ({ about }) => ({
    title: `Off: ${about.text ?? ''}`,
    how: 'From the shop’s record of this model.',
  }),
  BATTERY_OFF: say(
    'Battery off',
    'Before anything else on the board: its plug up or along the board, as the manual shows, with plastic and not by the wires.',
  ),
  COOLER_OFF: say(
    'Cooler off',
    'Its fan lead first. Loosen the fasteners crosswise, a turn each; twist it gently free and lift it straight up. The processor stays in its socket.',
  ),
  CARD_OUT: say(
    'Expansion card out',
    'Its power lead by the plug, its screw, then the latch at the end of its slot, the card’s weight held. Straight out, onto something that does not conduct.',
  ),
  DRIVE_OUT: say(
    'Unplug the customer’s drive',
    'Untested memory damages files at the first start. A drive of the shop’s takes its place for the test; the customer’s is labelled and put where nothing happens to it.',
  ),
  DRIVE_IN: say(
    'The customer’s drive back',
    'Only now that the test has passed. In its own place, screwed as it was.',
  ),
  TAKE_OUT: ({ slots, about }, module) => ({
    title: `Out of slot ${slots[0]}`,
    how: `${module ? `${describeModule(module)}. ` : ''}It may be hot: let it cool. ${takeOut(about)} Hold it by its edges.`,
  }),
  LATCHES_OPEN: ({ slots, about }) => ({
    title: `Open the latches of ${list(slots)}`,
    how:
      about.fastening === 'latch-one-end'
        ? 'Each of these slots has one, at one end.'
        : 'Every latch of the slots to be filled, at each end that has one.',
  }),
  PUT_IN: ({ slots, about }, module) => ({
    title: `Into slot ${slots[0]}`,
    how: [
      module ? `${describeModule(module)}, ${module.article}.` : '',
      about.from ? `It came out of ${about.from}.` : '',
      putIn(about),
    ]
      .filter(Boolean)
      .join(' '),
  }),
  RESEAT: ({ slots, about }) => ({
    title: `Out and in again: ${list(slots)}`,
    how: `One after the other. ${takeOut(about)} ${putIn(about)}`,
  }),
  CLEAN_CONTACTS: ({ slots, about }) => ({
    title: `Out, contacts cleaned, in again: ${list(slots)}`,
    how: `One after the other. ${takeOut(about)} Wipe the gold contacts with a lint-free cloth and pure alcohol: no flame near, fresh air, fully dry before power. Blow dust out of the slot; nothing hard, no eraser. ${putIn(about)}`,
  }),
  CONNECTORS: say(
    'Press the connectors home',
    'Those of the power supply to the board and the processor, of the drives and the graphics card: out a little and in until they click. No force on the board beneath.',
  ),
  SEATED: (step) => ({ title: 'Every module fully seated', how: seatedHow(step) }),
  CLEAR_SETUP: say(
    'Clear the setup',
    'By the jumper, button or cell that the board’s manual names for it, for as long as it says. No metal tool across anything else. A button cell is not shorted, not left lying where somebody may swallow it, and out for the time the manual says. The memory is trained again at the next start.',
  ),
  COOLER_ON: say(
    'Cooler on, before any power',
    'Both faces clean and dry, fresh paste as thin as its maker says. Set it straight down, fasten it crosswise, a turn each, to the stop. Its fan lead back.',
  ),
  CARD_IN: say(
    'Expansion card back',
    'Straight into its slot until the latch clicks, screwed, its power lead pressed home.',
  ),
  BATTERY_ON: say(
    'Battery on',
    'Plug pressed fully in with a plastic tool; nothing lies under the cover.',
  ),
  PART_ON: ({ about }) => ({ title: `Back on: ${about.text ?? ''}`, how: 'As it came off.' }),
  DISPLAY_SET: say(
    'Display set in place, cables joined',
    'Held, not glued yet, as this model’s instructions say: first see that it works.',
  ),
  DISPLAY_ON: say(
    'Display fastened',
    'New strips or clips as this model’s instructions say; what is glued must set before it is moved.',
  ),
  HATCH_ON: say('Hatch on', 'Screws back as they came out.'),
  COVER_ON: say('Cover on', 'Press along the edge until every clip has clicked.'),
  SCREWS_IN: say(
    'Screws in, the map backwards',
    'Each into the hole it came from. Count what is left on the tray before you turn it over.',
  ),
  CAGE_IN: say('Drive cage back', 'Cables as noted, nothing pinched.'),
  SHROUD_IN: say('Air guide back', 'It sits flat over the modules, or it is not in.'),
  TOP_ON: say('Cover on', 'Slide it fully shut, fasten it.'),
  SIDE_ON: say('Side panel on', 'Slide it forward, fasten it.'),
  PACK_IN: say('Battery pack in', 'Until it catches.'),
  STRAP_OFF: say('Strap off', 'Before mains is connected.'),
  PLUG_IN: ({ phase }) => ({
    title: 'Cables back',
    how:
      phase === 'try'
        ? 'Only what a start needs: display, keyboard, mains last. Tools and fingers out of it; a laptop’s cover lies in place without its screws.'
        : 'Display and keyboard, mains last.',
  }),
  STAND_UP: say('Stand it up', 'Nothing loose inside. Before any lead goes back.'),
  START: say(
    'Start it, into the setup',
    'Not into the customer’s system: what was changed has not been tested. Hands off inside while it has power.',
  ),
  START_WARM: say(
    'Start it again at once, while it is warm',
    'Right after the test: left to cool it would be another trial.',
  ),
  FIRST_START: ({ about }) => ({
    title: 'First start, into the setup',
    how: `Not into the customer’s system: this memory has not been tested. Let it take its time. After a change the memory is trained, with a dark screen and restarts${about.wait ? `: ${minutes(about.wait)} are usual here` : ''}. Do not cut it off.${about.wait?.atMost ? ` If nothing has come after ${about.wait.atMost} minutes: shut it off, unplug, and seat every module again, then try one alone.` : ''} Where an open start is not safe on this machine, leave it out and say so.`,
  }),
  COOLER_SEEN: say(
    'Look at the processor’s temperature',
    'In the setup, a few minutes after the start: where it climbs on without stopping, switch off and seat the cooler again.',
  ),
  SEEN: ({ about }) => ({
    title: about.gib ? `The setup shows ${capacity(about.gib)}` : 'Look at the setup',
    how: about.gib
      ? `Every slot, the full amount${about.dataRate ? ` and ${speed(about.dataRate)} (half of it, where the clock is shown)` : ''}. What differs is looked into in Verify.`
      : 'Is every slot seen, and the full amount of what is in?',
  }),
  ERROR_CORRECTION_NOTED: say(
    'Note what the setup has for error correction',
    'Where it has them: patrol of the memory, repair of a bad row after packaging, and the refresh against disturbance of rows. Note how they are set under Notes; leave them as the maker ships them, unless its manual says otherwise.',
  ),
  SYSTEM_RISK: say(
    'No medium of the shop’s: agree on the test in the customer’s system',
    'A bad module can damage files while it is tested there. Tick it once the customer has been told and you have seen that a copy of the data opens. Better: a test medium, the setup’s own test, or a drive of the shop’s.',
  ),
  SHORT_TEST: ({ about, phase }) => ({
    title: phase === 'try' ? 'A short test before it is closed' : 'A short test',
    how: `A few minutes of a memory test ${testedFrom(about)}, without an error. ${phase === 'try' ? 'Closing is the long part on many machines: what is wrong is better found now. ' : ''}Until it has passed, the customer’s system is not started.`,
  }),
  TEST_PASS: ({ about }) => ({
    title: 'One pass of the memory test',
    how: `${capital(testedFrom(about))}. ${
      about.wait
        ? `About ${minutes(about.wait)} on all cores; three times that on one.`
        : 'One full pass.'
    }`,
  }),
  PROFILE_ON: ({ about }) => ({
    title: `Memory profile on${inItsSetup(about.text)}`,
    how: 'In the BIOS/UEFI setup. If it does not start, wait for it to fall back, or clear the setup as the board’s manual says.',
  }),
  SET_BY_HAND: ({ about }) => ({
    title: `Set the speed by hand: ${speed(about.dataRate)}`,
    how: about.timings
      ? `Timings ${about.timings.cl}-${about.timings.trcd}-${about.timings.trp}-${about.timings.tras}. Write the rated values down first: they are the way back. No voltage beyond the module’s rating.`
      : 'Write the rated values down first: they are the way back.',
  }),
  GRAPHICS_SET: ({ about }) => ({
    title: `Graphics memory set to ${capacity(about.gib ?? 0)}`,
    how: 'In the BIOS/UEFI setup, where it has such a value. It is taken from the main memory: the system shows that much less, and Verify expects it so.',
  }),
  SETUP_RESTORED: say(
    'Put the setup’s values back',
    'Storage mode, secure boot and boot order as noted; where nobody could note them, as the maker’s page for this model and the system on the drive want them. Before the system is started.',
  ),
  SYSTEM: say(
    'Now the customer’s system',
    'The test has passed: take the medium out and let the system start.',
  ),
  SEEN_SYSTEM: ({ about }) => ({
    title: about.gib ? `The system shows ${capacity(about.gib)}` : 'Look at the system',
    how: 'Its own report of memory. A 32-bit system, or one whose edition has a limit, shows less: note it in Verify.',
  }),
  ERRORS_AFTER: say(
    'Read the system’s error log again',
    'By the same command; paste it in Verify, which compares: no new memory error or machine check since the work began.',
  ),
  FILES_FIT: say(
    'Hibernation and page files fit the drive',
    'The hibernation file grows with the memory and may fill a small drive. A page file set by hand may now be too large or too small; swap on a drive that hibernates has to hold the memory. Look at what is free, and say what was changed.',
  ),
  ENCRYPTION_RESUMED: say(
    'Encryption on again',
    'Where it was suspended: resume it, and look that the system says it protects the drive.',
  ),
  STABILITY: ({ about }) => ({
    title: 'Soak test begun',
    how: `${capital(testedFrom(about))}: ${plural(about.passes ?? 0, 'full pass', 'full passes')}${about.warm ? ', warm: the case closed' : ''}${about.wait ? `, about ${soakHours({ low: about.wait.low / 60, high: about.wait.high / 60 })}` : ''}. A profile that starts may still fail after hours. Verify takes what came of it.`,
  }),
}

const TESTED_FROM: Record<TestFrom, string> = {
  medium: 'from the shop’s own medium',
  setup: 'by the setup’s own test',
  drive: 'from the shop’s own drive',
  system: 'in the customer’s system',
}
const testedFrom = ({ testFrom = 'medium' }: StepSubject) => TESTED_FROM[testFrom]

/** The name that the machine's own setup gives the memory profile. */
const inItsSetup = (name: string | undefined): string => (name ? ` (here “${name}”)` : '')

export const wordsOf = (step: FittingStep, module: Module | undefined): StepWords =>
  WORDS[step.code](step, module)

export const PHASE_NAMES: Record<Phase, string> = {
  cautions: 'Before anything',
  before: 'Made safe',
  open: 'Opened',
  out: 'Out',
  in: 'In',
  try: 'Tried open',
  close: 'Closed',
  start: 'Started',
}

export const TOOL_NAMES: Record<Tool, string> = {
  'screwdriver-small': 'small cross-head screwdriver',
  'screwdriver-fine': 'fine cross-head screwdriver',
  'pry-card': 'plastic card or pry tool',
  'screwdriver-star': 'small star driver',
  'screwdriver-torque': 'torque screwdriver',
  'screw-tray': 'screw tray',
  'strap-mat': 'wrist strap and mat',
  'suction-cup': 'suction cup',
  'soft-mat': 'soft mat',
  'cleaning-cloth': 'lint-free cloth and alcohol',
  'thermal-paste': 'thermal paste',
  'test-medium': 'test medium',
}

export const WORK_NAMES: Record<LabourWork, string> = {
  open: 'opening and closing',
  battery: 'battery',
  module: 'modules',
  firstStart: 'first start',
  profile: 'profile',
  stability: 'soak test',
}
