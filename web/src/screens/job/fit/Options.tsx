import { Camera } from 'lucide-react'
import { useRef, useState } from 'react'
import { Button, Field, Select, TextInput } from '../../../base/ui'
import { useAddPhoto } from '../file'
import { Photos } from '../identify'
import { OpenedBy } from './OpenedBy'
import type { Fitting } from './useFit'

/** How it is done in this shop, what was noticed, and photos. */
export function Options({ fitting }: { fitting: Fitting }) {
  const { fit, set } = fitting
  return (
    <details className="border-t border-rule">
      <summary className="flex min-h-11 cursor-pointer items-center font-semibold">
        Ways of working, notes, photos
      </summary>
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
          <OpenedBy fitting={fitting} />
        </div>
        <Field label="Notes">
          {(control) => (
            <TextInput {...control} lines={3} value={fit.note} onValue={(note) => set({ note })} />
          )}
        </Field>
        <AddPhoto />
        <Photos />
      </div>
    </details>
  )
}

/** Takes a picture in, of a file or of the tablet's camera. */
export function AddPhoto({ onAdded }: { onAdded?: (id: string) => void }) {
  const add = useAddPhoto()
  const [fault, setFault] = useState('')
  const chooser = useRef<HTMLInputElement>(null)

  async function take(picture: File | undefined) {
    setFault('')
    if (!picture) return
    const taken = await add(picture)
    if ('fault' in taken) setFault(taken.fault)
    else onAdded?.(taken.id)
  }

  return (
    <>
      <Button className="self-start" onClick={() => chooser.current?.click()}>
        <Camera size={17} aria-hidden /> Add a photo
      </Button>
      <input
        ref={chooser}
        type="file"
        accept="image/jpeg,image/png,image/webp"
        aria-label="Photo"
        className="hidden"
        onChange={({ target }) => {
          void take(target.files?.[0])
          target.value = ''
        }}
      />
      {fault && (
        <p role="alert" className="font-medium text-stop">
          {fault}
        </p>
      )}
    </>
  )
}
