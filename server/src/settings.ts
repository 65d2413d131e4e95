import { join, resolve } from 'node:path'
import { type BackupFolder, KEPT } from './base/backups'

type Environment = Readonly<Record<string, string | undefined>>

const DEFAULT_PORT = 4310

/** The data folder: TEMBRIX_DATA, or one of its own for the shop and the demo. */
export const folderFrom = ({ TEMBRIX_DATA }: Environment, demo = false): string =>
  resolve(TEMBRIX_DATA || (demo ? '.data/demo' : '.data/shop'))

/** @throws Error for anything but a port number. */
export function portFrom({ TEMBRIX_PORT: text }: Environment): number {
  if (!text) return DEFAULT_PORT
  const port = Number(text)
  if (!Number.isInteger(port) || port < 1 || port > 65_535) {
    throw new Error(`TEMBRIX_PORT must be a port number from 1 to 65535; it is “${text}”.`)
  }
  return port
}

/**
 * Whether answers wait for the disk: always, unless TEMBRIX_DURABILITY is `relaxed`.
 * @throws Error for any other word but `full`.
 */
export function durabilityFrom({ TEMBRIX_DURABILITY: text }: Environment): boolean {
  if (!text || text === 'full') return true
  if (text === 'relaxed') return false
  throw new Error(`TEMBRIX_DURABILITY must be “full” or “relaxed”; it is “${text}”.`)
}

/**
 * Where backups go and how many are kept: TEMBRIX_BACKUPS and TEMBRIX_BACKUPS_KEPT.
 * @throws Error for a count below 1.
 */
export function backupsFrom(
  { TEMBRIX_BACKUPS, TEMBRIX_BACKUPS_KEPT: text }: Environment,
  folder: string,
): BackupFolder {
  const kept = text ? Number(text) : KEPT
  if (!Number.isInteger(kept) || kept < 1) {
    throw new Error(`TEMBRIX_BACKUPS_KEPT must be a count from 1; it is “${text}”.`)
  }
  return { folder: resolve(TEMBRIX_BACKUPS || join(folder, 'backups')), kept }
}
