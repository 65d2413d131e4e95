import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { TestProject } from 'vitest/node'
import { prepareDatabase } from '../src/base/database'
import { MIGRATIONS, PREPARED } from '../src/base/paths'
import { isBuilt } from './built'

declare module 'vitest' {
  interface ProvidedContext {
    prepared: string
  }
}

/** The empty database that every test works on a copy of: the one that was built, or one made for the run. */
export default async function setup({ provide }: TestProject) {
  if (isBuilt(PREPARED, [MIGRATIONS])) {
    provide('prepared', PREPARED)
    return undefined
  }
  const prepared = join(mkdtempSync(join(tmpdir(), 'tembrix-prepared-')), 'database')
  await prepareDatabase(prepared)
  provide('prepared', prepared)
  return () => rmSync(join(prepared, '..'), { recursive: true, force: true })
}
