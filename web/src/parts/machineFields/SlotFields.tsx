import { nextSlot, withChannels } from '@tembrix/core/things/machines'
import type { Machine, Module, Slot } from '@tembrix/core/things/model'
import { Plus, Trash2 } from 'lucide-react'
import { useState } from 'react'
import type { RecordForm } from '../../base/form'
import { numberFrom } from '../../base/format'
import { Button, Check, IconButton, inputLook, TextInput } from '../../base/ui'
import { ModuleDialog } from './ModuleDialog'
import { draftOf, likelyModule } from './moduleForm'
import { SourceOf, type Sourcing, typedIn } from './SourceOf'

/** The machine's channels, slots and soldered banks. */
const SOURCED = [
  ['slots', 'Slots'],
  ['order', 'Filling order'],
  ['soldered', 'Soldered memory'],
] as const

interface Props {
  form: RecordForm
  machine: Machine
  sourcing: Sourcing
}

export function SlotFields({ form, machine, sourcing }: Props) {
  const [bank, setBank] = useState<number | null>(null)
  const slots = form.value('machine', 'slots') as Slot[]
  const set = (changes: Partial<Machine>) => {
    form.set({ ...(form.value('machine') as Machine), ...changes }, 'machine')
    typedIn(sourcing, 'soldered' in changes ? 'soldered' : 'slots')
  }

  return (
    <div className="flex flex-col gap-2">
      <div className="flex flex-wrap items-center gap-2">
        <span className="text-sm font-semibold max-sm:w-full">Channels</span>
        {[1, 2, 3, 4, 6, 8].map((count) => (
          <Button
            key={count}
            className="px-3"
            look={machine.channels.length === count ? 'main' : 'plain'}
            aria-pressed={machine.channels.length === count}
            onClick={() => set(withChannels(machine, count))}
          >
            {count}
          </Button>
        ))}
      </div>
      {slots.length > 0 && (
        <table className="w-full border-collapse text-left text-sm">
          <thead>
            <tr>
              <th className="pr-1 font-semibold">Slot</th>
              <th className="pr-1 font-semibold">Channel</th>
              <th className="pr-1 font-semibold">Fill</th>
              <th className="pr-1 font-semibold">Colour</th>
              <th className="pr-1 font-semibold">Must</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {slots.map((slot, at) => (
              <SlotRow
                // biome-ignore lint/suspicious/noArrayIndexKey: a slot's name is being typed here, its place is what stays
                key={at}
                slot={slot}
                at={at}
                form={form}
                machine={machine}
                onOrder={() => typedIn(sourcing, 'order')}
                onRemove={() => set({ slots: slots.filter((_, other) => other !== at) })}
              />
            ))}
          </tbody>
        </table>
      )}
      <div className="flex flex-wrap gap-2">
        <Button onClick={() => set({ slots: [...slots, nextSlot(machine)] })}>
          <Plus size={16} aria-hidden /> Slot
        </Button>
        <Button onClick={() => setBank(machine.soldered.length)}>
          <Plus size={16} aria-hidden /> Soldered bank
        </Button>
      </div>
      <div className="flex flex-col text-sm">
        {SOURCED.map(([what, label]) => (
          <div key={what} className="grid grid-cols-[8rem_1fr] items-baseline">
            {label}
            <SourceOf what={what} label={`the ${label.toLowerCase()}`} sourcing={sourcing} />
          </div>
        ))}
      </div>
      {machine.soldered.map(({ channel, module }, at) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: banks have no name and keep their places
        <div key={at} className="flex items-center gap-2 text-sm">
          <span className="flex-1">
            Soldered: {module.capacityGiB} GB {module.generation} on
          </span>
          <ChannelSelect
            channels={machine.channels}
            label={`Channel of soldered bank ${at + 1}`}
            value={channel}
            onValue={(value) => form.set(value, 'machine', 'soldered', at, 'channel')}
          />
          <Button onClick={() => setBank(at)}>Correct</Button>
          <RemoveButton
            label={`Remove soldered bank ${at + 1}`}
            onPress={() => set({ soldered: machine.soldered.filter((_, other) => other !== at) })}
          />
        </div>
      ))}
      {bank !== null && (
        <ModuleDialog
          title="Soldered memory"
          action="Take over"
          start={bankDraft(machine, bank)}
          onClose={() => setBank(null)}
          onDone={(module) => {
            set({ soldered: withBank(machine, bank, module) })
            setBank(null)
          }}
        />
      )}
    </div>
  )
}

interface RowProps {
  slot: Slot
  at: number
  form: RecordForm
  machine: Machine
  onOrder: () => void
  onRemove: () => void
}

function SlotRow({ slot, at, form, machine, onOrder, onRemove }: RowProps) {
  const fault =
    form.error('machine', 'slots', at, 'id') ?? form.error('machine', 'slots', at, 'order')
  const set = (field: keyof Slot, value: unknown) => form.set(value, 'machine', 'slots', at, field)
  const text = (field: 'id' | 'order' | 'color', label: string) => ({
    id: `slot-${at}-${field}`,
    'aria-label': `${label} of slot ${at + 1}`,
    'aria-invalid': form.error('machine', 'slots', at, field) !== undefined,
    'aria-describedby': fault ? `slot-${at}-fault` : undefined,
    value: slot[field],
  })
  return (
    <>
      <tr className="align-top">
        <td className="w-16 py-0.5 pr-1">
          <TextInput
            {...text('id', 'Lettering')}
            className="px-1.5 font-mono"
            onValue={(value) => set('id', value)}
          />
        </td>
        <td className="w-16 py-0.5 pr-1">
          <ChannelSelect
            channels={machine.channels}
            label={`Channel of slot ${at + 1}`}
            value={slot.channel}
            onValue={(value) => set('channel', value)}
          />
        </td>
        <td className="w-14 py-0.5 pr-1">
          <TextInput
            {...text('order', 'Filling order')}
            inputMode="numeric"
            className="px-1.5"
            onValue={(value) => {
              set('order', numberFrom(value))
              onOrder()
            }}
          />
        </td>
        <td className="py-0.5 pr-1">
          <TextInput
            {...text('color', 'Colour')}
            className="px-1.5"
            onValue={(value) => set('color', value === '' ? null : value)}
          />
        </td>
        <td className="w-10 py-0.5">
          <Check
            label={<span className="sr-only">{`Slot ${at + 1} must be filled`}</span>}
            checked={slot.mustFill}
            onChecked={(value) => set('mustFill', value)}
          />
        </td>
        <td className="w-11 py-0.5">
          <RemoveButton label={`Remove slot ${slot.id}`} onPress={onRemove} />
        </td>
      </tr>
      {fault && (
        <tr>
          <td colSpan={6} id={`slot-${at}-fault`} className="pb-1 font-medium text-stop">
            {fault}
          </td>
        </tr>
      )}
    </>
  )
}

interface ChannelProps {
  channels: readonly string[]
  label: string
  value: string
  onValue: (value: string) => void
}

function ChannelSelect({ channels, label, value, onValue }: ChannelProps) {
  return (
    <select
      aria-label={label}
      value={value}
      onChange={({ target }) => onValue(target.value)}
      className={`${inputLook} max-w-16 px-1.5`}
    >
      {channels.map((channel) => (
        <option key={channel}>{channel}</option>
      ))}
    </select>
  )
}

function RemoveButton({ label, onPress }: { label: string; onPress: () => void }) {
  return (
    <IconButton label={label} onClick={onPress} look="remove">
      <Trash2 size={17} aria-hidden />
    </IconButton>
  )
}

function bankDraft(machine: Machine, at: number) {
  const known = machine.soldered[at]
  return known ? draftOf(known.module) : { ...likelyModule(machine), formFactor: 'soldered' }
}

function withBank(machine: Machine, at: number, module: Module): Machine['soldered'] {
  const channel = machine.soldered[at]?.channel ?? (machine.channels[0] as string)
  const bank = { channel, module: { ...module, formFactor: 'soldered' as const } }
  return machine.soldered.toSpliced(at, 1, bank)
}
