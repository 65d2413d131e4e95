import { existsSync } from 'node:fs'

const USUAL = ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium', '/usr/bin/chromium-browser']

/** How the browser is started: `CHROMIUM` names one, else Debian's. */
export const launchOptions = {
  executablePath: process.env.CHROMIUM ?? USUAL.find(existsSync) ?? 'chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    '--no-first-run',
    // A name that is not this machine's own: what it serves over plain HTTP is no secure context.
    '--host-resolver-rules=MAP bench.test 127.0.0.1',
  ],
}
