import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs'
import { dirname, join, relative, sep } from 'node:path'
import { fileURLToPath } from 'node:url'
import { parseSync } from 'oxc-parser'

const root = join(dirname(fileURLToPath(import.meta.url)), '..', '..')
const SOURCE = /\.(ts|tsx)$/
const SKIPPED = /^(node_modules|dist)$/

/** Source files of the workspaces: path relative to the repository with forward slashes, and text. */
export function readSources(workspaces) {
  return workspaces.flatMap((workspace) =>
    [...sourceFiles(join(root, workspace))].map((path) => ({
      file: relative(root, path).split(sep).join('/'),
      text: readFileSync(path, 'utf8'),
    })),
  )
}

/** Whether a path of the repository is a folder. */
export const isFolder = (path) => {
  const full = join(root, path)
  return existsSync(full) && statSync(full).isDirectory()
}

/** Whether a path of the repository exists. */
export const isThere = (path) => existsSync(join(root, path))

/**
 * The module record of a source file.
 * @throws Error where the file does not parse.
 */
export function parsed(file, text) {
  const { module, errors } = parseSync(file, text)
  if (errors.length > 0) throw new Error(`${file} does not parse: ${errors[0].message}`)
  return module
}

/** The specifiers that a file imports, each once; types too. */
export function importsOf(file, text) {
  const module = parsed(file, text)
  const named = [
    ...module.staticImports.map((one) => one.moduleRequest.value),
    ...module.staticExports.flatMap((one) =>
      one.entries.flatMap((entry) => (entry.moduleRequest ? [entry.moduleRequest.value] : [])),
    ),
    ...module.dynamicImports.map((one) =>
      text.slice(one.moduleRequest.start, one.moduleRequest.end).replace(/^['"`]|['"`]$/g, ''),
    ),
  ]
  return [...new Set(named)]
}

function* sourceFiles(folder) {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    if (SKIPPED.test(entry.name)) continue
    const path = join(folder, entry.name)
    if (entry.isDirectory()) yield* sourceFiles(path)
    else if (SOURCE.test(entry.name)) yield path
  }
}
