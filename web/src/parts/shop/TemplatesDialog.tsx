import {
  PLACEHOLDERS,
  STARTING_TEMPLATES,
  TEMPLATE_REASONS,
  type TemplateReason,
  Templates,
} from '@tembrix/core/things/records'
import { RotateCcw } from 'lucide-react'
import { useChangeShopMutation, useShopQuery } from '../../base/data'
import { Faults, SaveForShop, useSaveForm } from '../../base/form'
import { Button, Dialog, Field, TextInput } from '../../base/ui'

const NAMES: Record<TemplateReason, string> = {
  quote: 'The quote is ready',
  parts: 'Waiting for a part',
  ready: 'Ready to collect',
  reminder: 'The quote is still open',
}

/** What the shop writes to customers, by mail and as text messages. */
export function TemplatesDialog({ onClose }: { onClose: () => void }) {
  const { data: shop } = useShopQuery()
  const [change, { error }] = useChangeShopMutation()
  const start = shop?.templates ?? STARTING_TEMPLATES
  const form = useSaveForm(Templates, start, async (templates) => {
    if (!shop) return
    const done = await change({ version: shop.version, templates })
    if (!done.error) onClose()
  })
  const text = (label: string, path: string, lines?: number) => (
    <Field label={label} error={form.error(path)}>
      {(control) => (
        <TextInput
          {...control}
          {...(lines ? { lines } : {})}
          value={form.value(path)}
          onValue={(typed) => form.set(path, typed)}
        />
      )}
    </Field>
  )
  return (
    <Dialog
      open
      onOpen={onClose}
      wide
      title="Messages to customers"
      intro={`Filled in for each job: ${PLACEHOLDERS.map((name) => `{${name}}`).join(', ')}. Every message can be changed before it goes.`}
    >
      <form noValidate onSubmit={form.submit} className="flex flex-col gap-4">
        <Faults count={form.faults} />
        {TEMPLATE_REASONS.map((reason) => (
          <fieldset key={reason} className="border-b border-rule pb-3">
            <legend className="font-semibold">{NAMES[reason]}</legend>
            <div className="grid gap-3 md:grid-cols-2">
              <div className="flex flex-col gap-2">
                {text('Subject of the mail', `${reason}.subject`)}
                {text('Mail', `${reason}.mail`, 6)}
              </div>
              {text('Text message', `${reason}.text`, 4)}
            </div>
          </fieldset>
        ))}
        <SaveForShop failed={error !== undefined} disabled={!shop} onClose={onClose}>
          <Button look="quiet" onClick={() => form.fill(STARTING_TEMPLATES)}>
            <RotateCcw size={17} aria-hidden /> The starting texts
          </Button>
        </SaveForShop>
      </form>
    </Dialog>
  )
}
