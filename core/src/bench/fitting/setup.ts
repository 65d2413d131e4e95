import {
  type Battery,
  type Fastening,
  fasteningOf,
  IN_THE_WAY,
  type InTheWay,
  type Machine,
  type TestFrom,
} from '../../things/model'
import type { FitCode, Tool } from './step'

/** One thing taken off or out on the way to the board, and what puts it back. */
export interface Removal {
  off: FitCode
  on: FitCode
  tools: Tool[]
  text?: string
}

/** What is known of how a machine is opened; null where nobody has said. */
export interface Openness {
  /** Whether there is a hatch over the slots: of an all-in-one, or of a laptop. */
  hatch: boolean | null
  battery: Battery | null
  static: 'strap' | 'touch'
  /** What the model's record names beneath the outer cover, outermost first. */
  covers: readonly { cover: string; hides: string }[]
  /** Parts over the slots that come off, beside the covers. */
  inTheWay: readonly InTheWay[]
  /** Source of the memory test, which keeps untested memory out of the customer's system. */
  testFrom: TestFrom
}

/** A machine as a sequence of steps sees it. */
export interface Setup {
  kind: Machine['kind']
  generation: Machine['generation']
  /** Its modules have a regulator that is fed while the machine is off. */
  standby: boolean
  fastening: Fastening
  battery: Battery
  static: 'strap' | 'touch'
  /** What has to come off, outermost first; closing puts it back in the reverse. */
  way: Removal[]
  /** How many of the outermost removals may be off while it runs. */
  mayStayOff: number
  /** It is laid on its display to be opened. */
  laysDown: boolean
  inTheWay: readonly InTheWay[]
  testFrom: TestFrom
  /** The slots are reached behind the display, or nobody has said that they are not. */
  behindDisplay: boolean
}

const remove = (off: FitCode, on: FitCode, tools: Tool[]): Removal => ({ off, on, tools })

const SCREWS = remove('SCREWS_OUT', 'SCREWS_IN', [
  'screwdriver-small',
  'screwdriver-fine',
  'screwdriver-star',
  'screw-tray',
])
const COVER = remove('COVER_OFF', 'COVER_ON', ['pry-card'])
/** No metal near a live plug. */
const BATTERY = remove('BATTERY_OFF', 'BATTERY_ON', ['pry-card'])

/**
 * The way to the board. A laptop's battery plug comes off before anything on the board is touched;
 * where nobody has said otherwise, a laptop has one. An all-in-one opens by its display until a hatch
 * was seen. Whatever lies beneath the outer cover is back before it is started.
 */
export function setupOf(
  {
    kind,
    generation,
    formFactor,
    fastening,
  }: Pick<Machine, 'kind' | 'generation' | 'formFactor' | 'fastening'>,
  { hatch, battery, static: against, covers, inTheWay, testFrom }: Openness,
): Setup {
  const parts = covers.map(
    ({ cover, hides }): Removal => ({
      off: 'PART_OFF',
      on: 'PART_ON',
      tools: ['screwdriver-small'],
      text: hides === '' ? cover : `${cover}: ${hides}`,
    }),
  )
  const cut: Battery = kind === 'laptop' ? (battery ?? 'plug') : 'none'
  const behindDisplay = kind === 'all-in-one' && hatch !== true
  const outer = outerOf(kind, behindDisplay, hatch === true)
  const inner = cut === 'plug' ? [BATTERY] : []
  return {
    kind,
    generation,
    standby: generation === 'DDR5' || formFactor === 'CAMM2',
    fastening: fasteningOf({ formFactor, fastening }),
    battery: cut,
    static: against,
    way: [
      ...outer,
      ...inner,
      ...(parts.length > 0 ? parts : usualParts(kind)),
      ...IN_THE_WAY.filter((one) => inTheWay.includes(one)).map((one) => OVER_SLOTS[one]),
    ],
    // The display is set in place for a start, and fastened once all is well.
    mayStayOff: behindDisplay ? 1 : outer.length,
    laysDown: kind === 'all-in-one' && !behindDisplay,
    inTheWay,
    testFrom,
    behindDisplay,
  }
}

const OVER_SLOTS: Record<InTheWay, Removal> = {
  card: remove('CARD_OUT', 'CARD_IN', ['screwdriver-small']),
  cooler: remove('COOLER_OFF', 'COOLER_ON', [
    'screwdriver-small',
    'cleaning-cloth',
    'thermal-paste',
  ]),
}

const HATCH = remove('HATCH_OFF', 'HATCH_ON', ['screwdriver-small', 'screw-tray'])

function outerOf(kind: Machine['kind'], behindDisplay: boolean, hatch: boolean): Removal[] {
  switch (kind) {
    case 'laptop':
      return hatch ? [HATCH] : [SCREWS, COVER]
    case 'all-in-one':
      return behindDisplay
        ? [
            remove('DISPLAY_LOOSE', 'DISPLAY_ON', ['suction-cup', 'pry-card']),
            remove('DISPLAY_OFF', 'DISPLAY_SET', []),
          ]
        : [HATCH]
    case 'small-form-factor':
      return [remove('TOP_OFF', 'TOP_ON', ['screwdriver-small'])]
    case 'workstation':
      return [remove('SIDE_OFF', 'SIDE_ON', [])]
    case 'desktop':
      return [remove('SIDE_OFF', 'SIDE_ON', ['screwdriver-small'])]
  }
}

function usualParts(kind: Machine['kind']): Removal[] {
  switch (kind) {
    case 'small-form-factor':
      return [remove('CAGE_OUT', 'CAGE_IN', ['screwdriver-small'])]
    case 'workstation':
      return [remove('SHROUD_OUT', 'SHROUD_IN', [])]
    default:
      return []
  }
}
