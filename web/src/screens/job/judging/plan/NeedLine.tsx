import { POLICIES, type Policy } from '@tembrix/core/judging/plan'
import { JobChange } from '@tembrix/core/things/records'
import { Link } from 'react-router'
import { CHOICES, money, numberFrom, roughly, tidy } from '../../../../base/format'
import { Check, Field, Select, TextInput } from '../../../../base/ui'
import { type Budget, type JobNeed, type ModelList, useJob, useJobForm } from '../../base/file'

interface Props {
  need: JobNeed
  spend: Budget
  validated: ModelList | null
}

/** The need that is planned for: memory, budget, free slots, policy and list. */
export function NeedLine({ need, spend, validated }: Props) {
  const { file, edit } = useJob()
  const form = useJobForm('jobs', file, JobChange.shape)
  const { isSet, minGiB, demand, policy } = need
  return (
    <div className="grid grid-cols-[1.6fr_1fr] gap-x-3 gap-y-2 @md:grid-cols-[2fr_1.2fr_3fr]">
      <Field
        label="At least, GB usable"
        error={form.error('sizing', 'wantedGiB') && 'Enter an amount of memory, in GB.'}
        aside={
          <p className="text-sm text-ink-2">
            {isSet ? (
              <button
                type="button"
                className="inline-flex min-h-11 items-center underline"
                onClick={() => form.set(null, 'sizing', 'wantedGiB')}
              >
                Set by hand: go back to what is calculated
              </button>
            ) : (
              <Link to="../size" className="inline-flex min-h-11 items-center underline">
                {demand
                  ? `${demand.atLeast ? 'at least ' : ''}${roughly(demand.likely)} by Size`
                  : 'As found: say in Size what it is for'}
              </Link>
            )}
          </p>
        }
      >
        {(control) => (
          <TextInput
            {...control}
            inputMode="decimal"
            value={isSet ? form.value('sizing', 'wantedGiB') : tidy(minGiB, 1)}
            onValue={(text) => form.set(numberFrom(text), 'sizing', 'wantedGiB')}
          />
        )}
      </Field>
      <Field label="Free slots" error={form.error('sizing', 'freeSlots') && 'From 0, whole slots.'}>
        {(control) => (
          <TextInput
            {...control}
            inputMode="numeric"
            value={form.value('sizing', 'freeSlots')}
            onValue={(text) => form.set(numberFrom(text) ?? 0, 'sizing', 'freeSlots')}
          />
        )}
      </Field>
      <Field
        label="Buying policy"
        className="@max-md:col-span-2"
        aside={
          <p className="text-sm text-ink-2">
            {file.budget === null
              ? 'No budget named'
              : `Budget ${money(file.budget)}: some ${spend.minutes} min of work leave ${money(spend.parts ?? 0)} for parts`}
          </p>
        }
      >
        {(control) => (
          <Select
            {...control}
            value={policy}
            options={POLICIES.map((value) => ({
              value,
              label: CHOICES.policy[value] + (value === need.shopPolicy ? ' (ours)' : ''),
            }))}
            onValue={(value: Policy) =>
              edit.step('jobs', file, { policy: value === need.shopPolicy ? null : value })
            }
          />
        )}
      </Field>
      {validated && (
        <div className="col-span-full">
          <Check
            label="Only what the maker’s list names for this number of modules"
            hint={`By “${validated.name}”. What is not on it is only untested.`}
            checked={file.sizing.onlyListed}
            onChecked={(on) => form.set(on, 'sizing', 'onlyListed')}
          />
        </div>
      )}
    </div>
  )
}
