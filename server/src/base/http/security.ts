import { randomBytes } from 'node:crypto'
import type { RequestHandler } from 'express'
import helmet, { type HelmetOptions } from 'helmet'

/** Where a page finds by which word its own styles are known. */
export const NONCE = '__NONCE__'

const options: HelmetOptions = {
  contentSecurityPolicy: {
    directives: {
      'upgrade-insecure-requests': null,
      // The calendar brings the letters of its arrows along as text.
      'font-src': ["'self'", 'data:'],
      // A photo is shown before it has been sent.
      'img-src': ["'self'", 'data:', 'blob:'],
      // What lays out a PDF brings its WebAssembly along as text.
      'connect-src': ["'self'", 'data:'],
      // The probe reads memory with WebAssembly; nothing else may be evaluated.
      'script-src': ["'self'", "'wasm-unsafe-eval'"],
      // A dialog keeps what is behind it from scrolling by a style of its own.
      'style-src': ["'self'", (_, response) => `'nonce-${nonceOf(response)}'`],
    },
  },
  strictTransportSecurity: false,
}

const nonces = new WeakMap<object, string>()

/** A word that is another for each answer. */
export function nonceOf(response: object): string {
  const nonce = nonces.get(response) ?? randomBytes(16).toString('base64')
  nonces.set(response, nonce)
  return nonce
}

/** What every page may load and do: only what comes from here. */
export const pageSecurity: RequestHandler = helmet(options)
