import type { RequestHandler } from 'express'
import { HttpError } from '../errors'

const OWN_HOST = /^(localhost|127\.0\.0\.1|\[::1\])(:\d+)?$/i

/** Sites whose pages ask; a browser says so also where it names no origin. `none` is a person who typed the address. */
const OWN_SITES = ['same-origin', 'none']

/**
 * Refuses requests that other web pages make through the browser: a foreign name for this machine, a foreign
 * origin, or another site. A link from elsewhere may open a page.
 */
export const ownPagesOnly: RequestHandler = (request, _response, next) => {
  const { host, origin } = request.headers
  const site = request.headers['sec-fetch-site']
  const opens =
    request.headers['sec-fetch-mode'] === 'navigate' && !request.path.startsWith('/api/')
  const foreign =
    !OWN_HOST.test(host ?? '') ||
    (origin !== undefined && !sameHost(origin, host)) ||
    (site !== undefined && !OWN_SITES.includes(String(site)) && !opens)
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

/** What is answered about customers is kept in no cache. */
export const keptNowhere: RequestHandler = (_request, response, next) => {
  response.setHeader('Cache-Control', 'no-store')
  next()
}
