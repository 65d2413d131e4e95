/** Where this browser keeps who works at it. */
export const WHO_KEY = 'tembrix.technician'

/** Says with a request who makes it, so that the history knows. */
export function withWho(headers: Headers): Headers {
  const name = localStorage.getItem(WHO_KEY) ?? ''
  if (name !== '') headers.set('x-technician', encodeURIComponent(name))
  return headers
}
