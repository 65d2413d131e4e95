import { Buffer } from 'node:buffer'
import { crc32 } from 'node:zlib'
import { type Entry, fromBuffer, type ZipFile } from 'yauzl'
import { ZipFile as NewZip } from 'yazl'
import { HttpError } from '../../base/http'

/** The most that is taken out of an archive: bytes of the job, of one photo and in all, and how many photos. */
export const MOST = { job: 24e6, photo: 12e6, all: 250e6, photos: 300 }

const JOB = 'job.json'
const PHOTO = /^photos\/([0-9a-f-]{36})\.jpg$/

/** What is in an archive of a job. */
export interface Archived {
  job: string
  photos: Map<string, Buffer>
}

const damaged = (why: string) => new HttpError(400, 'damaged_file', `The file is damaged: ${why}`)
const strange = (why: string) => new HttpError(400, 'not_a_job_file', why)

/**
 * What is in a zip archive of a job, every part checked against its checksum. Only what such an archive has
 * is taken out of it, and nothing larger than it says.
 * @throws HttpError 400 `damaged_file`, `not_a_job_file`, 413 `too_large`.
 */
export async function openArchive(bytes: Buffer): Promise<Archived> {
  const zip = await openZip(bytes)
  const photos = new Map<string, Buffer>()
  let job: string | null = null
  let all = 0
  for await (const entry of entriesOf(zip)) {
    const photo = PHOTO.exec(entry.fileName)?.[1]
    if (entry.fileName !== JOB && !photo) {
      throw strange(`“${entry.fileName.slice(0, 80)}” has no place in the file of a job.`)
    }
    const most = photo ? MOST.photo : MOST.job
    all += entry.uncompressedSize
    if (entry.uncompressedSize > most || all > MOST.all || photos.size > MOST.photos) {
      throw new HttpError(413, 'too_large', 'There is more in the file than a job can have.')
    }
    const content = await contentOf(zip, entry)
    if (crc32(content) !== entry.crc32) throw damaged(`${entry.fileName} is not as it was written.`)
    if (photo) photos.set(photo, content)
    else job = content.toString('utf8')
  }
  if (job === null) throw strange(`There is no ${JOB} in it.`)
  return { job, photos }
}

function openZip(bytes: Buffer): Promise<ZipFile> {
  return new Promise((resolve, reject) => {
    fromBuffer(bytes, { lazyEntries: true, validateEntrySizes: true }, (error, zip) => {
      if (zip) resolve(zip)
      else reject(strange(`This is no zip archive. ${error?.message ?? ''}`.trim()))
    })
  })
}

async function* entriesOf(zip: ZipFile): AsyncGenerator<Entry> {
  for (;;) {
    const next = await new Promise<Entry | null>((resolve, reject) => {
      const done = () => {
        zip.off('entry', found)
        zip.off('end', ended)
        zip.off('error', failed)
      }
      const found = (entry: Entry) => {
        done()
        resolve(entry)
      }
      const ended = () => {
        done()
        resolve(null)
      }
      const failed = (error: Error) => {
        done()
        reject(damaged(error.message))
      }
      zip.on('entry', found)
      zip.on('end', ended)
      zip.on('error', failed)
      zip.readEntry()
    })
    if (next === null) return
    yield next
  }
}

function contentOf(zip: ZipFile, entry: Entry): Promise<Buffer> {
  return new Promise((resolve, reject) => {
    zip.openReadStream(entry, (error, stream) => {
      if (!stream) return reject(damaged(error?.message ?? 'a part cannot be read.'))
      const chunks: Buffer[] = []
      stream.on('data', (chunk: Buffer) => chunks.push(chunk))
      stream.on('error', ({ message }: Error) => reject(damaged(message)))
      stream.on('end', () => resolve(Buffer.concat(chunks)))
    })
  })
}

/** A zip archive of a job and its photos, as a stream. The same content makes the same bytes. */
export function toArchive(
  job: string,
  photos: ReadonlyMap<string, Uint8Array>,
): NodeJS.ReadableStream {
  const zip = new NewZip()
  const mtime = new Date(Date.UTC(2000, 0, 1))
  zip.addBuffer(Buffer.from(job), JOB, { mtime })
  for (const [id, picture] of photos) {
    zip.addBuffer(Buffer.from(picture), `photos/${id}.jpg`, { mtime, compress: false })
  }
  zip.end()
  return zip.outputStream
}
