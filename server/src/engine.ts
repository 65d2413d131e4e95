import { readFile } from 'node:fs/promises'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'

const folder = dirname(createRequire(import.meta.url).resolve('@electric-sql/pglite'))

/** The embedded database's program, compiled in the background from the first moment: it takes as long as the rest of the program takes to load. */
export const engine: Promise<WebAssembly.Module> = readFile(join(folder, 'pglite.wasm')).then(
  (bytes) => WebAssembly.compile(bytes),
)
