import { MACHINE_KINDS, type TestFrom } from '@tembrix/core/things/model'
import {
  CURRENCIES,
  DATE_FORMATS,
  PAPERS,
  STARTING_TERMS,
  Terms,
} from '@tembrix/core/things/records'
import { useChangeShopMutation, useShopQuery } from '../../base/data'
import { Faults, SaveForShop, useSaveForm } from '../../base/form'
import { CHOICES, capital, currencySign, inUnits, minorFrom, numberFrom } from '../../base/format'
import { Check, callout, Dialog, Field, Select, TextInput } from '../../base/ui'
import { TEST_FROM_OPTIONS } from '../machineFields'

const WORK = [
  ['display', 'All-in-one behind its display'],
  ['battery', 'Laptop battery off and on'],
  ['module', 'Each module out or in'],
  ['firstStart', 'First start, check'],
  ['profile', 'Memory profile'],
  ['stability', 'Soak test, attended'],
] as const

/** What the shop charges, how long its work takes, and what stands on every quote. */
export function TermsDialog({ onClose }: { onClose: () => void }) {
  const { data: shop } = useShopQuery()
  const [change, { error: failed }] = useChangeShopMutation()
  const form = useSaveForm(Terms, shop?.terms ?? STARTING_TERMS, async (terms) => {
    if (!shop) return
    const done = await change({ version: shop.version, terms })
    if (!done.error) onClose()
  })
  const { value, error, set } = form

  const figure = (label: string, path: string, amount = false) => (
    <Field key={label} label={label} error={error(path)}>
      {(control) => (
        <TextInput
          {...control}
          inputMode="decimal"
          value={amount ? inUnits(value(path)) : value(path)}
          onValue={(text) => set(path, amount ? minorFrom(text) : numberFrom(text))}
        />
      )}
    </Field>
  )
  return (
    <Dialog
      open
      onOpen={onClose}
      wide
      title="The shop’s terms"
      intro="For every quote from now on; approved ones stay as they are."
    >
      <form noValidate onSubmit={form.submit} className="flex flex-col gap-3">
        <Faults count={form.faults} />
        <div className="grid gap-x-5 gap-y-3 md:grid-cols-2">
          <div className="flex flex-col gap-3">
            <Field label="Name of the shop" error={error('shopName')}>
              {(control) => (
                <TextInput
                  {...control}
                  value={value('shopName')}
                  onValue={(text) => set('shopName', text)}
                />
              )}
            </Field>
            <Field label="Address, as printed" error={error('address')}>
              {(control) => (
                <TextInput
                  {...control}
                  lines={3}
                  value={value('address')}
                  onValue={(text) => set('address', text)}
                />
              )}
            </Field>
            <Field label="If it turns out not to work" error={error('returnTerms')}>
              {(control) => (
                <TextInput
                  {...control}
                  lines={3}
                  value={value('returnTerms')}
                  onValue={(text) => set('returnTerms', text)}
                />
              )}
            </Field>
          </div>
          <div className="grid grid-cols-2 content-start gap-3">
            <Field label="Currency">
              {(control) => (
                <Select
                  {...control}
                  value={String(value('currency'))}
                  options={Object.keys(CURRENCIES).map((value) => ({ value, label: value }))}
                  onValue={(currency) => set('currency', currency)}
                />
              )}
            </Field>
            <Field label="Paper">
              {(control) => (
                <Select
                  {...control}
                  value={String(value('paper'))}
                  options={PAPERS.map((one) => ({ value: one as string, label: one }))}
                  onValue={(paper) => set('paper', paper)}
                />
              )}
            </Field>
            <Field label="Labels">
              {(control) => (
                <Select
                  {...control}
                  value={value('label') ? 'printer' : 'sheet'}
                  options={[
                    { value: 'sheet', label: 'on sheets of paper' },
                    { value: 'printer', label: 'by a label printer' },
                  ]}
                  onValue={(how) =>
                    set('label', how === 'printer' ? { width: 62, height: 40 } : null)
                  }
                />
              )}
            </Field>
            {value('label') !== null && (
              <div className="grid grid-cols-2 gap-3">
                {figure('Label, mm wide', 'label.width')}
                {figure('mm high', 'label.height')}
              </div>
            )}
            <Field label="Dates">
              {(control) => (
                <Select
                  {...control}
                  value={String(value('dateFormat'))}
                  options={DATE_FORMATS.map((one) => ({ value: one as string, label: one }))}
                  onValue={(format) => set('dateFormat', format)}
                />
              )}
            </Field>
            {figure(`An hour of work, ${currencySign()}`, 'hourlyRate', true)}
            {figure('Tax, %', 'taxPercent')}
            <Check
              label="Prices include it"
              checked={value('pricesIncludeTax') === true}
              onChecked={(on) => set('pricesIncludeTax', on)}
            />
            {figure('Deposit, %', 'depositPercent')}
            {figure('Quotes are valid, days', 'validDays')}
            {figure('Old modules, % of the price', 'creditPercent')}
            {figure('Every fitted machine is tested, hours', 'testHours')}
            {figure('A soak test takes at most, hours', 'soakHours')}
            <Field label="Memory tests run from">
              {(control) => (
                <Select
                  {...control}
                  value={value('testFrom') as TestFrom}
                  options={TEST_FROM_OPTIONS}
                  onValue={(from) => set('testFrom', from)}
                />
              )}
            </Field>
            {figure('Warranty on new parts, months', 'warranty.newParts')}
            {figure('on used parts, months', 'warranty.usedParts')}
            {figure('on the work, months', 'warranty.work')}
          </div>
        </div>
        <p className={callout({ tone: 'risk', className: 'mt-3 text-[0.93rem]' })}>
          These are your terms, and quotes say only what stands here; an empty field is not said.
          Consumer law may forbid some of them: charging the work where the shop chose the wrong
          part, or used parts without any warranty. Ask someone who knows the law where you are.
        </p>
        <h3 className="mt-4 mb-1 font-semibold">Minutes of work</h3>
        <div className="grid grid-cols-2 gap-3 sm:grid-cols-5">
          {MACHINE_KINDS.map((kind) =>
            figure(`${capital(CHOICES.kind[kind])}, open and close`, `labour.open.${kind}`),
          )}
          {WORK.map(([name, label]) => figure(label, `labour.${name}`))}
        </div>
        <SaveForShop failed={failed !== undefined} disabled={!shop} onClose={onClose} />
      </form>
    </Dialog>
  )
}
