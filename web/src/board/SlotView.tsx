import { useDraggable, useDroppable } from '@dnd-kit/core'
import type { Slot } from '@tembrix/core/model'
import type { CSSProperties, KeyboardEvent } from 'react'
import { ChannelMark } from './ChannelMark'
import { channelClass } from './channels'
import type { Dragged } from './Desk'
import { useDesk } from './DeskContext'
import { ModuleFace } from './ModuleFace'
import { describeModule } from './words'

export type Change = 'comes' | 'stays' | 'goes' | 'none'

interface Props {
  slot: Slot
  /** The key that puts a held piece here. */
  number: number
  style: CSSProperties
  upright: boolean
  stopped: boolean
  change?: Change | undefined
}

const MARKS: Record<Change, string | undefined> = {
  comes: 'new',
  goes: 'taken out',
  stays: undefined,
  none: undefined,
}

export function SlotView({ slot, number, style, upright, stopped, change = 'none' }: Props) {
  const desk = useDesk()
  const assigned = desk.assignment[slot.id]
  const piece = assigned && desk.pieces.get(assigned.moduleId)
  const held = desk.held
  const isHeld =
    held !== null &&
    assigned !== undefined &&
    held.assigned.moduleId === assigned.moduleId &&
    held.assigned.unit === assigned.unit
  const target = useDroppable({ id: slot.id })
  const source = useDraggable({
    id: `slot:${slot.id}`,
    data: { moduleId: assigned?.moduleId, slot: slot.id } satisfies Partial<Dragged>,
    disabled: !piece,
  })

  function press() {
    if (held && !isHeld) desk.put(slot.id)
    else if (isHeld) desk.drop()
    else if (assigned) desk.pick(assigned.moduleId, slot.id)
  }

  function keyed(event: KeyboardEvent) {
    if (event.key === 'Delete' || event.key === 'Backspace') {
      desk.takeOut(slot.id)
      event.preventDefault()
    }
  }

  const contents = piece ? describeModule(piece.module) : 'empty'
  const edge = stopped
    ? 'border-stop ring-2 ring-stop bg-stop-soft text-ink'
    : target.isOver || isHeld
      ? 'border-gold-line ring-2 ring-gold-line bg-pcb-2'
      : held
        ? 'border-dashed border-gold-line bg-pcb-2'
        : 'border-pcb-line bg-pcb-2'

  return (
    <div ref={target.setNodeRef} style={style} data-over={target.isOver}>
      <button
        type="button"
        ref={source.setNodeRef}
        {...source.listeners}
        aria-label={`Slot ${slot.id}, channel ${slot.channel}: ${contents}`}
        onClick={press}
        onKeyDown={keyed}
        className={`flex h-full w-full touch-manipulation overflow-hidden rounded-sm border-2 ${upright ? 'flex-col' : 'flex-row'} ${edge} ${channelClass(desk.machine.channels, slot.channel)}`}
      >
        <SlotHead slot={slot} number={held && !isHeld ? number : null} upright={upright} />
        <span className={`min-h-0 min-w-0 flex-1 ${upright ? 'px-1 pb-1' : 'py-1 pr-1'}`}>
          {piece ? (
            <ModuleFace
              module={piece.module}
              upright={upright}
              roomy={!upright}
              chosen={isHeld || change === 'comes'}
              mark={MARKS[change]}
            />
          ) : (
            <span className="grid h-full place-items-center rounded-xs border border-dashed border-pcb-line text-sm">
              {MARKS[change] ?? 'empty'}
            </span>
          )}
        </span>
      </button>
    </div>
  )
}

interface HeadProps {
  slot: Slot
  number: number | null
  upright: boolean
}

/** The lettering as printed, the channel, and the maker's filling order; or the key to press while a piece is held. */
function SlotHead({ slot, number, upright }: HeadProps) {
  return (
    <span className={`flex shrink-0 items-stretch ${upright ? 'flex-col' : 'w-24 flex-row'}`}>
      <ChannelMark channel={slot.channel} />
      <span className="flex flex-1 flex-col items-center justify-center py-0.5 leading-tight">
        <b className="font-mono text-[1.05rem] font-semibold">{slot.id}</b>
        {number !== null ? (
          <kbd className="rounded-xs bg-gold-soft px-1.5 font-mono text-sm font-semibold text-gold">
            key {number}
          </kbd>
        ) : (
          <span className="text-[0.8rem]">
            {slot.mustFill ? 'must fill' : slot.order ? `fill ${slot.order}` : ' '}
          </span>
        )}
        {slot.color && <span className="text-[0.75rem] opacity-80">{slot.color}</span>}
      </span>
    </span>
  )
}
