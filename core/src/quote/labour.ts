import type { Machine } from '../model'
import type { LabourTable } from '../records'

export const LABOUR_CODES = [
  'OPEN',
  'BATTERY',
  'MODULES',
  'FIRST_START',
  'PROFILE',
  'STABILITY',
] as const
export type LabourCode = (typeof LABOUR_CODES)[number]

export interface LabourPart {
  code: LabourCode
  minutes: number
}

export interface Work {
  kind: Machine['kind']
  /** Known for this model; null where the shop's figure for the kind stands. */
  openingMinutes: number | null
  /** Modules taken out and put in. */
  moves: number
  profile: boolean
}

/** The work of an upgrade and its minutes, part by part; nothing where no module moves. */
export function labourOf(work: Work, table: LabourTable): LabourPart[] {
  const { kind, openingMinutes, moves, profile } = work
  if (moves === 0 && !profile) return []
  const parts: LabourPart[] = []
  if (moves > 0) {
    parts.push({ code: 'OPEN', minutes: openingMinutes ?? table.open[kind] })
    if (kind === 'laptop') parts.push({ code: 'BATTERY', minutes: table.battery })
    parts.push({ code: 'MODULES', minutes: moves * table.module })
    parts.push({ code: 'FIRST_START', minutes: table.firstStart })
  }
  if (profile) parts.push({ code: 'PROFILE', minutes: table.profile })
  parts.push({ code: 'STABILITY', minutes: table.stability })
  return parts
}

export const minutesOf = (parts: readonly LabourPart[]): number =>
  parts.reduce((sum, { minutes }) => sum + minutes, 0)
