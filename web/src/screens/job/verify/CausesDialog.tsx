import { CauseTable, STARTING_CAUSES } from '@tembrix/core/diagnose'
import { RotateCcw } from 'lucide-react'
import { useState } from 'react'
import { useChangeShopMutation, useShopQuery } from '../../../base/data'
import { Button, Dialog, Field, numberFrom, TextInput } from '../../../base/ui'
import { CAUSE_ROWS } from '../../../parts/judgement'

/** How often the shop meets each cause; the fault finder begins from it. */
export function CausesDialog({ onClose }: { onClose: () => void }) {
  const { data: shop } = useShopQuery()
  const [change, { error }] = useChangeShopMutation()
  const [draft, setDraft] = useState<Record<string, unknown>>(shop?.causes ?? STARTING_CAUSES)
  const parsed = CauseTable.safeParse(draft)
  const fault = (name: string) => parsed.error?.issues.find(({ path }) => path[0] === name)?.message

  async function save() {
    if (!shop || !parsed.success) return
    const done = await change({ version: shop.version, causes: parsed.data })
    if (!done.error) onClose()
  }

  return (
    <Dialog
      open
      onOpen={onClose}
      title="How often each cause is met"
      intro="Against each other: 10 is met twice as often as 5. Every fault is looked for from here."
    >
      <div className="grid gap-x-4 gap-y-2 sm:grid-cols-2">
        {CAUSE_ROWS.map(([name, label, because]) => (
          <Field key={name} label={label} hint={because} error={fault(name)}>
            {(control) => (
              <TextInput
                {...control}
                inputMode="decimal"
                value={draft[name]}
                onValue={(text) => setDraft({ ...draft, [name]: numberFrom(text) })}
              />
            )}
          </Field>
        ))}
      </div>
      {error && (
        <p role="alert" className="mt-2 font-medium text-stop">
          Not saved: somebody may have changed it meanwhile. Close this and try again.
        </p>
      )}
      <div className="mt-4 flex flex-wrap justify-end gap-3">
        <Button look="quiet" className="mr-auto" onClick={() => setDraft({ ...STARTING_CAUSES })}>
          <RotateCcw size={17} aria-hidden /> The starting table
        </Button>
        <Button onClick={onClose}>Cancel</Button>
        <Button look="main" disabled={!parsed.success || !shop} onClick={save}>
          Save for the shop
        </Button>
      </div>
    </Dialog>
  )
}
