import { type HistoryLine, KIND_INFO } from '@tembrix/core/things/records'
import { capital, fieldName, list } from '../../base/format'

const DISPLAY_NAMES = new Map<HistoryLine['record'], string>([
  ...Object.values(KIND_INFO).map(({ record, displayName }) => [record, displayName] as const),
  ['shop', 'the shop’s settings'],
  ['price-list', 'a price list'],
  ['list', 'a validated list'],
])

/** What was done, in a sentence. */
export function sentence({ record, action, fields }: HistoryLine): string {
  const what = `${capital(DISPLAY_NAMES.get(record) ?? record)} ${action}`
  if (action !== 'changed' || fields.length === 0) return what
  return `${what}: ${list([...new Set(fields.map(fieldName))])}`
}
