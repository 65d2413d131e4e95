import { fsyncSync } from 'node:fs'
import type { PGlite } from '@electric-sql/pglite'
import { NodeFS } from '@electric-sql/pglite/nodefs'
import type { DataDisk } from './disk'

/** An open file of the embedded database: its descriptor, where it is, and what it is opened for. */
interface Stream {
  nfd: number
  path: string
  flags: number
}

/** What the database's own file system does with files of a mounted folder. */
interface StreamOperations {
  open: (stream: Stream) => void
  write: (
    stream: Stream,
    buffer: unknown,
    offset: number,
    length: number,
    position: number,
  ) => number
  fsync?: (stream: Stream) => number
}

interface NodeOperations {
  setattr: (node: unknown, changes: { mode?: number }) => void
  mknod: (parent: { name: string }, name: string, ...more: unknown[]) => unknown
}

interface Module {
  NODEFS: { stream_ops: StreamOperations; node_ops: NodeOperations }
}

/**
 * The disk did not take what the database cannot go on without: its log, or a flush. Told such an error, the
 * embedded database tries for ever; this goes straight through it, and it has to be opened again.
 */
export class DiskFailed extends Error {
  constructor(cause: unknown) {
    const { message, errno } = cause as { message?: string; errno?: number }
    super(`The disk failed (${message || `error ${errno}`}).`)
    this.name = 'DiskFailed'
  }
}

/** No room, and no room for this owner, as the embedded system numbers errors. */
const NO_ROOM = [51, 19]

/** A file system that only reads, as the embedded system numbers errors. */
const READ_ONLY = 69
/** The bits of the flags of an open file that say what may be done with it; without any it is read. */
const ACCESS = 0o3

const LOG = 'pg_wal'

/** What others than a file's owner may do with it. */
const OTHERS = 0o077

/**
 * A folder mounted for the embedded database. Its own mount has no flush, so that nothing it writes is sure
 * to be on the disk: here a flush reaches the disk. A write that finds no room takes what is kept back.
 * `failed` hears when the database has to be opened again.
 */
export class Mount extends NodeFS {
  constructor(
    folder: string,
    private readonly disk: DataDisk,
    private readonly flushes: boolean,
    private readonly failed: (error: DiskFailed) => void,
  ) {
    super(folder)
  }

  override async init(client: PGlite, given: Parameters<NodeFS['init']>[1]) {
    const { emscriptenOpts } = await super.init(client, given)
    const before = emscriptenOpts.preRun
    const preRun = [
      (module: unknown) => this.prepare((module as Module).NODEFS),
      ...(Array.isArray(before) ? before : before ? [before] : []),
    ]
    return { emscriptenOpts: { ...emscriptenOpts, preRun } }
  }

  private prepare({ stream_ops: streams, node_ops: nodes }: Module['NODEFS']): void {
    const { open, write } = streams
    streams.open = (stream) => openAtLeastToRead(open, stream)
    streams.write = (stream, ...given) => {
      const whole = () => wholeWrite(write, stream, given, () => this.disk.giveUp())
      return stream.path.includes(LOG) ? this.vital(whole) : whole()
    }
    const { mknod, setattr } = nodes
    // It sets what a file was made with once more, past what this process leaves out.
    nodes.setattr = (node, changes) =>
      setattr(
        node,
        changes.mode === undefined ? changes : { ...changes, mode: changes.mode & ~OTHERS },
      )
    nodes.mknod = (parent, ...given) => {
      const make = () => mknod(parent, ...given)
      return parent.name === LOG ? this.vital(make) : make()
    }
    if (!this.flushes) return
    streams.fsync = ({ nfd }) => {
      this.vital(() => fsyncSync(nfd))
      return 0
    }
  }

  /** Does what the database cannot go on without. */
  private vital<T>(work: () => T): T {
    try {
      return work()
    } catch (error) {
      const failed = new DiskFailed(error)
      this.failed(failed)
      throw failed
    }
  }
}

/** The database opens to write whatever it reads: on a disk that only reads, it is opened to be read. */
function openAtLeastToRead(open: StreamOperations['open'], stream: Stream): void {
  try {
    open(stream)
  } catch (error) {
    if ((error as { errno?: number }).errno !== READ_ONLY) throw error
    stream.flags &= ~ACCESS
    open(stream)
  }
}

/** Writes all of it, or says why not; where there is no room, once more after some was made. */
function wholeWrite(
  write: StreamOperations['write'],
  stream: Stream,
  [buffer, offset, length, position]: [unknown, number, number, number],
  makeRoom: () => boolean,
): number {
  let done = 0
  while (done < length) {
    try {
      const written = write(stream, buffer, offset + done, length - done, position + done)
      if (written === 0) break
      done += written
    } catch (error) {
      const { errno } = error as { errno?: number }
      if (NO_ROOM.includes(errno ?? 0) && makeRoom()) continue
      // Of the log, all of it counts: what follows would not be found.
      if (done === 0 || stream.path.includes(LOG)) throw error
      break
    }
  }
  return done
}
