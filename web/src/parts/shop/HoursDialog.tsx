import { Week } from '@tembrix/core/things/records'
import { z } from 'zod'
import { useChangeShopMutation, useShopQuery } from '../../base/data'
import { Faults, SaveForShop, useSaveForm } from '../../base/form'
import { WEEKDAYS } from '../../base/format'
import { Check, Dialog, Field, TextInput } from '../../base/ui'

const Hours = z.object({ hours: Week })

/** What a shop that has said nothing is asked about. */
const USUAL: Week = WEEKDAYS.map((_, at) => (at < 5 ? { from: '09:00', to: '18:00' } : null))

/** When the shop is open: the week is planned against it. */
export function HoursDialog({ onClose }: { onClose: () => void }) {
  const { data: shop } = useShopQuery()
  const [change, { error }] = useChangeShopMutation()
  const form = useSaveForm(Hours, { hours: shop?.hours ?? USUAL }, async ({ hours }) => {
    if (!shop) return
    const done = await change({ version: shop.version, hours })
    if (!done.error) onClose()
  })
  const hours = form.value('hours') as Week

  return (
    <Dialog open onOpen={onClose} title="Opening hours" intro="The week is planned against them.">
      <form noValidate onSubmit={form.submit} className="flex flex-col gap-2">
        <Faults count={form.faults} />
        {WEEKDAYS.map((name, at) => (
          <div key={name} className="flex flex-wrap items-end gap-4 border-b border-rule pb-2">
            <span className="w-36">
              <Check
                label={name}
                checked={hours[at] !== null}
                onChecked={(on) =>
                  form.set(`hours.${at}`, on ? { from: '09:00', to: '18:00' } : null)
                }
              />
            </span>
            {hours[at] ? (
              (['from', 'to'] as const).map((end) => (
                <Field
                  key={end}
                  label={end === 'from' ? 'Opens' : 'Closes'}
                  className="w-32"
                  error={form.error(`hours.${at}.${end}`)}
                >
                  {(control) => (
                    <TextInput
                      {...control}
                      inputMode="numeric"
                      value={form.value(`hours.${at}.${end}`)}
                      onValue={(text) => form.set(`hours.${at}.${end}`, timeFrom(text))}
                    />
                  )}
                </Field>
              ))
            ) : (
              <span className="min-h-11 content-center text-ink-2">closed</span>
            )}
          </div>
        ))}
        <SaveForShop failed={error !== undefined} disabled={!shop} onClose={onClose} />
      </form>
    </Dialog>
  )
}

/** “9”, “9.30” and “9:30” as people type them, as a time of day; what is none stays as typed. */
function timeFrom(text: string): string {
  const [, hour, minute = '00'] = /^\s*(\d{1,2})(?:[:.](\d{2}))?\s*$/.exec(text) ?? []
  return hour === undefined ? text : `${hour.padStart(2, '0')}:${minute}`
}
