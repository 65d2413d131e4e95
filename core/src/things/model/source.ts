import { z } from 'zod'

/** Where a fact comes from. */
export const SOURCES = [
  'opened',
  'contents',
  'unverified-contents',
  'label',
  'lettering',
  'manual',
  'page',
  'readout',
  'typed',
  'record',
  'start',
  'guess',
] as const
export const Source = z.enum(SOURCES)
export type Source = z.infer<typeof Source>

/** How far to believe a fact, rising. */
export const TRUSTS = ['guess', 'weak', 'fair', 'good', 'sure'] as const
export type Trust = (typeof TRUSTS)[number]

const TRUST: Record<Source, { module: Trust; machine: Trust }> = {
  opened: { module: 'good', machine: 'sure' },
  contents: { module: 'sure', machine: 'weak' },
  'unverified-contents': { module: 'weak', machine: 'guess' },
  label: { module: 'good', machine: 'weak' },
  lettering: { module: 'weak', machine: 'good' },
  manual: { module: 'weak', machine: 'good' },
  page: { module: 'weak', machine: 'fair' },
  readout: { module: 'fair', machine: 'weak' },
  typed: { module: 'fair', machine: 'fair' },
  record: { module: 'weak', machine: 'fair' },
  start: { module: 'guess', machine: 'guess' },
  guess: { module: 'guess', machine: 'guess' },
}

/**
 * How far a source is to be believed about a module or about the machine round it: a readout knows
 * what is fitted better than how many slots there are; contents are sure when their checksum holds.
 */
export function trustIn(source: Source, about: 'module' | 'machine'): Trust {
  return TRUST[source][about]
}
