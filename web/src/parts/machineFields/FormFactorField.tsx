import { FORM_FACTORS, type FormFactor } from '@tembrix/core/things/model'
import { Button, callout } from '../../base/ui'
import { formOf } from '../board'

interface Props {
  value: FormFactor | null
  onValue: (form: FormFactor) => void
}

const FORMS = FORM_FACTORS.filter((form) => form !== 'soldered')

/** Asks which form factor a module has, where nothing printed says it. */
export function FormFactorField({ value, onValue }: Props) {
  return (
    <fieldset className={callout({ tone: 'risk', className: 'mt-1' })}>
      <legend className="sr-only">Form factor</legend>
      <p className="text-[0.93rem]">
        The form factor is not printed. Look at the module: which is it?
      </p>
      <div className="mt-1 flex flex-wrap gap-1.5">
        {FORMS.map((form) => (
          <Button
            key={form}
            look={form === value ? 'main' : 'plain'}
            aria-pressed={form === value}
            onClick={() => onValue(form)}
          >
            {formOf({ formFactor: form })}
          </Button>
        ))}
      </div>
    </fieldset>
  )
}
