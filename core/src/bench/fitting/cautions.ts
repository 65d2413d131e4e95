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
])

export const touchesParts = (steps: readonly { code: FitCode }[]): boolean =>
  steps.some(({ code }) => TOUCHES.has(code))

/** The cautions of work on this machine: all that apply, whether it reaches inside or only into the setup. */
export function cautionsOf(setup: Setup, inside: boolean): FitCode[] {
  const { kind, battery, fastening, generation, behindDisplay } = setup
  const codes: FitCode[] = ['CAUTION_MAKER', 'CAUTION_BACKUP', 'CAUTION_KEY']
  if (!inside) return codes
  if (kind === 'laptop') {
    codes.push('CAUTION_SWOLLEN')
    if (battery !== 'none') codes.push('CAUTION_BATTERY')
  } else codes.push('CAUTION_MAINS')
  if (behindDisplay) codes.push('CAUTION_DISPLAY')
  if (generation === 'DDR5') codes.push('CAUTION_STANDBY')
  if (fastening === 'screws') codes.push('CAUTION_SCREWED')
  if (kind === 'desktop' || kind === 'workstation') codes.push('CAUTION_COOLER')
  return codes
}
