import type { RequestHandler } from 'express'
import type { DiskTrouble } from '../database'
import { HttpError } from '../errors'

/** What is asked of the disk: whether it takes anything, and that it has what was written. */
export interface Storage {
  trouble: () => DiskTrouble | null
  flush: () => Promise<void>
}

const READING = ['GET', 'HEAD', 'OPTIONS']

const SAYS: Record<DiskTrouble, string> = {
  full: 'The disk of the server is full, so nothing can be stored. Make room on it; what you typed is kept in this browser and sent then.',
  'read-only':
    'The data folder of the server cannot be written to, so nothing can be stored. What you typed is kept in this browser and sent then.',
}

/** Nothing is begun that the disk would not take, and no answer leaves before what it answers is on the disk. */
export const onTheDisk =
  ({ trouble, flush }: Storage): RequestHandler =>
  (request, response, next) => {
    if (READING.includes(request.method)) return next()
    const what = trouble()
    if (what) throw new HttpError(507, 'no_room', SAYS[what])
    const end = response.end.bind(response) as (...given: unknown[]) => typeof response
    response.end = ((...given: unknown[]) => {
      flush().then(
        () => end(...given),
        // Whether it is stored is not known: no answer is the honest one, and it is asked again.
        () => response.destroy(),
      )
      return response
    }) as typeof response.end
    next()
  }
