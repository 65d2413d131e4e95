import { parsed } from './sources.mjs'

/**
 * Names that two or more files export, each with these files. `sources` as `readSources` gives them. A file that hands
 * a name of another on does not count.
 */
export function doubledNames(sources) {
  const files = new Map()
  for (const { file, text } of sources) {
    for (const name of namesDefinedIn(file, text)) {
      files.set(name, [...(files.get(name) ?? []), file])
    }
  }
  return [...files].filter(([, where]) => where.length > 1)
}

/** The exported names of a file that it defines itself, each once: a schema and its type are one. */
function namesDefinedIn(file, text) {
  const module = parsed(file, text)
  const imported = new Set(
    module.staticImports.flatMap(({ entries }) => entries.map(({ localName }) => localName.value)),
  )
  const names = module.staticExports
    .flatMap(({ entries }) => entries)
    .filter(({ moduleRequest, localName }) => !moduleRequest && !imported.has(localName.name))
    .flatMap(({ exportName }) => (exportName.kind === 'Name' ? [exportName.name] : []))
  return [...new Set(names)]
}
