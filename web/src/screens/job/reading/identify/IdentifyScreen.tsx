import { startingPoints } from '@tembrix/core/things/machines'
import { MachineChange } from '@tembrix/core/things/records'
import { ALONG, useModelsQuery } from '../../../../base/data'
import { capacity, list } from '../../../../base/format'
import { callout, Disclosure, Field, Select, TextInput } from '../../../../base/ui'
import { FindingList } from '../../../../parts/findings'
import {
  ControllerFields,
  InsideFields,
  LimitFields,
  NameFields,
  SlotFields,
  useSourcing,
} from '../../../../parts/machineFields'
import { OnTo, useJob, useJobForm } from '../../base/file'
import { Disputes } from './Disputes'
import { Facts } from './Facts'
import { ModelRecordPanel } from './ModelRecordPanel'
import { Photos } from './Photos'
import { ProcessorFound } from './ProcessorFound'
import { Proposals } from './Proposals'
import { ReadArea } from './ReadArea'
import { RunningNow } from './RunningNow'
import { SlotQuestions } from './SlotQuestions'
import { Unknowns } from './Unknowns'

/** What the machine is and what is in its slots, as found. Saves itself. */
export function IdentifyScreen() {
  const { file, machine: inUse, now, unseen, evidence, edit } = useJob()
  const { machine } = file.machine
  const settled =
    now.evaluation.starts && evidence.disputes.length === 0 && evidence.questions.length === 0
  const form = useJobForm('machines', file.machine, MachineChange.shape)
  const sourcing = useSourcing(file.machine.sources, (sources) =>
    edit.step('machines', file.machine, { sources }, ALONG),
  )
  const { data: models = [] } = useModelsQuery()
  const points = startingPoints(models)
  const total = machine.soldered.reduce((sum, { module }) => sum + module.capacityGiB, 0)
  return (
    <div className="flex flex-col gap-3">
      <h2 className="text-lg font-semibold">Identify</h2>
      {machine.slots.length === 0 && (
        <p className={callout({ tone: 'stop' })}>
          <b>Nothing to upgrade here:</b> all {capacity(total)} are soldered and there is no slot.
          Tell the customer before going on; if memory is short, the next machine is the answer.
        </p>
      )}
      {machine.slots.length > 0 && total > 0 && (
        <p className={callout({ tone: 'note' })}>
          <b>{capacity(total)} are soldered</b> on{' '}
          {list(machine.soldered.map(({ channel }) => channel))} and stay. Only{' '}
          {machine.slots.length === 1 ? 'the one slot' : `the ${machine.slots.length} slots`} can
          change, and what the slot takes counts, not the total.
        </p>
      )}
      <SlotQuestions />
      <ReadArea />
      <Disputes />
      <Proposals />
      <RunningNow />
      <Unknowns />
      {settled && <OnTo step="size">On to Size</OnTo>}
      <ModelRecordPanel />
      <Facts />
      <Photos />
      <h3 className="mt-2 border-t-2 border-ink pt-2 font-semibold">The machine’s record</h3>
      <Field label="Start over from" hint="Replaces the record below; undo brings it back.">
        {(control) => (
          <Select
            {...control}
            value=""
            options={[
              { value: '', label: 'the record as it is' },
              ...points.map(({ id, machine }) => ({ value: id, label: machine.name })),
            ]}
            onValue={(id) => {
              const start = points.find((one) => one.id === id)
              if (!start) return
              const { machine, sources, modelId } = start
              edit.step('machines', file.machine, { machine, sources, modelId })
            }}
          />
        )}
      </Field>
      <div className="grid grid-cols-2 gap-3">
        <NameFields form={form} machine={machine} label="Machine" className="col-span-2" />
        <Field label="Serial number" error={form.error('serialNumber')}>
          {(control) => (
            <TextInput
              {...control}
              value={form.value('serialNumber')}
              onValue={(text) => form.set(text, 'serialNumber')}
            />
          )}
        </Field>
      </div>
      <Section title="Slots and soldered memory">
        <SlotFields form={form} machine={machine} sourcing={sourcing} />
      </Section>
      <Section title="Limits">
        <LimitFields form={form} machine={machine} sourcing={sourcing} />
      </Section>
      <ProcessorFound />
      <Section title="Controller, firmware, voltage">
        <ControllerFields form={form} machine={machine} sourcing={sourcing} />
      </Section>
      <Section title="Under the cover">
        <InsideFields form={form} machine={machine} />
      </Section>
      <Field label="Notes" error={form.error('note')}>
        {(control) => (
          <TextInput
            {...control}
            lines={2}
            value={form.value('note')}
            onValue={(text) => form.set(text, 'note')}
          />
        )}
      </Field>
      <h3 className="font-semibold">As found</h3>
      {unseen.length > 0 ? (
        <p className={callout({ tone: 'note' })}>
          What is in {list(unseen)} is not known yet, so nothing is said of channels and order.
        </p>
      ) : (
        <FindingList machine={inUse} placement={now.placement} evaluation={now.evaluation} />
      )}
    </div>
  )
}

function Section({
  title,
  open = false,
  children,
}: {
  title: string
  open?: boolean
  children: React.ReactNode
}) {
  return (
    <Disclosure
      open={open}
      className="border-t border-rule pt-1"
      summary={<span className="font-semibold">{title}</span>}
    >
      <div className="pb-2">{children}</div>
    </Disclosure>
  )
}
