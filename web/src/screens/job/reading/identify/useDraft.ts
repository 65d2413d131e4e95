import { useState } from 'react'

const keyOf = (jobId: string) => `tembrix.identify.${jobId}`

/** The text in the paste box of a job, kept in the browser until it is read: a reload loses nothing. */
export function useDraft(jobId: string): [string, (text: string) => void] {
  const [text, setText] = useState(() => stored(jobId))
  return [
    text,
    (typed) => {
      setText(typed)
      try {
        if (typed === '') localStorage.removeItem(keyOf(jobId))
        else localStorage.setItem(keyOf(jobId), typed)
      } catch {
        // The storage is full or off: the text stays on the screen.
      }
    },
  ]
}

function stored(jobId: string): string {
  try {
    return localStorage.getItem(keyOf(jobId)) ?? ''
  } catch {
    return ''
  }
}
