import { isOneSlip, searchWords } from '@tembrix/core/shop/counter'
import { eq, sql } from 'drizzle-orm'
import { customers, type Database, jobs } from '../../base/database'
import { textMatches } from './textMatches'

/** Shorter words are as often others as misspelt ones. */
const SHORTEST = 4
/** Changes of letters that two that changed places count for. */
const A_SWAP = 2

/** Words that customers and machines are named by, one letter apart from one that no job has. */
const NAMES = sql`(select string_to_table(${customers.searchText}, ' ') as word from ${customers}
  union all select string_to_table(folded(name), ' ') from (select distinct machine->>'name' as name from machines) named)`

/**
 * A search that finds nothing, with its misspelt words put right: null where a word is like none that there is, or
 * nothing has to be put right.
 */
export async function meantBy(
  db: Pick<Database, 'select' | 'execute'>,
  search: string,
): Promise<string | null> {
  const words: string[] = []
  let mended = false
  for (const [word = ''] of searchWords(search)) {
    if (await isFound(db, word)) {
      words.push(word)
      continue
    }
    const near = word.length < SHORTEST ? null : await nearest(db, word)
    if (near === null) return null
    words.push(near)
    mended = true
  }
  return mended ? words.join(' ') : null
}

async function isFound(db: Pick<Database, 'select'>, word: string): Promise<boolean> {
  const found = await db
    .select({ id: jobs.id })
    .from(jobs)
    .innerJoin(customers, eq(customers.id, jobs.customerId))
    .where(textMatches(jobs.searchText, word))
    .limit(1)
  return found.length > 0
}

/** The word met most often among those one slip away. */
async function nearest(db: Pick<Database, 'execute'>, word: string): Promise<string | null> {
  const { rows } = await db.execute<{ word: string }>(sql`
    select word, count(*) as times from ${NAMES} named
    where length(word) between ${word.length - 1} and ${word.length + 1}
      and levenshtein_less_equal(word, ${word}, ${A_SWAP}) <= ${A_SWAP}
    group by word order by times desc, word limit 200`)
  return rows.find((one) => isOneSlip(one.word, word))?.word ?? null
}
