import {
  BACKUP_CONSENTS,
  type BackupConsent,
  CustomerChange,
  JobChange,
  type OwnSettings,
} from '@tembrix/core/things/records'
import { CHOICES, currencySign, inUnits, minorFrom, noDate } from '../../../../base/format'
import { DateInput, Field, Select, TextInput } from '../../../../base/ui'
import { OnTo, useJobFields, useJobForm, useJobPart } from '../../base/file'
import { MachineGroupPanel } from '../../base/groups'
import { PrintLink } from '../../base/sheet'
import { CustomerData } from './CustomerData'
import { EarlierFitted } from './EarlierFitted'
import { GettingIn } from './GettingIn'
import { History } from './History'

/** Who it is for and what they want of it. Saves itself. */
export function IntakeScreen() {
  const jobId = useJobPart(({ file }) => file.id)
  return (
    <div className="mx-auto grid max-w-6xl content-start gap-x-8 gap-y-3 @4xl:grid-cols-2">
      <h2 className="text-lg font-semibold @4xl:col-span-2">Intake</h2>
      <div className="flex flex-col gap-3">
        <Customer />
        <Received />
      </div>
      <div className="flex flex-col gap-3">
        <Asked />
        <OnTo step="identify">On to Identify</OnTo>
        <PrintLink to={`/jobs/${jobId}/labels`}>Ticket and labels, to print</PrintLink>
      </div>
      <div className="@4xl:col-span-2">
        <EarlierFitted jobId={jobId} />
        <MachineGroupPanel />
        <History jobId={jobId} />
        <CustomerData />
      </div>
    </div>
  )
}

function Customer() {
  const record = useJobPart(({ file }) => file.customer)
  const customer = useJobForm('customers', record, CustomerChange.shape)
  return (
    <>
      <Field label="Name" error={customer.error('name')}>
        {(control) => (
          <TextInput
            {...control}
            value={customer.value('name')}
            onValue={(text) => customer.set(text, 'name')}
          />
        )}
      </Field>
      <div className="grid grid-cols-2 gap-3">
        <Field label="Phone" error={customer.error('phone')}>
          {(control) => (
            <TextInput
              {...control}
              type="tel"
              value={customer.value('phone')}
              onValue={(text) => customer.set(text, 'phone')}
            />
          )}
        </Field>
        <Field label="E-mail" error={customer.error('email')}>
          {(control) => (
            <TextInput
              {...control}
              type="email"
              value={customer.value('email')}
              onValue={(text) => customer.set(text, 'email')}
            />
          )}
        </Field>
      </div>
    </>
  )
}

const ASKED = ['complaint', 'uses', 'budget', 'dueOn', 'followUpOn'] as const

/** What the customer wants: what is wrong, what it is for, by when and for how much. */
function Asked() {
  const asked = useJobFields(ASKED)
  const job = useJobForm('jobs', asked, JobChange.shape)
  const budget = job.value('budget')
  return (
    <>
      <Field label="What is wrong, in the customer’s words" error={job.error('complaint')}>
        {(control) => (
          <TextInput
            {...control}
            lines={3}
            value={job.value('complaint')}
            onValue={(text) => job.set(text, 'complaint')}
          />
        )}
      </Field>
      <Field
        label="What it is used for"
        hint="What runs at the same time, and how long it must still serve."
        error={job.error('uses')}
      >
        {(control) => (
          <TextInput
            {...control}
            lines={3}
            value={job.value('uses')}
            onValue={(text) => job.set(text, 'uses')}
          />
        )}
      </Field>
      <div className="grid grid-cols-2 gap-3">
        <Field
          label={`Budget, ${currencySign()}`}
          error={job.error('budget') && 'Enter an amount of money.'}
        >
          {(control) => (
            <TextInput
              {...control}
              inputMode="decimal"
              value={inUnits(budget)}
              onValue={(text) => job.set(minorFrom(text), 'budget')}
            />
          )}
        </Field>
        <Field label="Due" error={job.error('dueOn') && noDate()}>
          {(control) => (
            <DateInput
              {...control}
              value={job.value('dueOn')}
              onValue={(text) => job.set(text === '' ? null : text, 'dueOn')}
            />
          )}
        </Field>
        <Field label="Ask again on" error={job.error('followUpOn') && noDate()}>
          {(control) => (
            <DateInput
              {...control}
              value={job.value('followUpOn')}
              onValue={(text) => job.set(text === '' ? null : text, 'followUpOn')}
            />
          )}
        </Field>
      </div>
    </>
  )
}

const RECEIVED = ['condition', 'ownSettings', 'accessories', 'login', 'backup'] as const

/** What was received: how the machine looks, what came with it, and whether its data is kept elsewhere. */
function Received() {
  const received = useJobFields(RECEIVED)
  const job = useJobForm('jobs', received, JobChange.shape)
  const accessories = job.value('accessories')
  const own = job.value('ownSettings') as OwnSettings | null
  return (
    <>
      <Field
        label="Condition as received"
        hint="Marks, cracks, what is loose or missing."
        error={job.error('condition')}
      >
        {(control) => (
          <TextInput
            {...control}
            lines={2}
            value={job.value('condition')}
            onValue={(text) => job.set(text, 'condition')}
          />
        )}
      </Field>
      <Field
        label="Settings of its owner’s making"
        hint="Modified firmware, undervolted or overclocked: back to defaults before a fault is looked for. The shop neither makes nor proves them."
      >
        {(control) => (
          <Select
            {...control}
            value={own === null ? '' : own.found ? 'yes' : 'no'}
            options={[
              { value: '', label: 'not asked yet' },
              { value: 'no', label: 'none' },
              { value: 'yes', label: 'some' },
            ]}
            onValue={(value) =>
              job.set(
                value === '' ? null : { found: value === 'yes', what: own?.what ?? '' },
                'ownSettings',
              )
            }
          />
        )}
      </Field>
      {own?.found && (
        <Field label="Which, in short" error={job.error('ownSettings', 'what')}>
          {(control) => (
            <TextInput
              {...control}
              value={own.what}
              onValue={(what) => job.set({ found: true, what: what.slice(0, 500) }, 'ownSettings')}
            />
          )}
        </Field>
      )}
      <Field
        label="Came with it"
        hint="One thing after another, with commas: charger, bag, mouse. Each is asked for at hand over."
        error={job.error('accessories')}
      >
        {(control) => (
          <TextInput
            {...control}
            value={Array.isArray(accessories) ? accessories.join(', ') : accessories}
            onValue={(text) => job.set(namedIn(text), 'accessories')}
          />
        )}
      </Field>
      <GettingIn job={job} jobId={received.id} />
      <Field label="A copy of the data" error={job.error('backup')}>
        {(control) => (
          <Select
            {...control}
            value={(job.value('backup') as BackupConsent | null) ?? ''}
            options={[
              { value: '', label: 'not asked yet' },
              ...BACKUP_CONSENTS.map((value) => ({ value, label: CHOICES.backup[value] })),
            ]}
            onValue={(value) => job.set(value === '' ? null : value, 'backup')}
          />
        )}
      </Field>
    </>
  )
}

/** Things named one after another, each once. */
const namedIn = (text: string): string[] => [
  ...new Set(
    text
      .split(',')
      .map((one) => one.trim())
      .filter(Boolean),
  ),
]
