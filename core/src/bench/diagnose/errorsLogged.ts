import type { ErrorLog } from '../../things/model'

/** Hardware errors of one sort after another. */
export interface NewErrors {
  corrected: number
  uncorrected: number
  machineChecks: number
  /** Slots, as the system names them, with more memory errors than before. */
  slots: string[]
}

/**
 * Errors that came since an earlier log. One that goes back to the start of the system holds only what came since
 * then; of one that the system keeps, what the earlier one had is taken off. Null where there is no earlier log of
 * what is kept: nobody knows when its errors came.
 */
export function newErrors(log: ErrorLog, earlier: ErrorLog | null): NewErrors | null {
  const before = log.since === 'start' ? NONE : earlier?.since === 'kept' ? earlier : null
  if (!before) return memoryErrors(log) + log.machineChecks === 0 ? since(log, NONE) : null
  return since(log, before)
}

const NONE: Omit<ErrorLog, 'since'> = {
  corrected: 0,
  uncorrected: 0,
  machineChecks: 0,
  bySlot: {},
}

function since(log: ErrorLog, before: Omit<ErrorLog, 'since'>): NewErrors {
  const more = (of: 'corrected' | 'uncorrected' | 'machineChecks') =>
    Math.max(0, log[of] - before[of])
  return {
    corrected: more('corrected'),
    uncorrected: more('uncorrected'),
    machineChecks: more('machineChecks'),
    slots: Object.entries(log.bySlot).flatMap(([slot, count]) =>
      count > (before.bySlot[slot] ?? 0) ? [slot] : [],
    ),
  }
}

/** Memory errors, corrected or not. */
export const memoryErrors = (log: Pick<NewErrors, 'corrected' | 'uncorrected'>): number =>
  log.corrected + log.uncorrected
