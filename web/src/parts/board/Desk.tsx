import {
  DndContext,
  type DragEndEvent,
  DragOverlay,
  type DragStartEvent,
  MouseSensor,
  pointerWithin,
  TouchSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core'
import { snapCenterToCursor } from '@dnd-kit/modifiers'
import { type HTMLAttributes, type KeyboardEvent, memo, type ReactNode, useState } from 'react'
import {
  DeskContext,
  type Given,
  type HeldPiece,
  useDesk,
  useDeskStore,
  useNewDesk,
} from './DeskContext'
import { ModuleFace } from './ModuleFace'

interface Props extends Given {
  className?: string
  children: ReactNode
}

/** What a draggable carries: a piece of the tray, or what a slot holds. */
export interface Dragged {
  moduleId: string
  slot?: string
}

export const TRAY = 'tray'

/** A press becomes a drag once it has moved so far, a touch once it has stayed so long. */
const BY_MOUSE = { activationConstraint: { distance: 6 } }
const BY_TOUCH = { activationConstraint: { delay: 160, tolerance: 8 } }

/** The board and the tray at work together: dragging, tapping or keys, whichever hand is free. */
export function Desk({ className = '', children, ...given }: Props) {
  const desk = useNewDesk(given)
  return (
    <DeskContext value={desk}>
      <Surface className={className}>{children}</Surface>
    </DeskContext>
  )
}

/** Where things are dragged. It is not drawn again for what the desk is given. */
const Surface = memo(function Surface({
  className,
  children,
}: Pick<Props, 'children'> & { className: string }) {
  const desk = useDeskStore()
  const [dragged, setDragged] = useState<HeldPiece | null>(null)
  const sensors = useSensors(useSensor(MouseSensor, BY_MOUSE), useSensor(TouchSensor, BY_TOUCH))

  function start({ active }: DragStartEvent) {
    const { moduleId, slot } = active.data.current as Dragged
    setDragged(desk.pick(moduleId, slot))
  }

  function end({ active, over }: DragEndEvent) {
    const { slot } = active.data.current as Dragged
    if (over?.id === TRAY && slot !== undefined) desk.takeOut(slot)
    else if (over && over.id !== TRAY) desk.put(String(over.id), dragged)
    else desk.drop()
    setDragged(null)
  }

  function keyed(event: KeyboardEvent) {
    const typing = (event.target as HTMLElement).closest('input, textarea, select')
    if (typing || event.ctrlKey || event.metaKey || event.altKey) return
    const { machine, held } = desk.state()
    const slot = machine.slots[Number(event.key) - 1]
    if (event.key === 'Escape' && held) {
      desk.drop()
    } else if (held && slot) {
      desk.put(slot.id)
      event.preventDefault()
    }
  }

  return (
    <DndContext
      sensors={sensors}
      collisionDetection={pointerWithin}
      onDragStart={start}
      onDragEnd={end}
      onDragCancel={() => {
        desk.drop()
        setDragged(null)
      }}
    >
      <UnderHand className={`${className} ${dragged ? 'dragging' : ''}`} onKeyDown={keyed}>
        {children}
        <LastDone />
      </UnderHand>
      <DragOverlay
        dropAnimation={null}
        modifiers={[snapCenterToCursor]}
        className="pointer-events-none grid place-items-center"
      >
        {dragged && (
          <div className="h-16 w-44 rotate-2 cursor-grabbing shadow-lg">
            <ModuleFace module={dragged.piece.module} />
          </div>
        )}
      </DragOverlay>
    </DndContext>
  )
})

/** Marked while a piece is in the hand: slots show by it that they are open. */
function UnderHand({ className = '', ...rest }: HTMLAttributes<HTMLDivElement>) {
  const holding = useDesk(({ held }) => held !== null)
  return <div className={`group/desk ${className}`} data-holding={holding || undefined} {...rest} />
}

function LastDone() {
  return (
    <p aria-live="polite" className="sr-only">
      {useDesk(({ said }) => said)}
    </p>
  )
}
