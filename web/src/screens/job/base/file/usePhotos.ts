import { PHOTO_LIMIT, PHOTO_TYPES } from '@tembrix/core/things/records'
import { useEffect, useState } from 'react'
import { API, heldPicture, holdPicture, making, useAppSelector } from '../../../../base/data'
import { useJob } from './JobContext'

/** Takes pictures in: kept here at once and sent when the server is there. */
export function useAddPhoto(): (picture: File) => Promise<{ id: string } | { fault: string }> {
  const { file, edit } = useJob()
  return async (picture) => {
    const { name } = picture
    if (picture.size > PHOTO_LIMIT) {
      const fault = `${name} is larger than ${PHOTO_LIMIT / 1_000_000} MB, so it was not opened.`
      return { fault }
    }
    if (!(PHOTO_TYPES as readonly string[]).includes(picture.type)) {
      return { fault: `${name} is not kept: photos are kept as JPEG, PNG or WebP.` }
    }
    if (!(await isPicture(picture))) return { fault: `${name} is no picture that can be read.` }
    const made = making('photos', { jobId: file.id, caption: name.slice(0, 200) })
    await holdPicture(made.recordId, picture)
    edit.settle('', [made])
    return { id: made.recordId }
  }
}

async function isPicture(picture: File): Promise<boolean> {
  try {
    const bitmap = await createImageBitmap(picture)
    bitmap.close()
    return true
  } catch {
    return false
  }
}

/** Where a photo's picture is: with the server, or here while it has not been sent; undefined until it is known. */
export function usePicture(id: string): string | undefined {
  const waits = useAppSelector(({ outbox }) =>
    outbox.entries.some((one) => one.recordId === id && one.action === 'create'),
  )
  const [held, setHeld] = useState<string>()
  useEffect(() => {
    if (!waits) return
    let address: string | undefined
    let left = false
    void heldPicture(id).then((picture) => {
      if (!picture || left) return
      address = URL.createObjectURL(picture)
      setHeld(address)
    })
    return () => {
      left = true
      if (address) URL.revokeObjectURL(address)
      setHeld(undefined)
    }
  }, [id, waits])
  return waits ? held : `${API}/photos/${id}/picture`
}
