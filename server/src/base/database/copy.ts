import {
  chmodSync,
  closeSync,
  cpSync,
  fsyncSync,
  openSync,
  readdirSync,
  renameSync,
  rmSync,
} from 'node:fs'
import { dirname, join } from 'node:path'

/**
 * Copies a folder so that it is there as a whole or not at all, for its owner alone; with `flushed`, on the
 * disk before it has its name.
 */
export function copyWhole(from: string, to: string, flushed: boolean): void {
  const partial = `${to}.partial`
  rmSync(partial, { recursive: true, force: true })
  cpSync(from, partial, { recursive: true })
  ownFolder(partial, flushed)
  renameSync(partial, to)
  if (flushed) flushOne(dirname(to))
}

/** Makes a folder with all that is in it its owner's alone; with `flushed`, all of it is on the disk. */
export function ownFolder(folder: string, flushed: boolean): void {
  eachIn(folder, (path, isFolder) => {
    chmodSync(path, isFolder ? 0o700 : 0o600)
    if (flushed) flushOne(path)
  })
}

function eachIn(folder: string, call: (path: string, isFolder: boolean) => void): void {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const path = join(folder, entry.name)
    if (entry.isDirectory()) eachIn(path, call)
    else call(path, false)
  }
  call(folder, true)
}

export function flushOne(path: string): void {
  const file = openSync(path, 'r')
  try {
    fsyncSync(file)
  } finally {
    closeSync(file)
  }
}
