import {
  DndContext,
  type DragEndEvent,
  MouseSensor,
  TouchSensor,
  useDraggable,
  useSensor,
  useSensors,
} from '@dnd-kit/core'
import { lengthsOf } from '@tembrix/core/bench/fitting'
import type { ScrewPin } from '@tembrix/core/things/records'
import { type KeyboardEvent, type MouseEvent, useEffect, useRef, useState } from 'react'
import { CHOICES, tidy } from '../../../../base/format'
import { useZoom, ZoomButtons } from '../../../../parts/zoom'
import { usePicture } from '../../base/file'

interface Props {
  pins: readonly ScrewPin[]
  photoId: string | null
  chosen: string | null
  /** At closing: the pins whose screw is back in its hole. */
  back: ReadonlySet<string> | null
  /** Places a pin (0 to 1 from the upper left); null where none is placed any more. */
  onPlace: ((x: number, y: number) => void) | null
  onPin: (id: string) => void
  onMove: (id: string, x: number, y: number) => void
  onRemove: (id: string) => void
}

const STEP = 0.02
const ARROWS: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}

const within = (value: number) => Math.min(1, Math.max(0, Number(value.toFixed(4))))

/** A press becomes a drag once it has moved so far, px; a touch once it has stayed so long, ms. */
const BY_MOUSE = { activationConstraint: { distance: 4 } }
const BY_TOUCH = { activationConstraint: { delay: 120, tolerance: 6 } }
/** The blank outline’s width over its height. */
const BLANK = 1.5

/** The bottom of the machine with a numbered pin for each screw, by pointer or by keys; it is zoomed and moved. */
export function ScrewDrawing(props: Props) {
  const { pins, photoId, chosen, back, onPlace, onPin, onMove, onRemove } = props
  const [cross, setCross] = useState<{ x: number; y: number } | null>(null)
  const [ratio, setRatio] = useState(BLANK)
  const area = useRef<HTMLDivElement>(null)
  const { frame, style, nearer, further, whole } = useZoom()
  const sensors = useSensors(useSensor(MouseSensor, BY_MOUSE), useSensor(TouchSensor, BY_TOUCH))
  const lengths = lengthsOf(pins)
  const box = () => (area.current as HTMLDivElement).getBoundingClientRect()

  /** A click is of the main button alone, and none comes of moving the picture. */
  function clicked({ clientX, clientY }: MouseEvent) {
    const { left, top, width, height } = box()
    onPlace?.(within((clientX - left) / width), within((clientY - top) / height))
  }

  function keyed(event: KeyboardEvent) {
    const arrow = ARROWS[event.key]
    const now = cross ?? { x: 0.5, y: 0.5 }
    if (arrow) {
      const step = event.shiftKey ? 5 * STEP : STEP
      setCross({ x: within(now.x + arrow[0] * step), y: within(now.y + arrow[1] * step) })
    } else if (event.key === 'Enter' || event.key === ' ') {
      onPlace?.(now.x, now.y)
    } else return
    event.preventDefault()
  }

  function pinKeyed(event: KeyboardEvent, { id, x, y }: ScrewPin) {
    if (back) return
    const arrow = ARROWS[event.key]
    if (arrow) onMove(id, within(x + arrow[0] * (STEP / 2)), within(y + arrow[1] * (STEP / 2)))
    else if (event.key === 'Delete' || event.key === 'Backspace') onRemove(id)
    else return
    event.preventDefault()
  }

  function dropped({ active, delta }: DragEndEvent) {
    const pin = pins.find(({ id }) => id === active.id)
    const { width, height } = box()
    if (pin) onMove(pin.id, within(pin.x + delta.x / width), within(pin.y + delta.y / height))
  }

  return (
    <div
      className="mx-auto flex w-full flex-col items-end gap-1"
      style={{ maxWidth: `calc(70dvh * ${ratio})` }}
    >
      <div
        ref={frame}
        className="relative w-full touch-none overflow-hidden rounded-sm border-2 border-rule-2 bg-sheet-2"
        style={{ aspectRatio: ratio }}
      >
        <div ref={area} style={style} className="relative h-full w-full">
          {photoId ? (
            <Underneath photoId={photoId} onRatio={setRatio} />
          ) : (
            <Outline onRatio={setRatio} />
          )}
          {onPlace && (
            <button
              type="button"
              aria-label="Place a screw: press, or arrow keys and Enter"
              className="absolute inset-0 h-full w-full cursor-crosshair"
              onClick={clicked}
              onKeyDown={keyed}
              onFocus={(event) =>
                event.target.matches(':focus-visible') && setCross({ x: 0.5, y: 0.5 })
              }
              onBlur={() => setCross(null)}
            />
          )}
          {cross && (
            <span
              aria-hidden
              className="pointer-events-none absolute size-6 -translate-1/2 border-t-2 border-l-2 border-stop"
              style={{ left: `${cross.x * 100}%`, top: `${cross.y * 100}%` }}
            />
          )}
          <DndContext sensors={sensors} onDragEnd={dropped}>
            {pins.map((pin, at) => (
              <Pin
                key={pin.id}
                pin={pin}
                number={at + 1}
                lengths={lengths}
                chosen={pin.id === chosen && !back}
                pressed={back ? back.has(pin.id) : pin.id === chosen}
                back={back?.has(pin.id) ?? false}
                fixed={back !== null}
                widthOf={() => area.current}
                onPress={() => onPin(pin.id)}
                onKey={(event) => pinKeyed(event, pin)}
              />
            ))}
          </DndContext>
        </div>
      </div>
      <ZoomButtons nearer={nearer} further={further} whole={whole} />
    </div>
  )
}

interface PinProps {
  pin: ScrewPin
  number: number
  lengths: readonly number[]
  chosen: boolean
  pressed: boolean
  back: boolean
  /** Not moved any more: the screws go back. */
  fixed: boolean
  widthOf: () => HTMLElement | null
  onPress: () => void
  onKey: (event: KeyboardEvent) => void
}

function Pin(props: PinProps) {
  const { pin, number, lengths, chosen, pressed, back, fixed, widthOf, onPress, onKey } = props
  const { setNodeRef, listeners, transform } = useDraggable({ id: pin.id, disabled: fixed })
  // The drag is measured on the screen, the picture may be zoomed.
  const box = transform ? widthOf()?.getBoundingClientRect() : undefined
  const x = pin.x + (transform && box ? transform.x / box.width : 0)
  const y = pin.y + (transform && box ? transform.y / box.height : 0)
  return (
    <button
      type="button"
      ref={setNodeRef}
      {...listeners}
      aria-label={`Screw ${number}, ${tidy(pin.lengthMm)} mm, ${CHOICES.head[pin.head]}${pin.captive ? ', captive' : ''}${pin.leftOut ? ', left out' : ''}${back ? ', back' : ''}`}
      aria-pressed={pressed}
      onClick={onPress}
      onKeyDown={onKey}
      className={`pin absolute grid size-11 -translate-1/2 touch-none place-items-center ${chosen ? 'rounded-full ring-3 ring-gold-line' : ''} ${back || pin.leftOut ? 'opacity-45' : ''}`}
      style={{ left: `${x * 100}%`, top: `${y * 100}%` }}
    >
      <PinMark pin={pin} lengths={lengths} number={String(number)} />
    </button>
  )
}

/** Outlines in a box of 24, so that a length is told by its shape as well as by its hue. */
const SHAPES = [
  'M12 1.5a10.5 10.5 0 1 1 0 21a10.5 10.5 0 1 1 0-21z',
  'M2 2h20v20H2z',
  'M12 0.5L24 22.5H0z',
  'M12 0L24 12L12 24L0 12z',
  'M6 1.5h12L24 12l-6 10.5H6L0 12z',
]

interface MarkProps {
  pin: ScrewPin
  lengths: readonly number[]
  number: string
}

/** A screw's sign: shape and hue by length, its number in it; captive ones hollow. */
export function PinMark({ pin, lengths, number }: MarkProps) {
  const kind = Math.max(0, lengths.indexOf(pin.lengthMm))
  const shape = SHAPES[kind % SHAPES.length]
  const hue = `channel-${(kind % 4) + 1}`
  return (
    <span className={`relative grid size-7 shrink-0 place-items-center ${hue}`} aria-hidden>
      <svg viewBox="-1 -1 26 26" className="absolute inset-0" aria-hidden="true">
        <path
          d={shape}
          fill={pin.captive ? 'var(--sheet)' : 'var(--ch)'}
          stroke="var(--ch)"
          strokeWidth="2"
        />
      </svg>
      <b
        className={`relative text-xs font-bold ${pin.captive ? 'text-ink' : 'text-[var(--ch-ink)]'} ${pin.leftOut ? 'line-through' : ''}`}
      >
        {number}
      </b>
    </span>
  )
}

/** A blank bottom: a rounded body with its hinge side on top, feet and vents. */
function Outline({ onRatio }: { onRatio: (ratio: number) => void }) {
  useEffect(() => onRatio(BLANK), [onRatio])
  return (
    <svg viewBox="0 0 300 200" className="absolute inset-0 h-full w-full" aria-hidden="true">
      <rect
        x="8"
        y="8"
        width="284"
        height="184"
        rx="10"
        fill="none"
        stroke="var(--rule-2)"
        strokeWidth="2"
      />
      <path d="M40 8h50M210 8h50" stroke="var(--rule-2)" strokeWidth="6" />
      {[22, 262].map((x) =>
        [24, 166].map((y) => (
          <rect
            key={`${x} ${y}`}
            x={x}
            y={y}
            width="16"
            height="10"
            rx="4"
            fill="none"
            stroke="var(--rule)"
            strokeWidth="1.5"
          />
        )),
      )}
      <path
        d="M110 34h80M110 42h80M110 50h80"
        stroke="var(--rule)"
        strokeWidth="2"
        strokeDasharray="6 4"
      />
    </svg>
  )
}

/** The picture, in its own shape. */
function Underneath({ photoId, onRatio }: { photoId: string; onRatio: (ratio: number) => void }) {
  return (
    <img
      src={usePicture(photoId)}
      alt="The bottom of the machine"
      draggable={false}
      onLoad={({ currentTarget: { naturalWidth, naturalHeight } }) =>
        naturalHeight > 0 && onRatio(naturalWidth / naturalHeight)
      }
      className="absolute inset-0 h-full w-full"
    />
  )
}
