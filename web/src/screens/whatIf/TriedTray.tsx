import { type ModuleRecord, UNKNOWN_PIECE } from '@tembrix/core/things/records'
import { Trash2 } from 'lucide-react'
import { useMemo } from 'react'
import { useShelfQuery, type WhatIf } from '../../base/data'
import { IconButton } from '../../base/ui'
import { Tray } from '../../parts/board'
import { useTry } from './useWhatIf'

const NOTHING: ModuleRecord[] = []

/** The modules said so far; each can go into as many slots as wanted. The shop’s come along by a press. */
export function TriedTray({ state }: { state: WhatIf }) {
  const { set } = useTry()
  const { generation, formFactor } = state.machine
  const { data: onShelf = NOTHING } = useShelfQuery({ generation, formFactor })
  const records = useMemo(
    () => state.modules.map(({ id, module }) => recordOf(id, module)),
    [state.modules],
  )
  const kinds = useMemo(
    () => [...new Map(onShelf.map((one) => [one.module.article, one])).values()],
    [onShelf],
  )
  const groups = useMemo(
    () => [
      {
        title: 'Tried here',
        records,
        none: 'Press a size above, or take one from the shelf.',
        showAll: true,
        pieceAction: ({ id }: ModuleRecord) => (
          <IconButton
            label="Drop this module"
            onClick={() =>
              set({
                modules: state.modules.filter((one) => one.id !== id),
                slots: Object.fromEntries(
                  Object.entries(state.slots).filter(([, { moduleId }]) => moduleId !== id),
                ),
              })
            }
            className="-my-2"
            look="remove"
          >
            <Trash2 size={15} aria-hidden />
          </IconButton>
        ),
      },
    ],
    [records, state, set],
  )
  return (
    <div className="flex items-stretch bg-sheet">
      <div className="min-w-0 flex-1">
        <Tray groups={groups} />
      </div>
      {kinds.length > 0 && <FromShelf kinds={kinds} />}
    </div>
  )
}

function FromShelf({ kinds }: { kinds: readonly ModuleRecord[] }) {
  const { add } = useTry()
  return (
    <div className="max-w-[45%] border-t-2 border-l border-rule px-3 pt-2 pb-3">
      <h3 className="mb-1.5 flex min-h-7 items-center text-sm font-semibold">
        Into the next slot, from our shelf
      </h3>
      <div className="flex max-h-20 flex-wrap gap-1.5 overflow-auto">
        {kinds.map(({ id, module }) => (
          <button
            key={id}
            type="button"
            onClick={() => add({ ...module, kit: null })}
            className="min-h-11 rounded-sm border border-rule-2 px-2 text-sm hover:bg-sheet-2"
          >
            {module.article}
          </button>
        ))}
      </div>
    </div>
  )
}

const recordOf = (id: string, module: ModuleRecord['module']): ModuleRecord => ({
  ...UNKNOWN_PIECE,
  id,
  module,
  source: 'supplier',
  jobId: null,
  version: 1,
  createdAt: '',
  updatedAt: '',
})
