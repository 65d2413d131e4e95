import { useDraggable, useDroppable } from '@dnd-kit/core'
import { moduleStops } from '@tembrix/core/judging/evaluate'
import { matcherOf } from '@tembrix/core/shop/counter'
import type { Module } from '@tembrix/core/things/model'
import { type ModuleRecord, slotHolding } from '@tembrix/core/things/records'
import { memo, type ReactNode, useMemo, useState } from 'react'
import { money } from '../../base/format'
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
  /** Of those alike in size, ranks, rates and kit only the cheapest is shown, until a search asks for more. */
  collapse?: boolean
  /** Why a piece cannot be taken, though it would fit. */
  held?: (record: ModuleRecord) => string | null
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

/** The most pieces of a group that are drawn at once. */
const MOST = 40

function Group(props: TrayGroup) {
  const { title, records, none, action, showAll = false, collapse = false, pieceAction } = props
  const machine = useDesk((desk) => desk.machine)
  const [all, setAll] = useState(showAll)
  const [search, setSearch] = useState('')
  const fitting = useMemo(
    () => records.filter(({ module }) => moduleStops(machine, module).length === 0),
    [records, machine],
  )
  const cheapest = useMemo(
    () => (collapse ? cheapestOfLike(fitting) : fitting),
    [fitting, collapse],
  )
  const sought = search.trim() !== ''
  const found = all ? records : sought ? fitting.filter(says(search)) : cheapest
  const shown = found.slice(0, MOST)
  const hidden = records.length - fitting.length
  return (
    <div className="shrink-0">
      <div className="mb-1.5 flex min-h-7 items-center gap-3">
        <h3 className="text-sm font-semibold">{title}</h3>
        {action}
        {cheapest.length < fitting.length && (
          <input
            type="search"
            aria-label={`Find among ${title}`}
            placeholder={`find among ${fitting.length}`}
            value={search}
            onChange={({ target }) => setSearch(target.value)}
            className="h-7 w-40 rounded-sm border border-rule-2 bg-sheet px-2 text-sm"
          />
        )}
        {hidden > 0 && !showAll && (
          <button
            type="button"
            onClick={() => setAll(!all)}
            className="min-h-7 text-sm text-ink-2 underline"
          >
            {all ? 'Only what fits' : `${hidden} more ${hidden === 1 ? 'does' : 'do'} not fit`}
          </button>
        )}
      </div>
      <div className="flex gap-2">
        {shown.length === 0 && (
          <p className="max-w-52 py-3 text-sm text-ink-2">{sought ? 'No match.' : none}</p>
        )}
        {shown.map((record) => (
          <PieceView
            key={record.id}
            record={record}
            held={props.held?.(record) ?? null}
            action={pieceAction?.(record)}
          />
        ))}
        {found.length > shown.length && (
          <p className="max-w-38 py-3 text-sm text-ink-2">
            and {found.length - shown.length} more: a word narrows them
          </p>
        )}
      </div>
    </div>
  )
}

/** The cheapest of each likeness, in the order given. */
function cheapestOfLike(records: readonly ModuleRecord[]): ModuleRecord[] {
  const best = new Map<string, ModuleRecord>()
  for (const record of records) {
    const { capacityGiB, ranks, deviceWidth, speeds, kit, ecc } = record.module
    const rates = speeds.map(({ kind, dataRate, cl }) => `${kind} ${dataRate} ${cl}`)
    const key = [capacityGiB, ranks, deviceWidth, kit?.size, ecc, ...rates].join()
    const held = best.get(key)
    const worth = ({ price, stock }: ModuleRecord) => (price ?? Infinity) + (stock === 0 ? 1e12 : 0)
    if (!held || worth(record) < worth(held)) best.set(key, record)
  }
  return [...best.values()].sort(
    (a, b) => a.module.capacityGiB - b.module.capacityGiB || (a.price ?? 0) - (b.price ?? 0),
  )
}

function says(search: string) {
  const matches = matcherOf(search)
  return ({ module, supplier }: ModuleRecord) =>
    matches(`${describeModule(module)} ${module.article} ${supplier}`)
}

interface PieceViewProps {
  record: ModuleRecord
  held: string | null
  action: ReactNode
}

const PieceView = memo(function PieceView({ record, held, action }: PieceViewProps) {
  const { pressPiece } = useDeskStore()
  const { id, module, source, price, stock } = record
  const slot = useDesk(({ assignment }) =>
    source === 'supplier' ? undefined : slotHolding(assignment, { moduleId: id, unit: 0 }),
  )
  const isHeld = useDesk((desk) => desk.held?.piece.id === id)
  const fits = useDesk(({ machine }) => moduleStops(machine, module).length === 0)
  const kit = module.kit
    ? `${source === 'supplier' ? '' : 'of a '}kit${source === 'supplier' ? ` of ${module.kit.size}` : ''}`
    : null
  const below = [
    slot ? `in ${slot}` : null,
    fits ? null : 'does not fit',
    held,
    kit,
    stock === 0 ? 'out of stock' : null,
    price === null ? null : money(price),
  ]
    .filter(Boolean)
    .join(' · ')
  const { setNodeRef, listeners } = useDraggable({
    id: `piece:${id}`,
    data: { moduleId: id, ...(slot ? { slot } : {}) } satisfies Dragged,
    disabled: held !== null,
  })
  return (
    <div className="w-38">
      <PieceButton
        id={id}
        module={module}
        below={below}
        isHeld={isHeld}
        faded={slot !== undefined || !fits || held !== null}
        held={held !== null}
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
  /** It cannot be taken. */
  held: boolean
  setNode: (node: HTMLElement | null) => void
  listeners: ReturnType<typeof useDraggable>['listeners']
  press: (moduleId: string) => void
}

const PieceButton = memo(function PieceButton(props: PieceProps) {
  const { id, module, below, isHeld, faded, held, press } = props
  return (
    <button
      type="button"
      ref={props.setNode}
      {...props.listeners}
      aria-pressed={isHeld}
      disabled={held}
      aria-label={[describeModule(module), module.article, below].filter(Boolean).join(', ')}
      onClick={() => press(id)}
      className="block h-14 w-full touch-manipulation rounded-xs text-left"
    >
      <ModuleFace module={module} chosen={isHeld} faded={faded} />
    </button>
  )
})
