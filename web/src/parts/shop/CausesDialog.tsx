import { CauseTable, STARTING_CAUSES } from '@tembrix/core/bench/diagnose'
import { RotateCcw } from 'lucide-react'
import { useChangeShopMutation, useShopQuery } from '../../base/data'
import { Faults, SaveForShop, useSaveForm } from '../../base/form'
import { numberFrom } from '../../base/format'
import { Button, Dialog, Field, TextInput } from '../../base/ui'
import { CAUSE_ROWS } from '../judgement'

/** How often the shop meets each cause; the fault finder begins from it. */
export function CausesDialog({ onClose }: { onClose: () => void }) {
  const { data: shop } = useShopQuery()
  const [change, { error }] = useChangeShopMutation()
  const form = useSaveForm(CauseTable, shop?.causes ?? STARTING_CAUSES, async (causes) => {
    if (!shop) return
    const done = await change({ version: shop.version, causes })
    if (!done.error) onClose()
  })
  const startOver = () => {
    for (const [name, weight] of Object.entries(STARTING_CAUSES)) form.set(name, weight)
  }

  return (
    <Dialog
      open
      onOpen={onClose}
      title="How often each cause is met"
      intro="Against each other: 10 is met twice as often as 5. Every fault is looked for from here."
    >
      <form noValidate onSubmit={form.submit} className="flex flex-col gap-3">
        <Faults count={form.faults} />
        <div className="grid gap-x-4 gap-y-2 sm:grid-cols-2">
          {CAUSE_ROWS.map(([name, label, because]) => (
            <Field key={name} label={label} hint={because} error={form.error(name)}>
              {(control) => (
                <TextInput
                  {...control}
                  inputMode="decimal"
                  value={form.value(name)}
                  onValue={(text) => form.set(name, numberFrom(text))}
                />
              )}
            </Field>
          ))}
        </div>
        <SaveForShop failed={error !== undefined} disabled={!shop} onClose={onClose}>
          <Button look="quiet" onClick={startOver}>
            <RotateCcw size={17} aria-hidden /> The starting table
          </Button>
        </SaveForShop>
      </form>
    </Dialog>
  )
}
