import { CURRENCIES, type Shop, STARTING_TERMS, Terms } from '@tembrix/core/things/records'
import { useNavigate } from 'react-router'
import { useChangeShopMutation } from '../../base/data'
import { Faults, useSaveForm } from '../../base/form'
import { numberFrom } from '../../base/format'
import { Button, Check, ErrorText, Field, Select, TextInput } from '../../base/ui'

const Few = Terms.extend({ shopName: Terms.shape.shopName.min(1, 'What is the shop called?') })

/** The few things that matter before the first job; all else can wait. */
export function FirstRun({ shop }: { shop: Shop }) {
  const navigate = useNavigate()
  const [change, { error: failed, isLoading }] = useChangeShopMutation()
  const form = useSaveForm(Few, { ...STARTING_TERMS, ...shop.terms }, async (terms) => {
    const done = await change({ version: shop.version, terms })
    if (!done.error) navigate('/jobs/new')
  })
  const { value, error, set } = form
  return (
    <form
      noValidate
      onSubmit={form.submit}
      aria-label="First things"
      className="mx-auto flex w-full max-w-lg flex-col gap-3 bg-sheet p-5"
    >
      <h2 className="text-lg font-semibold">Before the first job</h2>
      <p>Three things that stand on every quote. Everything else can wait, under Settings.</p>
      <Faults count={form.faults} />
      <Field label="Name of the shop" error={error('shopName')}>
        {(control) => (
          <TextInput
            {...control}
            autoFocus
            value={value('shopName')}
            onValue={(text) => set('shopName', text)}
          />
        )}
      </Field>
      <div className="grid grid-cols-2 gap-3">
        <Field label="Currency">
          {(control) => (
            <Select
              {...control}
              value={String(value('currency'))}
              options={Object.keys(CURRENCIES).map((one) => ({ value: one, label: one }))}
              onValue={(currency) => set('currency', currency)}
            />
          )}
        </Field>
        <Field label="Tax, %" error={error('taxPercent')}>
          {(control) => (
            <TextInput
              {...control}
              inputMode="decimal"
              value={value('taxPercent')}
              onValue={(text) => set('taxPercent', numberFrom(text))}
            />
          )}
        </Field>
      </div>
      <Check
        label="Prices include it"
        checked={value('pricesIncludeTax') === true}
        onChecked={(on) => set('pricesIncludeTax', on)}
      />
      {failed && <ErrorText>Not saved: the server did not accept it or does not answer.</ErrorText>}
      <Button look="main" type="submit" disabled={isLoading}>
        Save, and begin the first job
      </Button>
      <p className="text-sm text-ink-2">
        To look around in a made-up shop first, start this program with{' '}
        <code className="font-mono">npm run demo</code>: it has a folder of its own, and yours stays
        as it is.
      </p>
    </form>
  )
}
