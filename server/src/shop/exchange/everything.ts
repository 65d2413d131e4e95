import { Buffer } from 'node:buffer'
import { buffer } from 'node:stream/consumers'
import { ZipFile } from 'yazl'
import type { Transaction } from '../../base/database'
import { toArchive } from './archive'
import { exchanged } from './write'

/** An archive of `about` and of every one of these jobs, each as the file that another shop takes in. */
export async function everythingOf(
  tx: Transaction,
  about: object,
  jobs: readonly { id: string; number: number }[],
): Promise<NodeJS.ReadableStream> {
  const zip = new ZipFile()
  zip.addBuffer(Buffer.from(JSON.stringify(about, null, 1)), 'customer.json')
  for (const { id, number } of jobs) {
    const { job, pictures } = await exchanged(tx, id)
    const file = await buffer(toArchive(JSON.stringify(job, null, 1), pictures))
    zip.addBuffer(file, `job-${number}.zip`, { compress: false })
  }
  zip.end()
  return zip.outputStream
}
