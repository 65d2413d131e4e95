import { closeSync, existsSync, fsyncSync, openSync, rmSync, statfsSync, writeSync } from 'node:fs'
import { join } from 'node:path'

/** Why nothing can be stored. */
export type DiskTrouble = 'full' | 'read-only'

const MB = 1024 * 1024
/** Less free than this is full: the log of the database grows by 16 MB at a time. */
const LEAST_FREE = 20 * MB
/** Kept back for what is under way when others fill the disk, where there is plenty. */
const RESERVE = 20 * MB
const PLENTY = 100 * MB

/** The disk that a data folder is on: its room, and what is kept back of it. */
export class DataDisk {
  private readonly reserve: string
  private readonly tried: string
  private keeps = true

  constructor(private readonly folder: string) {
    this.reserve = join(folder, 'reserve')
    this.tried = join(folder, 'writable')
  }

  /** Whether something can be stored now; null where it can. */
  trouble(): DiskTrouble | null {
    const free = this.free()
    if (free < LEAST_FREE) return 'full'
    if (!this.takes()) return 'read-only'
    if (this.keeps && free > PLENTY && !existsSync(this.reserve)) this.keepBack()
    return null
  }

  /** Gives up what was kept back, so that a write that is under way can end. False where nothing was. */
  giveUp(): boolean {
    if (!existsSync(this.reserve)) return false
    rmSync(this.reserve, { force: true })
    return true
  }

  /** Tried for real: a disk that the system stopped writing to after a fault still says that it may be written. */
  private takes(): boolean {
    let file: number | null = null
    try {
      file = openSync(this.tried, 'w')
      writeSync(file, '.')
      return true
    } catch {
      return false
    } finally {
      if (file !== null) closeSync(file)
    }
  }

  private free(): number {
    const { bavail, bsize } = statfsSync(this.folder)
    return bavail * bsize
  }

  private keepBack(): void {
    let file: number | null = null
    try {
      file = openSync(this.reserve, 'w')
      const block = Buffer.alloc(MB)
      for (let written = 0; written < RESERVE; written += MB) writeSync(file, block)
      fsyncSync(file)
    } catch {
      // It is no must, and is not tried at every write.
      this.keeps = false
      rmSync(this.reserve, { force: true })
    } finally {
      if (file !== null) closeSync(file)
    }
  }
}
