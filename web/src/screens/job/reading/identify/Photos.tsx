import type { Photo } from '@tembrix/core/things/records'
import { Trash2 } from 'lucide-react'
import { useState } from 'react'
import { removing } from '../../../../base/data'
import { Confirm, Dialog, IconButton } from '../../../../base/ui'
import { useJob, usePicture } from '../../base/file'

type Open = { kind: 'large' | 'removing'; photo: Photo }

/** The job's photos, small; one opens large. They are dropped where everything else is read. */
export function Photos() {
  const { file, edit } = useJob()
  const [open, setOpen] = useState<Open | null>(null)
  const close = () => setOpen(null)
  if (file.photos.length === 0) return null
  return (
    <section aria-label="Photos" className="flex flex-col gap-1">
      <h3 className="font-semibold">Photos</h3>
      <ul className="grid grid-cols-3 gap-2">
        {file.photos.map((photo) => (
          <li key={photo.id} className="relative">
            <button
              type="button"
              onClick={() => setOpen({ kind: 'large', photo })}
              className="block w-full overflow-hidden rounded-sm border border-rule-2"
            >
              <Picture photo={photo} className="h-24 w-full object-cover" />
            </button>
            <IconButton
              label={`Remove the photo ${photo.caption}`}
              onClick={() => setOpen({ kind: 'removing', photo })}
              look="remove"
              className="absolute top-1 right-1"
            >
              <Trash2 size={15} aria-hidden />
            </IconButton>
          </li>
        ))}
      </ul>
      {open?.kind === 'large' && (
        <Dialog open onOpen={close} title={open.photo.caption || 'Photo'}>
          <Picture photo={open.photo} className="w-full" />
        </Dialog>
      )}
      {open?.kind === 'removing' && (
        <Confirm
          title="Remove this photo?"
          action="Remove it"
          onConfirm={() => edit.settle('', [removing('photos', open.photo)])}
          onClose={close}
        >
          <p className="mb-2">Its picture is not kept anywhere else; it cannot be brought back.</p>
          <Picture photo={open.photo} className="max-h-64" />
        </Confirm>
      )}
    </section>
  )
}

function Picture({ photo, className }: { photo: Photo; className: string }) {
  const address = usePicture(photo.id)
  return (
    <img
      src={address}
      alt={photo.caption || 'photo of the job'}
      loading="lazy"
      className={className}
    />
  )
}
