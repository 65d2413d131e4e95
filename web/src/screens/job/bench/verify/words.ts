import type {
  Difference,
  DifferenceCause,
  DifferenceCode,
  Missing,
  NextStep,
} from '@tembrix/core/bench/diagnose'
import { capacity, list, plural } from '../../../../base/format'

const SAID: Record<DifferenceCode, (difference: Difference) => string> = {
  MISSING_MODULE: ({ expected, seen, slots }) =>
    `${capacity(seen ?? 0)} of ${capacity(expected ?? 0)}: exactly what is in ${list(slots, 'or')} is missing.`,
  MISSING_MEMORY: ({ expected, seen }) =>
    `${capacity(seen ?? 0)} of ${capacity(expected ?? 0)}, which is not the size of any one module.`,
  MORE_MEMORY: ({ expected, seen }) =>
    `${capacity(seen ?? 0)} where ${capacity(expected ?? 0)} are planned.`,
  SYSTEM_KEEPS_SOME: ({ expected, seen }) =>
    `${capacity(seen ?? 0)} of ${capacity(expected ?? 0)}: the rest is reserved, not lost.`,
  MEMORY_RESERVED: ({ expected, seen }) =>
    `${capacity(seen ?? 0)} of ${capacity(expected ?? 0)} can be used, though every slot is seen.`,
  CHANNEL_GONE: ({ slots }) => `${list(slots)} are shown empty: all that is on one channel.`,
  SLOT_EMPTY: ({ slots, expected }) =>
    `${list(slots)} is shown empty; ${capacity(expected ?? 0)} sit there.`,
  SLOT_OTHER: ({ slots, expected, seen }) =>
    `${list(slots)} shows ${capacity(seen ?? 0)} where ${capacity(expected ?? 0)} are planned.`,
  CLOCK_SHOWN: ({ expected, seen }) =>
    `${seen} is the clock: twice that is the speed, ${expected} MT/s.`,
  BASE_RATE: ({ expected, seen }) =>
    `${seen} is the base speed; with the memory profile it should be ${expected} MT/s.`,
  STEP_LOWER: ({ expected, seen }) => `${seen} instead of ${expected} MT/s.`,
  RATE_HIGHER: ({ expected, seen }) => `${seen}, more than the ${expected} MT/s expected.`,
  FEWER_CHANNELS: ({ expected, seen }) =>
    `${plural(seen ?? 0, 'channel')} in use instead of ${expected}.`,
  UNEQUAL_CLOCKS: ({ expected, seen }) =>
    `A clock of ${seen} MHz beside the memory’s ${expected} MHz.`,
  CLOCKS_OPEN: ({ expected, seen }) =>
    `The controller runs at ${seen} MHz, memory at ${expected} MHz.`,
  TIMING_LOOSER: ({ expected, seen }) => `CL ${seen} instead of ${expected}.`,
  ECC_INACTIVE: () => 'Error correction is off though every module has it.',
}

export const differenceWords = (difference: Difference): string => SAID[difference.code](difference)

export const CAUSE_WORDS: Record<DifferenceCause, string> = {
  NOT_SEATED: 'a module not fully seated (by judgement the commonest)',
  MODULE_BAD: 'a bad module',
  SLOT_BAD: 'a bad slot',
  WRONG_SLOT: 'modules in the wrong slots',
  BOARD_LIMIT: 'a limit of the board',
  SOCKET:
    'the processor’s seating, bent pins in its socket, or a cooler that is too tight: look there before a slot is called bad',
  GRAPHICS_SHARE: 'memory reserved for integrated graphics and the system',
  REMAP_OFF: 'memory remapping turned off in the setup',
  BOOT_LIMIT: 'a limit in the system’s boot options',
  SYSTEM_LIMIT: 'a system that cannot address more, such as a 32-bit one',
  READ_WRONG: 'a figure read or typed wrong',
  CLOCK_FOR_RATE: 'a tool that shows the clock',
  PROFILE_OFF: 'the memory profile is off in the setup',
  PROFILE_FELL_BACK: 'the profile failed at the start and the firmware fell back',
  LOAD: 'the load on the controller',
  FIRMWARE_CAP: 'a cap of the firmware',
  SLOWEST_MODULE: 'the slowest module',
  HALF_RATE_CLOCK: 'the controller or the fabric at half rate',
  PLATFORM_OPEN:
    'right on some platforms, whose controller always runs at half the memory clock, and wrong on others',
  FIRMWARE_LOOSENED: 'the firmware trained a looser timing',
  ECC_OFF_IN_SETUP: 'it is off in the setup',
  ECC_NOT_WIRED: 'the board does not support it',
  PLAN_NOT_FOLLOWED: 'other modules than planned',
  FIRMWARE_RAISES: 'the firmware runs it above its rating by itself',
}

/** How each way of keeping memory back is told from a fault. */
export const RESERVED_CHECKS: Partial<Record<DifferenceCause, string>> = {
  GRAPHICS_SHARE:
    'graphics: the setup says how much it is given, and the system shows that much as hardware reserved',
  SYSTEM_LIMIT:
    'a 32-bit system: its own report says 32-bit, and it stays below 4 GB whatever is fitted',
  REMAP_OFF:
    'remapping off: a 64-bit system below 4 GB, and a switch for remapping in the setup of older boards',
  BOOT_LIMIT:
    'a limit left in the boot options: a maximum amount of memory is ticked there; take it off and start again',
}

export const NEXT_WORDS: Record<NextStep, string> = {
  FIND_FAULT: 'Find the fault',
  LOOK_AT_SLOTS:
    'Look first whether every slot is seen, in the setup or a system report, and enter it above.',
  CHECK_SOCKET:
    'Check the processor’s seating, its socket and the cooler before any slot is called bad.',
  CHECK_RESERVED:
    'Look how much the system shows as hardware reserved, then in the setup for graphics memory and remapping, and at the boot options.',
  FIND_PLATFORM: 'Enter in Identify how this platform’s clocks relate; its manual says.',
  NOTHING: 'Nothing to do.',
  SWITCH_PROFILE_ON: 'Enable the memory profile in the setup and look again.',
  STEP_PROFILE_DOWN: 'Step the profile down.',
  CHECK_SLOTS: 'Compare the slots with the board drawn here.',
  ACCEPT_OR_REPLAN: 'Accept it, or plan again.',
  LOOK_AGAIN: 'Look again, with another tool.',
  CHECK_SETUP: 'Look in the setup for what limits it.',
}

/** What a verification still lacks. */
export const MISSING_WORDS: Record<Missing, string> = {
  seen: 'the memory in all as seen',
  slots: 'every slot that is filled, as seen',
  speed: 'the speed as seen',
  channels: 'the channels, shown or measured',
  stability: 'the soak test, as planned',
  testRule: 'as long a test as the shop’s rule asks for',
  loss: 'a word on the loss that was measured',
}
