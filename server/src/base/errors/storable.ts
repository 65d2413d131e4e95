import { HttpError } from './errors'

export const malformedText = () =>
  new HttpError(400, 'malformed_text', 'The request holds text that is not valid Unicode.')

/** Whether every text in a JSON value is well-formed and free of NUL. Walks without recursion, so depth is no matter. */
export function storable(body: unknown): boolean {
  const open: unknown[] = [body]
  while (open.length > 0) {
    const value = open.pop()
    if (typeof value === 'string') {
      if (!value.isWellFormed() || value.includes('\0')) return false
    } else if (typeof value === 'object' && value !== null) {
      for (const [key, inner] of Object.entries(value)) open.push(key, inner)
    }
  }
  return true
}
