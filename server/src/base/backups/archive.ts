import { createHash } from 'node:crypto'
import { open, readdir, readFile, rename, rm, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { create, extract } from 'tar'
import { z } from 'zod'

const MANIFEST = 'manifest.json'
const DATABASE = 'database'

/** How much of a file is read at once, bytes. */
const CHUNK = 2 ** 20

/** What a backup says of itself: when it was made, of which version of the tables, and each file's SHA-256. */
const Manifest = z.object({
  program: z.literal('Tembrix'),
  format: z.literal(1),
  madeAt: z.iso.datetime(),
  schema: z.number().int(),
  files: z.record(z.string(), z.string().length(64)),
})
export type Manifest = z.infer<typeof Manifest>

/** A file that is no backup, or not whole. */
export class NoBackup extends Error {
  constructor(file: string, why: string) {
    super(`${file} is no backup that can be restored: ${why}. Nothing was changed.`)
    this.name = 'NoBackup'
  }
}

/**
 * Packs the database in a folder (`database` in it) into one file, a gzipped tar with a manifest; it has its
 * name once it is whole and on the disk.
 */
export async function pack(
  folder: string,
  file: string,
  { madeAt, schema }: Pick<Manifest, 'madeAt' | 'schema'>,
): Promise<void> {
  const files = await hashesOf(join(folder, DATABASE))
  const manifest: Manifest = { program: 'Tembrix', format: 1, madeAt, schema, files }
  await writeFile(join(folder, MANIFEST), JSON.stringify(manifest))
  const partial = `${file}.partial`
  const packing = { gzip: { level: 1 }, maxReadSize: CHUNK, portable: true }
  await create({ ...packing, cwd: folder, file: partial }, [MANIFEST, DATABASE])
  const packed = await open(partial, 'r')
  await packed.sync()
  await packed.close()
  await rename(partial, file)
}

/**
 * Unpacks a backup into an empty folder, checked file by file.
 * @throws NoBackup for anything that is not a whole backup.
 */
export async function unpack(file: string, folder: string): Promise<Manifest> {
  try {
    const filter = (path: string) => path === MANIFEST || isInside(path)
    const how = { maxReadSize: CHUNK, preserveOwner: false, noMtime: true }
    await extract({ file, cwd: folder, filter, ...how })
  } catch (error) {
    throw new NoBackup(file, (error as Error).message)
  }
  const text = await readFile(join(folder, MANIFEST), 'utf8').catch(() => null)
  if (text === null) throw new NoBackup(file, 'it has no manifest')
  const parsed = Manifest.safeParse(asJson(text))
  if (!parsed.success) throw new NoBackup(file, 'its manifest cannot be read')
  const { files } = parsed.data
  const found = await hashesOf(join(folder, DATABASE))
  const names = new Set([...Object.keys(files), ...Object.keys(found)])
  const wrong = [...names].filter((name) => files[name] !== found[name])
  if (wrong.length > 0) {
    throw new NoBackup(file, `${wrong.length} of its files are not as they were (${wrong[0]})`)
  }
  await rm(join(folder, MANIFEST))
  return parsed.data
}

const isInside = (path: string): boolean => path.split('/')[0] === DATABASE

function asJson(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return null
  }
}

/** The SHA-256 of every file in a folder, by its path in it. */
async function hashesOf(folder: string): Promise<Record<string, string>> {
  const entries = await readdir(folder, { recursive: true, withFileTypes: true }).catch(() => [])
  const hashes: Record<string, string> = {}
  const chunk = Buffer.allocUnsafe(CHUNK)
  for (const entry of entries) {
    if (!entry.isFile()) continue
    const path = join(entry.parentPath, entry.name)
    hashes[path.slice(folder.length + 1)] = await hashOf(path, chunk)
  }
  return hashes
}

/** The SHA-256 of a file, read through a buffer that many share: a new one for each would be swept away at once. */
async function hashOf(path: string, chunk: Buffer): Promise<string> {
  const hash = createHash('sha256')
  const file = await open(path, 'r')
  try {
    for (;;) {
      const { bytesRead } = await file.read(chunk)
      if (bytesRead === 0) return hash.digest('hex')
      hash.update(chunk.subarray(0, bytesRead))
    }
  } finally {
    await file.close()
  }
}
