import { existsSync } from 'node:fs'

const USUAL = ['/usr/bin/chromium', '/usr/bin/chromium-browser']

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
  ],
}
