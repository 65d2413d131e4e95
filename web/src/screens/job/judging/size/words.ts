import {
  LAYOUT_REASONS,
  type LayoutQuestion,
  type LayoutReason,
  type Reason,
} from '@tembrix/core/judging/advice'
import type { LogSummary } from '@tembrix/core/judging/sizing'
import type { Work } from '@tembrix/core/things/model'
import { tidy } from '../../../../base/format'
import { sharePercent } from '../plan'

export const isLayoutReason = (reason: Reason): reason is LayoutReason =>
  LAYOUT_REASONS.some((one) => one === reason)

/** The sentence for each reason of the advice. */
export const reasonWords = (
  log: LogSummary | null,
  installedGiB: number,
): Record<Reason, string> => ({
  CUT_OFF: 'The measured peak came to 90 % of what is fitted or more, where systems already page.',
  TIGHT_FOR_LONG: `More than 90 % was in use for ${sharePercent(log?.tightShare ?? 0)} of the time.`,
  PAGES: `By the log ${sharePercent(log?.pagingShare ?? 0)} of the time was lost to paging.`,
  DEMAND_OVER_INSTALLED: `The demand is above the ${tidy(installedGiB)} GB fitted.`,
  RESERVE_OVER_INSTALLED: `What it needs now fits the ${tidy(installedGiB)} GB fitted; only the reserve and the years to come would want more.`,
  PEAK_FAR_BELOW: `The measured peak, ${tidy(log?.peakGiB ?? 0, 1)} GB, stays far below what is fitted.`,
  SPINNING_DISK: 'The disk is a spinning one: starting and opening wait for it.',
  SLOWS_AFTER_A_WHILE:
    'It slows down after a while: heat is one explanation; memory filling up, or a program that keeps taking more (a leak), is another. Log temperature and memory together.',
  CRASHES: 'Crashes come from faulty memory or a failing drive as well as from too little memory.',
  WORK_NOT_BOUND_BY_MEMORY: 'What is slow is work that memory hardly speeds up.',
  NOT_MEASURED: 'Nobody has measured what is really in use.',
  CARD_MEMORY_FULL:
    'The graphics card’s own memory was full: a card with more of it, or lower settings, is what helps; more main memory does not.',
  CARD_WAITS:
    'The graphics card waited for the processor and its memory: a better card would wait as well.',
  CARD_BUSY: 'The graphics card was at full load: it is what limits the pictures.',
  SINGLE_CHANNEL: 'All its memory works on one channel.',
  CHANNELS_UNUSED: 'Some of its channels are empty.',
  UNEVEN_CHANNELS: 'Its channels hold unequal amounts.',
  SLOT_ORDER: 'The modules are not in the slots that its maker fills first.',
  SPEED_LOWERED: 'The fastest modules in it would run faster without the others.',
  PROFILE_OFF: 'The memory profile of its modules is off.',
})

/** Rules of thumb for sizing a kind of work, beside the figures of the table. */
export const SIZING_HINTS: Partial<Record<Work, string>> = {
  'virtual-machines':
    'Add up what the machines that run at once are given; the host keeps 2 to 4 GB, or an eighth of its memory, for itself. A file system that caches in memory takes up to half of it unless its limit is set: set it so that machines and host fit beside it.',
}

/** The question for each fact the layout advice lacks. */
export const LAYOUT_QUESTION_WORDS: Record<Exclude<LayoutQuestion, 'SLOTS'>, string> = {
  INTERLEAVE:
    'How does its controller interleave unequal channels? Nobody knows, and it decides: a bandwidth measurement before and after tells, or the maker’s manual.',
  PROFILE: 'Is the memory profile on? Look in its BIOS/UEFI setup, or read a system report.',
  USES: 'What is it used for? Without that nobody can say whether the layout matters.',
  GRAPHICS:
    'Are the graphics in the processor? Then the layout decides how fast pictures are drawn.',
  GAMES_BOUND:
    'What limits the games? Which ones, at what resolution, with how many frames: ask under “Games”.',
}
