import { dirname, join, sep } from 'node:path'
import { importsOf } from './sources.mjs'

const TEST = /\.test\.tsx?$|^[^/]+\/(test|bench)\//

/**
 * Files, and folders, that import each other in a loop, types too: each as the paths on it in order.
 * `sources` as `readSources` gives them. Tests are left out: nothing imports them.
 */
export function circlesIn(sources) {
  const files = importGraph(sources)
  const folders = new Map()
  for (const [file, imported] of files) {
    const folder = dirname(file)
    const others = imported.map((one) => dirname(one)).filter((one) => one !== folder)
    folders.set(folder, [...(folders.get(folder) ?? []), ...others])
  }
  return [...loopsOf(files), ...loopsOf(folders)]
}

/** The source files that each source file imports. */
function importGraph(sources) {
  const files = new Set(sources.map(({ file }) => file))
  return new Map(
    sources
      .filter(({ file }) => !TEST.test(file))
      .map(({ file, text }) => [
        file,
        importsOf(file, text).flatMap((specifier) => resolved(file, specifier, files) ?? []),
      ]),
  )
}

/** The source file that a specifier leads to; null for a package or anything else. */
function resolved(file, specifier, files) {
  const core = specifier.match(/^@tembrix\/core\/(.+)$/)
  if (!core && !specifier.startsWith('.')) return null
  const path = core ? `core/src/${core[1]}` : join(dirname(file), specifier).split(sep).join('/')
  const candidates = [path, `${path}.ts`, `${path}.tsx`, `${path}/index.ts`]
  return candidates.find((one) => files.has(one)) ?? null
}

/** Loops of a graph, depth first: at least one through every set of nodes that reach each other. */
function loopsOf(graph) {
  const loops = []
  const done = new Set()
  const path = []
  const visit = (node) => {
    const at = path.indexOf(node)
    if (at >= 0) loops.push(path.slice(at))
    if (at >= 0 || done.has(node)) return
    path.push(node)
    for (const next of new Set(graph.get(node))) visit(next)
    path.pop()
    done.add(node)
  }
  for (const node of graph.keys()) visit(node)
  return loops
}
