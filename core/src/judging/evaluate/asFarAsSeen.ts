import type { Finding, FindingCode } from '../../things/model'

/** Findings that rest on slots being empty, and so on having looked into all of them. */
const ON_EMPTY: ReadonlySet<FindingCode> = new Set([
  'NO_MEMORY',
  'BOOT_SLOT_EMPTY',
  'SINGLE_CHANNEL',
  'CHANNELS_UNUSED',
  'UNEVEN_CHANNELS',
  'SLOT_ORDER',
  'KIT_SPLIT',
  'KIT_CHANNELS',
])

/** The findings that hold whatever is in the slots nobody has looked into. */
export function asFarAsSeen(findings: readonly Finding[], unseen: readonly string[]): Finding[] {
  return unseen.length === 0 ? [...findings] : findings.filter(({ code }) => !ON_EMPTY.has(code))
}
