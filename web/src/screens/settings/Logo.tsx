import type { Shop } from '@tembrix/core/things/records'
import { ImageUp } from 'lucide-react'
import { useState } from 'react'
import { saidOf, useChangeShopMutation } from '../../base/data'
import { Button, ErrorText, FileDrop } from '../../base/ui'

/** The most bytes of a logo: it goes onto every paper. */
const MOST_BYTES = 300_000

/** A picture of the shop’s own for its quotes and reports. */
export function Logo({ shop }: { shop: Shop }) {
  const [change, { error }] = useChangeShopMutation()
  const [fault, setFault] = useState('')

  async function take(file: File) {
    setFault('')
    if (file.size > MOST_BYTES) {
      setFault('At most 300 kB: make the picture smaller.')
      return
    }
    await change({ version: shop.version, logo: await addressOf(file) })
  }
  return (
    <section aria-label="Logo" className="border-b border-rule pb-3">
      <h2 className="text-lg font-semibold">Logo</h2>
      <div className="flex flex-wrap items-center gap-3">
        {shop.logo ? (
          <img src={shop.logo} alt="The shop’s logo" className="max-h-20 max-w-60 bg-white p-1" />
        ) : (
          <span className="text-ink-2">None: quotes and reports carry the name alone.</span>
        )}
        <FileDrop
          label="Logo"
          accept="image/png,image/jpeg"
          onFiles={([file]) => file && void take(file)}
        >
          <ImageUp size={17} aria-hidden /> {shop.logo ? 'Another picture' : 'Take a picture file'}
        </FileDrop>
        {shop.logo && (
          <Button look="quiet" onClick={() => change({ version: shop.version, logo: null })}>
            Remove
          </Button>
        )}
      </div>
      <ErrorText>{fault || (error ? saidOf(error) : '')}</ErrorText>
    </section>
  )
}

const addressOf = (file: File): Promise<string> =>
  new Promise((resolve, reject) => {
    const reader = new FileReader()
    reader.onload = () => resolve(String(reader.result))
    reader.onerror = () => reject(reader.error)
    reader.readAsDataURL(file)
  })
