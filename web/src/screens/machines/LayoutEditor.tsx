import {
  DndContext,
  type DragEndEvent,
  PointerSensor,
  useDraggable,
  useSensor,
  useSensors,
} from '@dnd-kit/core'
import type { Machine, Place, Slot } from '@tembrix/core/things/model'
import { RotateCcw } from 'lucide-react'
import { type KeyboardEvent, useRef } from 'react'
import { Button } from '../../base/ui'
import { at, channelClass, layoutOf, type Rect } from '../../parts/board'
import { useZoom, ZoomButtons } from '../../parts/zoom'

interface Props {
  machine: Machine
  onSlots: (slots: Slot[]) => void
}

const STEP = 1

/** The board's drawing with its slots to be put where they sit: by dragging, or with the arrow keys. */
export function LayoutEditor({ machine, onSlots }: Props) {
  const board = useRef<HTMLDivElement>(null)
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 4 } }))
  const layout = layoutOf(machine)
  const { frame, style, scale, nearer, further, whole } = useZoom()

  function put(id: string, place: Place | undefined) {
    onSlots(
      machine.slots.map((slot) => {
        if (slot.id !== id) return slot
        const { place: _, ...rest } = slot
        return place ? { ...rest, place } : rest
      }),
    )
  }

  function ended({ active, delta }: DragEndEvent) {
    const box = board.current?.getBoundingClientRect()
    const id = String(active.id)
    const rect = layout.slots[id]
    if (!box || !rect) return
    const moved = { x: (delta.x / box.width) * 100, y: (delta.y / box.height) * 100 }
    put(id, within({ ...rect, left: rect.left + moved.x, top: rect.top + moved.y }))
  }

  function keyed(id: string, event: KeyboardEvent) {
    const rect = layout.slots[id]
    const direction = ARROWS[event.key]
    if (!rect || !direction) return
    event.preventDefault()
    const [x, y] = direction
    put(
      id,
      within(
        event.shiftKey
          ? { ...rect, width: rect.width + x * STEP, height: rect.height + y * STEP }
          : { ...rect, left: rect.left + x * STEP, top: rect.top + y * STEP },
      ),
    )
  }

  return (
    <section aria-label="Drawing" className="flex flex-col gap-1">
      <DndContext sensors={sensors} onDragEnd={ended}>
        <div
          ref={frame}
          className="relative aspect-[16/9] w-full touch-none overflow-hidden rounded-md border-2 border-pcb-2 bg-pcb text-pcb-ink"
        >
          <div ref={board} style={style} className="relative h-full w-full">
            <div
              style={at(layout.processor)}
              className="grid place-items-center border-2 border-pcb-line bg-pcb-2 p-1 text-center text-sm"
            >
              processor
            </div>
            {machine.slots.map((slot) => (
              <SlotHandle
                key={slot.id}
                slot={slot}
                place={layout.slots[slot.id] as Rect}
                channel={channelClass(machine.channels, slot.channel)}
                scale={scale}
                onKey={(event) => keyed(slot.id, event)}
              />
            ))}
            {machine.slots.length === 0 && (
              <p className="absolute inset-0 grid place-items-center">No slot: all is soldered.</p>
            )}
          </div>
        </div>
      </DndContext>
      <div className="flex flex-wrap items-center gap-2 text-sm text-ink-2">
        <span className="grow basis-60">
          Drag a slot to where it sits; arrow keys move it, with Shift they size it. Ctrl and the
          wheel or two fingers zoom.
        </span>
        <Button
          look="quiet"
          disabled={machine.slots.every(({ place }) => !place)}
          onClick={() => onSlots(machine.slots.map(({ place: _, ...slot }) => slot))}
        >
          <RotateCcw size={15} aria-hidden /> Place by itself
        </Button>
        <ZoomButtons nearer={nearer} further={further} whole={whole} />
      </div>
    </section>
  )
}

const ARROWS: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}

const LEAST = { width: 4, height: 6 }

/** The rectangle moved and cut so that all of it is on the board, to a tenth of a per cent. */
function within({ left, top, width, height }: Rect): Rect {
  const tenth = (value: number) => Math.round(value * 10) / 10
  const size = {
    width: tenth(Math.min(100, Math.max(LEAST.width, width))),
    height: tenth(Math.min(100, Math.max(LEAST.height, height))),
  }
  return {
    ...size,
    left: tenth(Math.min(100 - size.width, Math.max(0, left))),
    top: tenth(Math.min(100 - size.height, Math.max(0, top))),
  }
}

interface HandleProps {
  slot: Slot
  place: Rect
  channel: string
  /** How much larger the board is drawn than it is. */
  scale: number
  onKey: (event: KeyboardEvent) => void
}

function SlotHandle({ slot, place, channel, scale, onKey }: HandleProps) {
  const { setNodeRef, listeners, transform } = useDraggable({ id: slot.id })
  const moved = transform
    ? `translate(${transform.x / scale}px, ${transform.y / scale}px)`
    : undefined
  return (
    <button
      type="button"
      ref={setNodeRef}
      {...listeners}
      onKeyDown={onKey}
      aria-label={`Slot ${slot.id}, drawn at ${Math.round(place.left)}, ${Math.round(place.top)}`}
      style={{ ...at(place), transform: moved }}
      className={`${channel} pin grid touch-none place-items-center rounded-sm border-2 border-pcb-line bg-pcb-2 font-mono font-semibold`}
    >
      <span className="channel-hatch absolute inset-x-0 top-0 h-2" aria-hidden />
      {slot.id}
      <span className="text-center text-xs font-normal">
        {slot.order === null ? '' : `fill ${slot.order}`}
        {slot.color ? ` ${slot.color}` : ''}
      </span>
    </button>
  )
}
