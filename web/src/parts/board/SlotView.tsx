import { useDraggable, useDroppable } from '@dnd-kit/core'
import { type Module, type Slot, slotChannels } from '@tembrix/core/things/model'
import type { Assigned } from '@tembrix/core/things/records'
import { type KeyboardEvent, memo } from 'react'
import { ChannelMark } from './ChannelMark'
import { channelClass } from './channels'
import type { Dragged } from './Desk'
import { useDesk, useDeskStore } from './DeskContext'
import { at, type Rect } from './layout'
import { ModuleFace } from './ModuleFace'
import { describeModule } from './words'

interface Props {
  slot: Slot
  /** The key that puts a held piece here. */
  number: number
  place: Rect
  upright: boolean
  stopped: boolean
  /** The hands are at it. */
  lit: boolean
  /** What was here before (`keyOf`), to mark what changes; undefined where nothing is compared. */
  before: string | undefined
}

/** What is in a slot as a word; empty for an empty slot. */
export function pieceKey(assigned: Assigned | undefined): string {
  return assigned ? `${assigned.moduleId} ${assigned.unit}` : ''
}

function markOf(before: string | undefined, now: string): 'new' | 'taken out' | undefined {
  if (before === undefined || before === now) return undefined
  return now === '' ? 'taken out' : 'new'
}

export const SlotView = memo(function SlotView(props: Props) {
  const { slot, number, place, upright, stopped, lit, before } = props
  const { press, takeOut } = useDeskStore()
  const channels = useDesk(({ machine }) => machine.channels)
  const key = useDesk(({ assignment }) => pieceKey(assignment[slot.id]))
  const moduleId = useDesk(({ assignment }) => assignment[slot.id]?.moduleId)
  const module = useDesk(({ pieces }) => (moduleId ? pieces.get(moduleId)?.module : undefined))
  const isHeld = useDesk(({ held }) => held !== null && pieceKey(held.assigned) === key)
  const target = useDroppable({ id: slot.id })
  const source = useDraggable({
    id: `slot:${slot.id}`,
    data: { moduleId, slot: slot.id } satisfies Partial<Dragged>,
    disabled: !module,
  })
  const isAsked = useDesk(({ asking, held }) => !held && (asking?.slots.includes(slot.id) ?? false))
  const unseen = useDesk((desk) => desk.unseen?.includes(slot.id) ?? false)
  const mark = markOf(before, key)
  return (
    <div
      ref={target.setNodeRef}
      style={at(place)}
      data-over={target.isOver}
      data-lit={lit}
      className={lit ? 'z-10' : ''}
    >
      <SlotButton
        slot={slot}
        module={module}
        channel={channelClass(channels, slot.channel)}
        number={isHeld ? null : number}
        upright={upright}
        chosen={isHeld || mark === 'new'}
        mark={mark}
        edge={edgeOf(stopped, target.isOver || isHeld, isAsked, lit)}
        nothing={isAsked ? 'tap: here' : unseen ? 'not seen yet' : 'empty'}
        setNode={source.setNodeRef}
        listeners={source.listeners}
        press={press}
        takeOut={takeOut}
      />
    </div>
  )
})

/** While a piece is in the hand every slot that is none of these is open to it, by the desk's own mark. */
function edgeOf(stopped: boolean, chosen: boolean, asked: boolean, lit: boolean): string {
  if (lit)
    return 'border-gold-line ring-4 ring-gold-line bg-pcb outline-2 outline-offset-4 outline-gold-soft'
  if (stopped) return 'border-stop ring-2 ring-stop bg-stop-soft text-ink'
  if (chosen) return 'border-gold-line ring-2 ring-gold-line bg-pcb-2'
  return asked
    ? 'border-dashed border-gold-line bg-pcb-2'
    : 'border-pcb-line bg-pcb-2 group-data-holding/desk:border-dashed group-data-holding/desk:border-gold-line'
}

interface ButtonProps {
  slot: Slot
  module: Module | undefined
  channel: string
  /** Null while what is in it is held. */
  number: number | null
  upright: boolean
  chosen: boolean
  mark: string | undefined
  edge: string
  /** What stands where no module is. */
  nothing: string
  setNode: (node: HTMLElement | null) => void
  listeners: ReturnType<typeof useDraggable>['listeners']
  press: (slot: string) => void
  takeOut: (slot: string) => void
}

const SlotButton = memo(function SlotButton(props: ButtonProps) {
  const { slot, module, channel, number, upright, chosen, mark, edge, nothing } = props
  const { press, takeOut } = props

  function keyed(event: KeyboardEvent) {
    if (event.key !== 'Delete' && event.key !== 'Backspace') return
    takeOut(slot.id)
    event.preventDefault()
  }

  return (
    <button
      type="button"
      ref={props.setNode}
      {...props.listeners}
      aria-label={`Slot ${slot.id}, ${slotChannels(slot).length > 1 ? 'channels' : 'channel'} ${slotChannels(slot).join(' and ')}: ${module ? describeModule(module) : nothing}`}
      onClick={() => press(slot.id)}
      onKeyDown={keyed}
      className={`flex h-full w-full touch-manipulation overflow-hidden rounded-sm border-2 ${upright ? 'flex-col' : 'flex-row'} ${edge} ${channel}`}
    >
      <SlotHead slot={slot} number={number} upright={upright} />
      <span className={`min-h-0 min-w-0 flex-1 ${upright ? 'px-0.5 pb-1' : 'py-1 pr-1'}`}>
        {module ? (
          <ModuleFace
            module={module}
            upright={upright}
            roomy={!upright}
            chosen={chosen}
            mark={mark}
          />
        ) : (
          <span
            className={`grid h-full place-items-center rounded-xs border border-dashed text-center text-[0.75rem] ${nothing === 'tap: here' ? 'border-gold-line bg-gold-soft font-semibold text-gold' : 'border-pcb-line'}`}
          >
            {mark ?? nothing}
          </span>
        )}
      </span>
    </button>
  )
})

interface HeadProps {
  slot: Slot
  number: number | null
  upright: boolean
}

/** The lettering as printed, the channel, and the maker's filling order; or, while another piece is held, the key that puts it here. */
function SlotHead({ slot, number, upright }: HeadProps) {
  return (
    <span className={`flex shrink-0 items-stretch ${upright ? 'flex-col' : 'w-24 flex-row'}`}>
      <ChannelMark channel={slotChannels(slot).join('')} />
      <span className="flex flex-1 flex-col items-center justify-center py-0.5 leading-tight">
        <b className="font-mono text-[1.05rem] font-semibold">{slot.id}</b>
        {number !== null && (
          <kbd className="hidden rounded-xs bg-gold-soft px-1 font-mono text-[0.8rem] whitespace-nowrap font-semibold text-gold group-data-holding/desk:inline">
            key {number}
          </kbd>
        )}
        <span
          className={`text-[0.8rem] ${number === null ? '' : 'group-data-holding/desk:hidden'}`}
        >
          {slot.mustFill ? 'must fill' : slot.order ? `fill ${slot.order}` : ' '}
        </span>
        {slot.color && <span className="text-[0.75rem] opacity-80">{slot.color}</span>}
      </span>
    </span>
  )
}
