import type { ValidatedEntry } from '../../things/records'

/**
 * What a list says of an article: tested in at least so many slots, tested with fewer modules, or not
 * on it, which means no more than untested.
 */
export type ListStanding =
  | { kind: 'listed'; entry: ValidatedEntry }
  | { kind: 'listed-for-fewer'; entry: ValidatedEntry; slotsTested: number }
  | { kind: 'not-listed' }

/** An article as lists spell it in various ways: without case, spaces and marks. */
export function articleKey(article: string): string {
  return article.toUpperCase().replace(/[^A-Z0-9]/g, '')
}

/** A list to look articles up in. */
export type ValidatedIndex = ReadonlyMap<string, ValidatedEntry[]>

export function indexed(entries: readonly ValidatedEntry[]): ValidatedIndex {
  const index = new Map<string, ValidatedEntry[]>()
  for (const entry of entries) {
    const { article, maker } = entry
    // An article may be called with its maker's name before it.
    for (const key of new Set([articleKey(article), articleKey(`${maker ?? ''}${article}`)])) {
      const known = index.get(key)
      if (known) known.push(entry)
      else index.set(key, [entry])
    }
  }
  return index
}

/** The key of what stands behind the first word, where that is a name and the rest has figures. */
function withoutMaker(article: string): string {
  const [, name = '', rest = ''] = /^(\S+)\s+(\S.*)$/.exec(article.trim()) ?? []
  return /^[\p{L}]+$/u.test(name) && /\d/.test(rest) ? articleKey(rest) : ''
}

const slotsOf = (entry: ValidatedEntry): number => entry.slotsTested ?? entry.kitSize ?? 1

const entriesOf = (index: ValidatedIndex, article: string): readonly ValidatedEntry[] =>
  index.get(articleKey(article)) ?? index.get(withoutMaker(article)) ?? []

/** With how many of an article the list says it was tested at most; null where it is not listed. */
export function testedWith(index: ValidatedIndex, article: string): number | null {
  const counts = entriesOf(index, article).map(slotsOf)
  return counts.length > 0 ? Math.max(...counts) : null
}

/** Whether all of these articles, as many modules as there are, are listed for so many together; not where there is none. */
export const areAllListed = (index: ValidatedIndex, articles: readonly string[]): boolean =>
  articles.length > 0 &&
  articles.every((article) => (testedWith(index, article) ?? 0) >= articles.length)

/**
 * Looks up an article of which so many modules are to run together. An entry that does not say in how
 * many slots it was tested counts for its kit, or for one module.
 */
export function lookUp(index: ValidatedIndex, article: string, modules: number): ListStanding {
  const best = entriesOf(index, article).reduce<ValidatedEntry | null>(
    (most, one) => (most === null || slotsOf(one) > slotsOf(most) ? one : most),
    null,
  )
  if (!best) return { kind: 'not-listed' }
  return slotsOf(best) >= modules
    ? { kind: 'listed', entry: best }
    : { kind: 'listed-for-fewer', entry: best, slotsTested: slotsOf(best) }
}
