import type { Photo } from '@tembrix/core/records'
import { Trash2 } from 'lucide-react'
import { useState } from 'react'
import { API, removed, useAppDispatch } from '../../data'
import { Dialog } from '../../ui'
import { useJob } from '../file'

/** The job's photos, small; one opens large. They are dropped where everything else is read. */
export function Photos() {
  const { file } = useJob()
  const dispatch = useAppDispatch()
  const [open, setOpen] = useState<Photo | null>(null)
  if (file.photos.length === 0) return null
  const address = (photo: Photo) => `${API}/photos/${photo.id}/picture`
  return (
    <section aria-label="Photos" className="flex flex-col gap-1">
      <h3 className="font-semibold">Photos</h3>
      <ul className="grid grid-cols-3 gap-2">
        {file.photos.map((photo) => (
          <li key={photo.id} className="relative">
            <button
              type="button"
              onClick={() => setOpen(photo)}
              className="block w-full overflow-hidden rounded-sm border border-rule-2"
            >
              <img
                src={address(photo)}
                alt={photo.caption || 'photo of the job'}
                loading="lazy"
                className="h-24 w-full object-cover"
              />
            </button>
            <button
              type="button"
              aria-label={`Remove the photo ${photo.caption}`}
              onClick={() =>
                dispatch(
                  removed({
                    jobId: file.id,
                    collection: 'photos',
                    recordId: photo.id,
                    version: photo.version,
                  }),
                )
              }
              className="absolute top-1 right-1 grid size-9 place-items-center rounded-sm bg-sheet/90 hover:bg-stop-soft"
            >
              <Trash2 size={15} aria-hidden />
            </button>
          </li>
        ))}
      </ul>
      {open && (
        <Dialog open onOpen={() => setOpen(null)} title={open.caption || 'Photo'}>
          <img src={address(open)} alt={open.caption || 'photo of the job'} className="w-full" />
        </Dialog>
      )}
    </section>
  )
}
