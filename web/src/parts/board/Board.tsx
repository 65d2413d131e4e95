import type { Finding } from '@tembrix/core/things/model'
import type { Assignment } from '@tembrix/core/things/records'
import { useMemo } from 'react'
import { capacity } from '../../base/format'
import { ChannelMark } from './ChannelMark'
import { channelClass } from './channels'
import { useDesk } from './DeskContext'
import { at, layoutOf, type Rect } from './layout'
import { pieceKey, SlotView } from './SlotView'

interface Props {
  findings: readonly Finding[]
  /** What was in the slots before, to mark what changes. */
  before?: Assignment | undefined
  /** Slots the hands are at. */
  lit?: readonly string[]
}

/** The machine's board with its slots as they sit, and what is in them. */
export function Board({ findings, before, lit = [] }: Props) {
  const machine = useDesk((desk) => desk.machine)
  const layout = useMemo(() => layoutOf(machine), [machine])
  const stopped = new Set(
    findings.flatMap(({ severity, slots }) => (severity === 'stop' ? slots : [])),
  )
  return (
    <section
      aria-label="Board"
      className="h-full min-h-56 overflow-x-auto overflow-y-hidden rounded-md border-2 border-pcb-2 bg-pcb text-pcb-ink"
    >
      <div className="relative h-full" style={{ minWidth: layout.leastWidth }}>
        <Traces />
        <div
          style={at(layout.processor)}
          className="grid place-items-center border-2 border-pcb-line bg-pcb-2 p-1 text-center text-sm"
        >
          processor
        </div>
        {machine.soldered.map(({ channel, module }, index) => (
          <div
            // biome-ignore lint/suspicious/noArrayIndexKey: banks have no name and keep their places
            key={index}
            style={at(layout.banks[index] as Rect)}
            className={`flex items-stretch overflow-hidden rounded-xs border border-pcb-line bg-pcb-2 ${channelClass(machine.channels, channel)}`}
          >
            <ChannelMark channel={channel} />
            <span className="grid flex-1 place-items-center px-1 text-center leading-tight">
              <span>
                <b className="font-semibold">{capacity(module.capacityGiB)}</b>
                <span className="block text-sm">soldered</span>
              </span>
            </span>
          </div>
        ))}
        {machine.slots.map((slot, index) => (
          <SlotView
            key={slot.id}
            slot={slot}
            number={index + 1}
            place={layout.slots[slot.id] as Rect}
            upright={layout.upright}
            stopped={stopped.has(slot.id)}
            lit={lit.includes(slot.id)}
            before={before ? pieceKey(before[slot.id]) : undefined}
          />
        ))}
      </div>
    </section>
  )
}

/** Faint conductor lines behind the parts, for the eye to take the board as one. */
function Traces() {
  return (
    <svg
      aria-hidden="true"
      className="absolute inset-0 h-full w-full text-pcb-line opacity-25"
      preserveAspectRatio="none"
      viewBox="0 0 100 100"
    >
      {[38, 44, 50, 56, 62].map((y) => (
        <path
          key={y}
          d={`M0 ${y}H100`}
          stroke="currentColor"
          strokeWidth="1"
          vectorEffect="non-scaling-stroke"
        />
      ))}
    </svg>
  )
}
