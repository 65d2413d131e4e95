import type { Setup } from './setup'
import type { FitCode } from './step'

/** Codes of steps that reach into the machine. */
const TOUCHES: ReadonlySet<FitCode> = new Set([
  'TAKE_OUT',
  'PUT_IN',
  'RESEAT',
  'CLEAN_CONTACTS',
  'CONNECTORS',
  'CLEAR_SETUP',
  'DRIVE_OUT',
  'DRIVE_IN',
])

export const touchesParts = (steps: readonly { code: FitCode }[]): boolean =>
  steps.some(({ code }) => TOUCHES.has(code))

/** The cautions of work on this machine: all that apply, whether it reaches inside or only into the setup. */
export function cautionsOf(setup: Setup, inside: boolean): FitCode[] {
  const { kind, battery, fastening, standby, behindDisplay, laysDown, inTheWay } = setup
  const codes: FitCode[] = ['CAUTION_MAKER', 'CAUTION_BACKUP', 'CAUTION_KEY']
  if (!inside) return codes
  if (kind === 'laptop') {
    codes.push('CAUTION_SWOLLEN')
    if (battery !== 'none') codes.push('CAUTION_BATTERY')
  } else codes.push('CAUTION_MAINS')
  codes.push('CAUTION_SURFACE')
  if (behindDisplay) codes.push('CAUTION_DISPLAY')
  if (laysDown) codes.push('CAUTION_HATCH')
  if (standby) codes.push('CAUTION_STANDBY')
  if (fastening === 'screws') codes.push('CAUTION_SCREWED')
  if (inTheWay.includes('cooler')) codes.push('CAUTION_COOLER')
  if (inTheWay.includes('card')) codes.push('CAUTION_CARD')
  if (kind === 'workstation') codes.push('CAUTION_NONVOLATILE')
  return codes
}
