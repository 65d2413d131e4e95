import { useDraggable, useDroppable } from '@dnd-kit/core'
import { moduleStops } from '@tembrix/core/evaluate'
import type { Module } from '@tembrix/core/model'
import { type ModuleRecord, slotHolding } from '@tembrix/core/records'
import { memo, type ReactNode, useState } from 'react'
import { money } from '../ui'
import { type Dragged, TRAY } from './Desk'
import { useDesk, useDeskStore } from './DeskContext'
import { ModuleFace } from './ModuleFace'
import { describeModule } from './words'

export interface TrayGroup {
  title: string
  records: readonly ModuleRecord[]
  /** What stands here when there is nothing. */
  none: string
  action?: ReactNode
  /** Shows what does not fit as well, from the start. */
  showAll?: boolean
  /** Something to do with one piece, as correcting or removing it. */
  pieceAction?: ((record: ModuleRecord) => ReactNode) | undefined
}

/** The pieces at hand, in groups, side by side under the board. A module dropped here leaves its slot. */
export const Tray = memo(function Tray({ groups }: { groups: readonly TrayGroup[] }) {
  const { setNodeRef, isOver } = useDroppable({ id: TRAY })
  return (
    <section
      ref={setNodeRef}
      aria-label="Tray"
      data-over={isOver}
      className={`flex gap-5 overflow-x-auto border-t-2 bg-sheet px-3 pt-2 pb-3 ${isOver ? 'border-gold-line' : 'border-rule'}`}
    >
      {groups.map((group) => (
        <Group key={group.title} {...group} />
      ))}
    </section>
  )
})

function Group({ title, records, none, action, showAll = false, pieceAction }: TrayGroup) {
  const machine = useDesk((desk) => desk.machine)
  const [all, setAll] = useState(showAll)
  const fitting = records.filter(({ module }) => moduleStops(machine, module).length === 0)
  const shown = all ? records : fitting
  const hidden = records.length - fitting.length
  return (
    <div className="shrink-0">
      <div className="mb-1.5 flex min-h-7 items-center gap-3">
        <h3 className="text-sm font-semibold">{title}</h3>
        {action}
        {hidden > 0 && !showAll && (
          <button
            type="button"
            onClick={() => setAll(!all)}
            className="min-h-7 text-sm text-ink-2 underline"
          >
            {all ? 'Only what fits' : `${hidden} more do not fit`}
          </button>
        )}
      </div>
      <div className="flex gap-2">
        {shown.length === 0 && <p className="max-w-52 py-3 text-sm text-ink-2">{none}</p>}
        {shown.map((record) => (
          <PieceView key={record.id} record={record} action={pieceAction?.(record)} />
        ))}
      </div>
    </div>
  )
}

interface PieceViewProps {
  record: ModuleRecord
  action: ReactNode
}

const PieceView = memo(function PieceView({ record, action }: PieceViewProps) {
  const { pressPiece } = useDeskStore()
  const { id, module, source, price } = record
  const slot = useDesk(({ assignment }) =>
    source === 'supplier' ? undefined : slotHolding(assignment, { moduleId: id, unit: 0 }),
  )
  const isHeld = useDesk(({ held }) => held?.piece.id === id)
  const fits = useDesk(({ machine }) => moduleStops(machine, module).length === 0)
  const kit = source === 'supplier' && module.kit ? `kit of ${module.kit.size}` : null
  const below = [
    slot ? `in ${slot}` : null,
    fits ? null : 'does not fit',
    kit,
    price === null ? null : money(price),
  ]
    .filter(Boolean)
    .join(' · ')
  const { setNodeRef, listeners } = useDraggable({
    id: `piece:${id}`,
    data: { moduleId: id, ...(slot ? { slot } : {}) } satisfies Dragged,
  })
  return (
    <div className="w-38">
      <PieceButton
        id={id}
        module={module}
        below={below}
        isHeld={isHeld}
        faded={slot !== undefined || !fits}
        setNode={setNodeRef}
        listeners={listeners}
        press={pressPiece}
      />
      <div className="mt-0.5 flex items-center justify-between gap-1 text-[0.8rem] leading-tight text-ink-2">
        <span className="truncate">{below || module.article}</span>
        {action}
      </div>
    </div>
  )
})

interface PieceProps {
  id: string
  module: Module
  below: string
  isHeld: boolean
  faded: boolean
  setNode: (node: HTMLElement | null) => void
  listeners: ReturnType<typeof useDraggable>['listeners']
  press: (moduleId: string) => void
}

const PieceButton = memo(function PieceButton(props: PieceProps) {
  const { id, module, below, isHeld, faded, press } = props
  return (
    <button
      type="button"
      ref={props.setNode}
      {...props.listeners}
      aria-pressed={isHeld}
      aria-label={[describeModule(module), module.article, below].filter(Boolean).join(', ')}
      onClick={() => press(id)}
      className="block h-14 w-full touch-manipulation rounded-xs text-left"
    >
      <ModuleFace module={module} chosen={isHeld} faded={faded} />
    </button>
  )
})
