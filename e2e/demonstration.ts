import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { startApplication } from './application'

/** Fills a data folder with the demonstration once, for all tests to start from; removed when they end. */
export default async function demonstration() {
  const folder = mkdtempSync(join(tmpdir(), 'tembrix-demonstration-'))
  const application = await startApplication(true, folder)
  await application.stop()
  process.env.TEMBRIX_DEMONSTRATION = folder
  return () => rmSync(folder, { recursive: true, force: true })
}
