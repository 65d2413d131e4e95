import type { Problem } from './facts'
import type { Observation } from './observation'

export const FORMATS = [
  'label',
  'spd-ddr3',
  'spd-ddr4',
  'spd-ddr5',
  'smbios',
  'smbios-text',
  'cim-csv',
  'cim-json',
  'cim-list',
  'cim-table',
  'hardware-tree',
  'decoded',
  'page',
  'clocks',
  'system',
  'mixed',
  'unknown',
] as const
export type Format = (typeof FORMATS)[number]

/** A stretch of lines (from 1, both included) and what it was taken for; `unknown` for what nothing was read from. */
export interface Part {
  format: Format
  from: number
  to: number
}

/** Reading of one form: its observations, and what was wrong with it. */
export interface FormRead {
  format: Format
  observations: Observation[]
  problems: Problem[]
}

/** Reading of one input. */
export interface Reading extends FormRead {
  /** Of a text: all its lines but blank ones. */
  parts: Part[]
}

export const nothingRead = (format: Format, ...problems: Problem[]): FormRead => ({
  format,
  observations: [],
  problems,
})
