import { setFlagsFromString } from 'node:v8'
import { PGlite, type PGliteOptions } from '@electric-sql/pglite'
import { fuzzystrmatch } from '@electric-sql/pglite/contrib/fuzzystrmatch'
import { pg_trgm } from '@electric-sql/pglite/contrib/pg_trgm'

/**
 * How much a function of the database's runs, in bytes of its code, before it is compiled once more with all
 * optimisations. V8's own 1.8 MB has it compile half of the database once more within the first second, beside
 * what is asked then; after some hundred requests both are equally fast.
 */
const WORTH_OPTIMISING = 1_000_000_000

/** Find text anywhere in a column by an index, and words that differ by a letter. */
export const extensions = { pg_trgm, fuzzystrmatch }

/** The embedded database, opened in its folder or as `fs` says. */
export function openClient(
  options: Pick<PGliteOptions, 'dataDir' | 'fs' | 'startParams'>,
): Promise<PGlite> {
  setFlagsFromString(`--wasm-tiering-budget=${WORTH_OPTIMISING}`)
  return PGlite.create({ ...options, extensions })
}
