import { nothingRead } from '../facts'
import type { PrintForm } from './form'

/** Refusals as consoles print them, in the languages of customers. */
const REFUSED =
  /permission denied|access (?:is )?denied|not permitted|keine berechtigung|zugriff verweigert|permission non accord|acc[eè]s refus|permiso denegado|acceso denegado|permesso negato|accesso negato|brak dost[eę]pu|odmowa dost[eę]pu|toegang geweigerd/i
/** Places that a machine keeps what it knows of its memory in. */
const MEMORY = /\bdmi\b|smbios|\/dev\/mem\b|eeprom|i2c|memory/i
/** A program's own word that it needs rights to see all. */
const NEEDS_RIGHTS =
  /memory devices cannot be read: run this as|run this program as (?:root|super-?user)/i

/** A line by which a report was made without the rights to see everything: it holds less than the machine has. */
export const withoutRights: PrintForm = {
  name: 'withoutRights',
  begins:
    /denied|permitted|berechtigung|verweigert|refus|non accord|negado|negato|dost[eę]pu|geweigerd|super-?user|run this as/i,
  read(lines, at) {
    const line = (lines[at] as string).slice(0, 400)
    const isOfMemory = NEEDS_RIGHTS.test(line) || (REFUSED.test(line) && MEMORY.test(line))
    const problem = { code: 'RIGHTS_MISSING', where: { line: at + 1 } } as const
    return isOfMemory ? { ...nothingRead('unknown', problem), end: at + 1 } : null
  },
}
