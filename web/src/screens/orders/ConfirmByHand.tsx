import { Confirmation, type Order } from '@tembrix/core/things/records'
import { saidOf, useChangeOrderMutation } from '../../base/data'
import { Faults, useSaveForm } from '../../base/form'
import { inUnits, minorFrom, numberFrom } from '../../base/format'
import { Button, DateInput, Disclosure, ErrorText, Field, TextInput } from '../../base/ui'

/** What a supplier confirmed by mail or on the telephone. */
export function ConfirmByHand({ order }: { order: Order }) {
  const [change, { error }] = useChangeOrderMutation()
  const start: Confirmation = {
    at: order.updatedAt,
    reference: '',
    lines: order.lines.map(({ id, purchases }) => ({
      lineId: id,
      times: purchases.length,
      cost: null,
      dueOn: null,
      why: '',
    })),
  }
  const form = useSaveForm(Confirmation, start, (confirmation) =>
    change({
      id: order.id,
      version: order.version,
      confirmation: { ...confirmation, at: new Date().toISOString() },
    }),
  )
  return (
    <Disclosure summary="Enter what the supplier confirmed">
      <form noValidate onSubmit={form.submit} className="flex flex-col gap-3">
        <Faults count={form.faults} />
        <Field label="Their order number" className="max-w-xs" error={form.error('reference')}>
          {(control) => (
            <TextInput
              {...control}
              value={form.value('reference')}
              onValue={(text) => form.set('reference', text)}
            />
          )}
        </Field>
        {order.lines.map(({ id, module, purchases }, at) => (
          <fieldset key={id} className="border-t border-rule pt-2">
            <legend className="font-medium">
              {purchases.length} × {module.article}
            </legend>
            <div className="grid gap-3 sm:grid-cols-4">
              <Field label="They send" error={form.error(`lines.${at}.times`)}>
                {(control) => (
                  <TextInput
                    {...control}
                    inputMode="numeric"
                    value={form.value(`lines.${at}.times`)}
                    onValue={(text) => form.set(`lines.${at}.times`, numberFrom(text))}
                  />
                )}
              </Field>
              <Field label="Cost each" error={form.error(`lines.${at}.cost`)}>
                {(control) => (
                  <TextInput
                    {...control}
                    inputMode="decimal"
                    value={inUnits(form.value(`lines.${at}.cost`))}
                    onValue={(text) =>
                      form.set(`lines.${at}.cost`, text.trim() === '' ? null : minorFrom(text))
                    }
                  />
                )}
              </Field>
              <Field label="Comes on" error={form.error(`lines.${at}.dueOn`)}>
                {(control) => (
                  <DateInput
                    {...control}
                    value={form.value(`lines.${at}.dueOn`)}
                    onValue={(text) => form.set(`lines.${at}.dueOn`, text || null)}
                  />
                )}
              </Field>
              <Field label="Why not all of it" error={form.error(`lines.${at}.why`)}>
                {(control) => (
                  <TextInput
                    {...control}
                    value={form.value(`lines.${at}.why`)}
                    onValue={(text) => form.set(`lines.${at}.why`, text)}
                  />
                )}
              </Field>
            </div>
          </fieldset>
        ))}
        <ErrorText>{error ? saidOf(error) : ''}</ErrorText>
        <Button look="main" type="submit" className="self-end">
          Save the confirmation
        </Button>
      </form>
    </Disclosure>
  )
}
