import { TEST_CONDITIONS, type TestConditions } from '@tembrix/core/bench/measure'
import { Field, TextInput } from '../../../../base/ui'
import { CONDITION_EXAMPLES, CONDITION_WORDS } from './sessions'

const LONGEST = 120

interface Props {
  conditions: TestConditions
  onConditions: (conditions: TestConditions) => void
}

/** What a test is run under; sessions under other conditions are never compared silently. */
export function ConditionFields({ conditions, onConditions }: Props) {
  return TEST_CONDITIONS.map((one) => (
    <Field key={one} label={CONDITION_WORDS[one]}>
      {(control) => (
        <TextInput
          {...control}
          placeholder={CONDITION_EXAMPLES[one]}
          value={conditions[one] ?? ''}
          onValue={(text) => onConditions({ ...conditions, [one]: text.slice(0, LONGEST) })}
        />
      )}
    </Field>
  ))
}
