import type { RequestHandler } from 'express'
import { HttpError } from './errors'

const OWN_HOST = /^(localhost|127\.0\.0\.1|\[::1\])(:\d+)?$/i

/** Refuses requests that other web pages make through the browser: a foreign name for this machine, or a foreign origin. */
export const ownPagesOnly: RequestHandler = (request, _response, next) => {
  const { host, origin } = request.headers
  const foreign = !OWN_HOST.test(host ?? '') || (origin !== undefined && !sameHost(origin, host))
  if (foreign) throw new HttpError(403, 'foreign', 'Only Tembrix’s own pages may ask this.')
  next()
}

/** Where it is reached by any name: refuses only what pages from elsewhere ask through the browser. */
export const samePageOnly: RequestHandler = (request, _response, next) => {
  const { host, origin } = request.headers
  if (origin !== undefined && !sameHost(origin, host)) {
    throw new HttpError(403, 'foreign', 'Only the probe’s own page may ask this.')
  }
  next()
}

function sameHost(origin: string, host: string | undefined): boolean {
  return URL.canParse(origin) && new URL(origin).host === host
}
