import { type Changed, changedIn } from '@tembrix/core/shop/history'
import type { HistoryLine } from '@tembrix/core/things/records'
import { capital, fieldName, isAside, type NameOf, valueWords, WEEKDAYS } from '../../base/format'

/** Papers that are kept as they were given out: that there is one is all to say of them here. */
const PAPERS = new Set(['document'])
/** What only holds other things together. */
const HOLDERS = new Set(['limits', 'module', 'timings', 'settings', 'moduleId'])

const ID = /[\da-f]{8}-(?:[\da-f]{4}-){3}[\da-f]{12}/i

/** What a step at the bench begins with; slots follow. */
const CODE = /^[A-Z][A-Z_]{2,}(?= |$)/

/** Of each thing that was changed, what it was and what it is. */
export const changesIn = ({ changes }: Pick<HistoryLine, 'changes'>, nameOf: NameOf): string[] =>
  Object.entries(changes ?? {})
    .filter(([field]) => !PAPERS.has(field))
    .flatMap(([field, difference]) => changedIn(difference, [field]))
    .filter((changed) => saysSomething(changed, nameOf))
    .map(
      (changed) => `${capital(placeWords(changed.path, nameOf))}: ${changeWords(changed, nameOf)}`,
    )

function saysSomething(changed: Changed, nameOf: NameOf): boolean {
  const last = changed.path.at(-1) ?? ''
  if (changed.path.length > 1 && isAside(last)) return false
  if (!last.endsWith('Id') || !('was' in changed)) return true
  return [changed.was, changed.is].some((id) => typeof id === 'string' && nameOf(id))
}

function placeWords(path: readonly string[], nameOf: NameOf): string {
  const words = path.flatMap((part, at) => {
    if (at > 0 && HOLDERS.has(part)) return []
    if (path[at - 1] === 'hours') return WEEKDAYS[Number(part) - 1] ?? []
    const [id] = ID.exec(part) ?? []
    if (id) return nameOf(id) ?? []
    return CODE.test(part)
      ? part.replace(CODE, (code) => code.replaceAll('_', ' ').toLowerCase())
      : fieldName(part)
  })
  return words.join(', ')
}

function changeWords(changed: Changed, nameOf: NameOf): string {
  const field = changed.path.findLast((part) => !/^\d+$/.test(part) && !ID.test(part)) ?? ''
  const words = (value: unknown) => valueWords(value, field, nameOf)
  if ('was' in changed) return `${words(changed.was)} → ${words(changed.is)}`
  const { gone, come } = changed
  if (gone.length === 1 && come.length === 1) return `${words(gone[0])} → ${words(come[0])}`
  const parts = [
    come.length > 0 ? `${words(come)} added` : '',
    gone.length > 0 ? `${words(gone)} removed` : '',
  ]
  return parts.filter(Boolean).join(', ')
}
