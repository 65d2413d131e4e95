import { lengthsOf } from '@tembrix/core/fitting'
import type { ScrewPin } from '@tembrix/core/records'
import { type KeyboardEvent, type PointerEvent, useRef, useState } from 'react'
import { tidy } from '../../../base/ui'
import { usePicture } from '../file'
import { HEAD_NAMES } from './words'

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

/** The bottom of the machine with a numbered pin for each screw, by pointer or by keys. */
export function ScrewDrawing(props: Props) {
  const { pins, photoId, chosen, back, onPlace, onPin, onMove, onRemove } = props
  const [cross, setCross] = useState<{ x: number; y: number } | null>(null)
  const area = useRef<HTMLDivElement>(null)
  const lengths = lengthsOf(pins)
  const spot = (event: PointerEvent) => {
    const box = (area.current as HTMLDivElement).getBoundingClientRect()
    return {
      x: within((event.clientX - box.left) / box.width),
      y: within((event.clientY - box.top) / box.height),
    }
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

  return (
    <div
      ref={area}
      className="relative aspect-[3/2] w-full overflow-hidden rounded-sm border-2 border-rule-2 bg-sheet-2"
    >
      {photoId ? <Underneath photoId={photoId} /> : <Outline />}
      {onPlace && (
        <button
          type="button"
          aria-label="Place a screw: press, or arrow keys and Enter"
          className="absolute inset-0 h-full w-full cursor-crosshair"
          onPointerUp={(event) => {
            const { x, y } = spot(event)
            onPlace(x, y)
          }}
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
      {pins.map((pin, at) => (
        <button
          key={pin.id}
          type="button"
          aria-label={`Screw ${at + 1}, ${tidy(pin.lengthMm)} mm, ${HEAD_NAMES[pin.head]}${pin.captive ? ', captive' : ''}${pin.leftOut ? ', left out' : ''}${back?.has(pin.id) ? ', back' : ''}`}
          aria-pressed={back ? back.has(pin.id) : pin.id === chosen}
          onClick={() => onPin(pin.id)}
          onKeyDown={(event) => pinKeyed(event, pin)}
          className={`absolute grid size-9 -translate-1/2 place-items-center ${pin.id === chosen && !back ? 'rounded-full ring-3 ring-gold-line' : ''} ${back?.has(pin.id) || pin.leftOut ? 'opacity-45' : ''}`}
          style={{ left: `${pin.x * 100}%`, top: `${pin.y * 100}%` }}
        >
          <PinMark pin={pin} lengths={lengths} number={String(at + 1)} />
        </button>
      ))}
    </div>
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
function Outline() {
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

function Underneath({ photoId }: { photoId: string }) {
  return (
    <img
      src={usePicture(photoId)}
      alt="The bottom of the machine"
      className="absolute inset-0 h-full w-full object-fill"
    />
  )
}
