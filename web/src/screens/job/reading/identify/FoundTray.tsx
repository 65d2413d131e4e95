import type { Module } from '@tembrix/core/things/model'
import { assign, type ModuleRecord } from '@tembrix/core/things/records'
import { Pencil, Plus } from 'lucide-react'
import { useMemo, useState } from 'react'
import { changing, making, removing } from '../../../../base/data'
import { Button, IconButton } from '../../../../base/ui'
import { Tray } from '../../../../parts/board'
import { draftOf, likelyModule, ModuleDialog } from '../../../../parts/machineFields'
import { type JobView, useJob, useJobPart } from '../../base/file'

type Open = { kind: 'none' } | { kind: 'add' } | { kind: 'correct'; record: ModuleRecord }

/** The customer's own modules: what was found in the machine or came with it. */
export function FoundTray() {
  const modules = useJobPart(({ file }) => file.modules)
  const slots = useJobPart(({ machine }) => machine.slots.length)
  const [open, setOpen] = useState<Open>({ kind: 'none' })
  const groups = useMemo(
    () => [
      {
        title: 'The customer’s modules',
        records: modules,
        none:
          slots > 0 ? 'None recorded yet. Add what is in the slots.' : 'No slot, so no modules.',
        showAll: true,
        action: slots > 0 && (
          <Button look="main" onClick={() => setOpen({ kind: 'add' })}>
            <Plus size={17} aria-hidden /> Add a module
          </Button>
        ),
        pieceAction: (record: ModuleRecord) => (
          <IconButton
            label={`Correct ${record.module.article}`}
            onClick={() => setOpen({ kind: 'correct', record })}
            className="-my-2"
          >
            <Pencil size={15} aria-hidden />
          </IconButton>
        ),
      },
    ],
    [modules, slots],
  )
  const close = () => setOpen({ kind: 'none' })
  return (
    <>
      <Tray groups={groups} />
      {open.kind === 'add' && <Adding onClose={close} />}
      {open.kind === 'correct' && <Correcting record={open.record} onClose={close} />}
    </>
  )
}

function Adding({ onClose }: { onClose: () => void }) {
  const view = useJob()
  const { file, machine, now, edit } = view
  function add(module: Module, slot: string | null) {
    const made = making('modules', { jobId: file.id, source: 'customer', module })
    const writes = [made]
    if (slot !== null) {
      const found = assign(now.assignment, slot, { moduleId: made.recordId, unit: 0 })
      writes.push(changing('jobs', file, { found }))
    }
    edit.act('the module', writes)
    onClose()
  }
  return (
    <ModuleDialog
      title="Add a module"
      action="Add"
      start={likelyModule(machine)}
      slots={emptySlots(view)}
      onDone={add}
      onClose={onClose}
    />
  )
}

function Correcting({ record, onClose }: { record: ModuleRecord; onClose: () => void }) {
  const view = useJob()
  const { edit } = view
  const placed = isPlaced(view, record.id)
  return (
    <ModuleDialog
      title="Correct this module"
      action="Correct"
      start={draftOf(record.module)}
      onDone={(module) => {
        edit.step('modules', record, { module })
        onClose()
      }}
      onClose={onClose}
      extra={
        <Button
          look="stop"
          disabled={placed}
          title={placed ? 'Take it out of its slot first' : undefined}
          onClick={() => {
            edit.act('', [removing('modules', record)])
            onClose()
          }}
        >
          Remove from the job
        </Button>
      }
    />
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
