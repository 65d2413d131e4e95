import type { Machine } from '../model'
import type { FitCode, Tool } from './step'

/** One thing taken off or out on the way to the board, and what puts it back. */
export interface Removal {
  off: FitCode
  on: FitCode
  tools: Tool[]
  text?: string
}

export interface Openness {
  kind: Machine['kind']
  /** Whether an all-in-one has a hatch over its slots. */
  hatch: boolean
  /** What the model's record names beneath the outer cover, outermost first. */
  covers: readonly { cover: string; hides: string }[]
}

const remove = (off: FitCode, on: FitCode, tools: Tool[]): Removal => ({ off, on, tools })

const SCREWS = remove('SCREWS_OUT', 'SCREWS_IN', [
  'screwdriver-small',
  'screwdriver-fine',
  'screw-tray',
])
const COVER = remove('COVER_OFF', 'COVER_ON', ['pry-card'])
const BATTERY = remove('BATTERY_OFF', 'BATTERY_ON', ['tweezers'])

/**
 * What has to come off, in that order; closing puts it back in the reverse. The battery of a laptop
 * comes off before anything on the board is touched.
 */
export function removals({ kind, hatch, covers }: Openness): Removal[] {
  const parts = covers.map(
    ({ cover, hides }): Removal => ({
      off: 'PART_OFF',
      on: 'PART_ON',
      tools: ['screwdriver-small'],
      text: hides === '' ? cover : `${cover}: ${hides}`,
    }),
  )
  switch (kind) {
    case 'laptop':
      return [SCREWS, COVER, BATTERY, ...parts]
    case 'all-in-one':
      return hatch
        ? [remove('HATCH_OFF', 'HATCH_ON', ['screwdriver-small', 'screw-tray']), ...parts]
        : [remove('DISPLAY_OFF', 'DISPLAY_ON', ['suction-cup', 'pry-card']), ...parts]
    case 'small-form-factor':
      return [
        remove('TOP_OFF', 'TOP_ON', ['screwdriver-small']),
        ...(parts.length > 0 ? parts : [remove('CAGE_OUT', 'CAGE_IN', ['screwdriver-small'])]),
      ]
    case 'workstation':
      return [
        remove('SIDE_OFF', 'SIDE_ON', []),
        ...(parts.length > 0 ? parts : [remove('SHROUD_OUT', 'SHROUD_IN', [])]),
      ]
    case 'desktop':
      return [remove('SIDE_OFF', 'SIDE_ON', ['screwdriver-small']), ...parts]
  }
}
