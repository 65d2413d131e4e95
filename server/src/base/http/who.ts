import { AsyncLocalStorage } from 'node:async_hooks'
import type { RequestHandler } from 'express'
import { storable } from '../errors'

const asking = new AsyncLocalStorage<string>()

/** Keeps who asks at hand for as long as a request is worked on: the name in its `X-Technician`, percent-encoded. */
export const rememberWho: RequestHandler = (request, _response, next) => {
  asking.run(nameIn(request.get('x-technician') ?? ''), next)
}

/** Who asks, as they typed it; empty where nobody said. */
export const whoAsks = (): string => asking.getStore() ?? ''

function nameIn(header: string): string {
  try {
    const name = decodeURIComponent(header).trim().slice(0, 80)
    return storable(name) ? name : ''
  } catch {
    return ''
  }
}
