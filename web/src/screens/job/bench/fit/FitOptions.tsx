import { IN_THE_WAY } from '@tembrix/core/things/model'
import { Camera } from 'lucide-react'
import { useState } from 'react'
import { CHOICES } from '../../../../base/format'
import {
  Check,
  Disclosure,
  ErrorText,
  Field,
  FileDrop,
  Select,
  TextInput,
} from '../../../../base/ui'
import { TEST_FROM_OPTIONS } from '../../../../parts/machineFields'
import { useAddPhoto, useShop } from '../../base/file'
import { Photos } from '../../reading/identify'
import { OpenedBy } from './OpenedBy'
import type { Fitting } from './useFit'

/** How it is done in this shop, what was noticed, and photos. */
export function FitOptions({ fitting }: { fitting: Fitting }) {
  const { fit, set } = fitting
  const { terms } = useShop()
  return (
    <Disclosure
      className="border-t border-rule"
      summary={<span className="font-semibold">Ways of working, notes, photos</span>}
    >
      <div className="flex flex-col gap-3 pb-2">
        <div className="grid grid-cols-2 gap-3">
          <Field label="Against static">
            {(control) => (
              <Select
                {...control}
                value={fit.static}
                options={[
                  { value: 'strap', label: 'strap and mat' },
                  { value: 'touch', label: 'touching bare metal' },
                ]}
                onValue={(value) => set({ static: value as 'strap' | 'touch' })}
              />
            )}
          </Field>
          <Field label="Memory tests run from">
            {(control) => (
              <Select
                {...control}
                value={fit.testFrom ?? terms.testFrom}
                options={TEST_FROM_OPTIONS}
                onValue={(testFrom) => set({ testFrom })}
              />
            )}
          </Field>
          <OpenedBy fitting={fitting} />
        </div>
        <fieldset className="flex flex-wrap items-center gap-x-4">
          <legend className="text-sm text-ink-2">In the way over the slots</legend>
          {IN_THE_WAY.map((one) => (
            <Check
              key={one}
              label={CHOICES.inTheWay[one]}
              checked={fit.inTheWay.includes(one)}
              onChecked={(on) =>
                set({
                  inTheWay: IN_THE_WAY.filter((other) =>
                    other === one ? on : fit.inTheWay.includes(other),
                  ),
                })
              }
            />
          ))}
        </fieldset>
        <Field label="Notes">
          {(control) => (
            <TextInput {...control} lines={3} value={fit.note} onValue={(note) => set({ note })} />
          )}
        </Field>
        <AddPhoto />
        <Photos />
      </div>
    </Disclosure>
  )
}

/** Takes a picture in, of a file or of the tablet's camera. */
export function AddPhoto({ onAdded }: { onAdded?: (id: string) => void }) {
  const add = useAddPhoto()
  const [fault, setFault] = useState('')

  async function take(picture: File | undefined) {
    setFault('')
    if (!picture) return
    const taken = await add(picture)
    if ('fault' in taken) setFault(taken.fault)
    else onAdded?.(taken.id)
  }

  return (
    <>
      <FileDrop
        label="Photo"
        accept="image/jpeg,image/png,image/webp"
        onFiles={([picture]) => void take(picture)}
      >
        <Camera size={17} aria-hidden /> Add a photo
      </FileDrop>
      <ErrorText>{fault}</ErrorText>
    </>
  )
}
