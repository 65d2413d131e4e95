import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { TestProject } from 'vitest/node'
import { prepareDatabase } from '../src/database'

declare module 'vitest' {
  interface ProvidedContext {
    prepared: string
  }
}

/** Initialises one database for the run; each test file works on a copy of it. */
export default async function setup({ provide }: TestProject) {
  const prepared = join(mkdtempSync(join(tmpdir(), 'tembrix-prepared-')), 'database')
  await prepareDatabase(prepared)
  provide('prepared', prepared)
  return () => rmSync(join(prepared, '..'), { recursive: true, force: true })
}
