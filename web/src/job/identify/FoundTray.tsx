import type { Module } from '@tembrix/core/model'
import { assign, type ModuleRecord } from '@tembrix/core/records'
import { Pencil, Plus } from 'lucide-react'
import { useState } from 'react'
import { Tray } from '../../board'
import { changing, making, removing } from '../../data'
import { draftOf, likelyModule, ModuleDialog } from '../../machine'
import { Button } from '../../ui'
import { type JobView, useJob } from '../file'

type Open = { kind: 'none' } | { kind: 'add' } | { kind: 'correct'; record: ModuleRecord }

/** The customer's own modules: what was found in the machine or came with it. */
export function FoundTray() {
  const view = useJob()
  const { file, machine, now, edit } = view
  const [open, setOpen] = useState<Open>({ kind: 'none' })
  const close = () => setOpen({ kind: 'none' })

  function add(module: Module, slot: string | null) {
    const made = making('modules', { jobId: file.id, source: 'customer', module })
    const writes = [made]
    if (slot !== null) {
      const found = assign(now.assignment, slot, { moduleId: made.recordId, unit: 0 })
      writes.push(changing('jobs', file, { found }))
    }
    edit.act('the module', writes)
    close()
  }

  return (
    <>
      <Tray
        groups={[
          {
            title: 'The customer’s modules',
            records: file.modules,
            none:
              machine.slots.length > 0
                ? 'None recorded yet. Add what is in the slots.'
                : 'No slot, so no modules.',
            showAll: true,
            action: machine.slots.length > 0 && (
              <Button look="main" className="min-h-9" onClick={() => setOpen({ kind: 'add' })}>
                <Plus size={17} aria-hidden /> Add a module
              </Button>
            ),
            pieceAction: (record) => (
              <button
                type="button"
                aria-label={`Correct ${record.module.article}`}
                onClick={() => setOpen({ kind: 'correct', record })}
                className="grid h-7 w-9 shrink-0 place-items-center rounded-sm hover:bg-sheet-2"
              >
                <Pencil size={15} aria-hidden />
              </button>
            ),
          },
        ]}
      />
      {open.kind === 'add' && (
        <ModuleDialog
          title="Add a module"
          action="Add"
          start={likelyModule(machine)}
          slots={emptySlots(view)}
          onDone={add}
          onClose={close}
        />
      )}
      {open.kind === 'correct' && (
        <ModuleDialog
          title="Correct this module"
          action="Correct"
          start={draftOf(open.record.module)}
          onDone={(module) => {
            edit.step('modules', open.record, { module })
            close()
          }}
          onClose={close}
          extra={
            <Button
              look="stop"
              disabled={isPlaced(view, open.record.id)}
              title={isPlaced(view, open.record.id) ? 'Take it out of its slot first' : undefined}
              onClick={() => {
                edit.act('', [removing('modules', open.record)])
                close()
              }}
            >
              Remove from the job
            </Button>
          }
        />
      )}
    </>
  )
}

/** Empty slots, the first to fill first. */
function emptySlots({ machine, now }: JobView): string[] {
  return machine.slots
    .filter(({ id }) => !now.assignment[id])
    .sort((a, b) => (a.order ?? 99) - (b.order ?? 99))
    .map(({ id }) => id)
}

function isPlaced({ now, planned }: JobView, moduleId: string): boolean {
  return [...Object.values(now.assignment), ...Object.values(planned.assignment)].some(
    (held) => held.moduleId === moduleId,
  )
}
