import { phoneForms, searchWords } from '@tembrix/core/shop/counter'
import { and, like, or, type SQL } from 'drizzle-orm'
import type { PgColumn } from 'drizzle-orm/pg-core'
import { z } from 'zod'

/** Words looked for, as they were typed. */
export const Search = z
  .string()
  .max(200)
  .refine((text) => !text.includes('\0'), 'This text cannot be searched for.')
  .default('')

/** What is shorter than this is looked for at the beginning of words only: the index knows no more of it. */
const ANYWHERE = 3

function patternOf(word: string): string {
  const escaped = word.replace(/[\\%_]/g, '\\$&')
  return word.length < ANYWHERE ? `% ${escaped}%` : `%${escaped}%`
}

/** Rows in whose search text every word is found, or the phone number that the words are, however it is written. */
export function textMatches(searchText: PgColumn, search: string): SQL | undefined {
  const words = searchWords(search)
  const all = and(
    ...words.map((forms) => or(...forms.map((word) => like(searchText, patternOf(word))))),
  )
  const numbers = phoneForms(search)
  if (!all || numbers.length === 0) return all
  return or(all, ...numbers.map((digits) => like(searchText, `% tel:${digits}%`)))
}
