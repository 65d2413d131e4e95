import type { Machine, Place } from '@tembrix/core/things/model'

/** A rectangle on the drawn board, in per cent of its width and height. */
export type Rect = Place

/** The style that puts an element there. */
export const at = ({ left, top, width, height }: Rect) =>
  ({
    position: 'absolute',
    left: `${left}%`,
    top: `${top}%`,
    width: `${width}%`,
    height: `${height}%`,
  }) as const

export interface BoardLayout {
  processor: Rect
  slots: Record<string, Rect>
  banks: Rect[]
  /** Upright modules stand in columns, as full-size ones do; lying ones in rows. */
  upright: boolean
  /** Narrower than this, in pixels, a module’s figures no longer fit into its slot. */
  leastWidth: number
}

const GAP = 2

/** What the figures of a module need, px: under each other where it stands, side by side where it lies. */
const UPRIGHT_WIDTH = 45
const LYING_WIDTH = 176

/**
 * Where things sit on a board of this kind, with slots in the order in which the machine lists them,
 * but for those that the record gives a place.
 */
export function layoutOf({ formFactor, slots, soldered }: Machine): BoardLayout {
  const ids = slots.map(({ id }) => id)
  const upright = formFactor === 'DIMM'
  const arrange = upright ? (ids.length > 4 ? bothSides : oneSide) : rows
  const { processor, areas } = arrange(ids)
  const placed = slots.flatMap(({ id, place }) => (place ? [[id, place] as const] : []))
  const drawn = { ...areas, ...Object.fromEntries(placed) }
  const narrowest = Math.min(100, ...Object.values(drawn).map(({ width }) => width))
  return {
    processor,
    slots: drawn,
    banks: bankRects(soldered.length, ids.length, processor),
    upright,
    leastWidth: Math.round(((upright ? UPRIGHT_WIDTH : LYING_WIDTH) * 100) / narrowest),
  }
}

interface Placed {
  processor: Rect
  areas: Record<string, Rect>
}

function oneSide(ids: string[]): Placed {
  return {
    processor: { left: 5, top: 27, width: 24, height: 46 },
    areas: columns(ids, { left: 36, top: 5, width: 61, height: 90 }),
  }
}

function bothSides(ids: string[]): Placed {
  const half = Math.ceil(ids.length / 2)
  return {
    processor: { left: 41, top: 30, width: 18, height: 40 },
    areas: {
      ...columns(ids.slice(0, half), { left: 2, top: 5, width: 37, height: 90 }),
      ...columns(ids.slice(half), { left: 61, top: 5, width: 37, height: 90 }),
    },
  }
}

function columns(ids: string[], area: Rect): Record<string, Rect> {
  const width = Math.min((area.width - GAP * (ids.length - 1)) / ids.length, 15)
  const used = ids.length * width + (ids.length - 1) * GAP
  const start = area.left + (area.width - used) / 2
  return Object.fromEntries(
    ids.map((id, at) => [id, { ...area, left: start + at * (width + GAP), width }]),
  )
}

function rows(ids: string[]): Placed {
  const across = ids.length > 3 ? 2 : 1
  const down = Math.max(1, Math.ceil(ids.length / across))
  const area = { left: 33, top: 6, width: 64, height: 88 }
  const width = (area.width - GAP * (across - 1)) / across
  const height = Math.min((area.height - 4 * (down - 1)) / down, 42)
  const used = down * height + (down - 1) * 4
  const top = area.top + (area.height - used) / 2
  const areas = ids.map((id, at): [string, Rect] => [
    id,
    {
      left: area.left + Math.floor(at / down) * (width + GAP),
      top: top + (at % down) * (height + 4),
      width,
      height,
    },
  ])
  return {
    processor: { left: 4, top: 10, width: 24, height: 40 },
    areas: Object.fromEntries(areas),
  }
}

/** Soldered banks sit under the processor, or take the board where there is no slot. */
function bankRects(count: number, slots: number, processor: Rect): Rect[] {
  if (count === 0) return []
  const area =
    slots === 0
      ? { left: 36, top: 20, width: 58, height: 60 }
      : {
          left: processor.left,
          top: processor.top + processor.height + 6,
          width: processor.width,
          height: Math.min(30, 94 - processor.top - processor.height - 6),
        }
  const height = (area.height - 4 * (count - 1)) / count
  return Array.from({ length: count }, (_, at) => ({
    ...area,
    top: area.top + at * (height + 4),
    height,
  }))
}
