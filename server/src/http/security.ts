import type { HelmetOptions } from 'helmet'

/** What every page may load and do: only what comes from here. */
export const pageSecurity: HelmetOptions = {
  contentSecurityPolicy: {
    directives: {
      'upgrade-insecure-requests': null,
      'font-src': ["'self'"],
      // A photo is shown before it has been sent.
      'img-src': ["'self'", 'data:', 'blob:'],
      // The probe reads memory with WebAssembly; nothing else may be evaluated.
      'script-src': ["'self'", "'wasm-unsafe-eval'"],
    },
  },
  strictTransportSecurity: false,
}
