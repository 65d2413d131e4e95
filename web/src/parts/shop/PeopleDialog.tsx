import { Person } from '@tembrix/core/things/records'
import { Plus, Trash2 } from 'lucide-react'
import { z } from 'zod'
import { useChangeShopMutation, useShopQuery } from '../../base/data'
import { Faults, SaveForShop, useSaveForm } from '../../base/form'
import { Button, Check, Dialog, Field, IconButton, TextInput } from '../../base/ui'

const People = z.object({ people: z.array(Person).max(60) })

/** Who works in the shop: offered where somebody says who did it; owners see what parts cost. */
export function PeopleDialog({ onClose }: { onClose: () => void }) {
  const { data: shop } = useShopQuery()
  const [change, { error }] = useChangeShopMutation()
  const form = useSaveForm(People, { people: shop?.people ?? [] }, async ({ people }) => {
    if (!shop) return
    const done = await change({ version: shop.version, people })
    if (!done.error) onClose()
  })
  const people = form.value('people') as Person[]
  const put = (next: Person[]) => form.set('people', next)

  return (
    <Dialog
      open
      onOpen={onClose}
      title="People"
      intro="Nobody signs in yet: who works at a screen says so there. Costs and margins are shown to owners; where no owner is named, to everybody."
    >
      <form noValidate onSubmit={form.submit} className="flex flex-col gap-3">
        <Faults count={form.faults} />
        {people.map(({ id, name, owner, bench }, at) => (
          <div key={id} className="flex flex-wrap items-end gap-x-5 border-b border-rule pb-2">
            <Field label="Name" className="min-w-48 flex-1" error={form.error(`people.${at}.name`)}>
              {(control) => (
                <TextInput
                  {...control}
                  value={name}
                  onValue={(text) => form.set(`people.${at}.name`, text)}
                />
              )}
            </Field>
            <Check
              label="Owner"
              checked={owner}
              onChecked={(on) => form.set(`people.${at}.owner`, on)}
            />
            <Check
              label="At the bench"
              checked={bench}
              onChecked={(on) => form.set(`people.${at}.bench`, on)}
            />
            <IconButton
              label={`Remove ${name || 'this person'}`}
              look="remove"
              onClick={() => put(people.filter((one) => one.id !== id))}
            >
              <Trash2 size={17} aria-hidden />
            </IconButton>
          </div>
        ))}
        <Button
          className="self-start"
          onClick={() =>
            put([...people, { id: crypto.randomUUID(), name: '', owner: false, bench: true }])
          }
        >
          <Plus size={17} aria-hidden /> A person
        </Button>
        <SaveForShop failed={error !== undefined} disabled={!shop} onClose={onClose} />
      </form>
    </Dialog>
  )
}
