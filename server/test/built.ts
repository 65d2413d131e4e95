import { readdirSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'

const here = (path: string) => fileURLToPath(new URL(path, import.meta.url))

const PROGRAM = here('../dist/main.js')

/** Whether what was built is there and newer than all it is made of, in these folders. */
export function isBuilt(built: string, folders: readonly string[]): boolean {
  const at = statSync(built, { throwIfNoEntry: false })?.mtimeMs ?? 0
  return folders.every((folder) =>
    readdirSync(folder, { recursive: true, encoding: 'utf8' })
      .filter((name) => !name.endsWith('.test.ts'))
      .every((name) => statSync(join(folder, name)).mtimeMs < at),
  )
}

/**
 * The built program's path. Under `npm test`, which knows its state by what is in the files, it is the one.
 * @throws where it is older than its sources.
 */
export function builtProgram(): string {
  if (process.env.TEMBRIX_BUILT || isBuilt(PROGRAM, [here('../src'), here('../../core/src')]))
    return PROGRAM
  throw new Error('The program was changed after it was built: npm run build -w server')
}
