// Checks which way imports point: see docs/architecture.md. Prints each violation and exits 1 if there is one.
import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs'
import { basename, dirname, join, relative, sep } from 'node:path'
import { fileURLToPath } from 'node:url'
import { parseSync } from 'oxc-parser'

const root = join(dirname(fileURLToPath(import.meta.url)), '..')
const SOURCE = /\.(ts|tsx)$/
const TEST = /\.test\.tsx?$|(^|\/)(test|bench)\//
const BENCH = /(^|\/)bench\//

/** What a workspace may import beside its own files: nothing of a sibling unless listed, any package unless restricted. */
const ALLOWED = {
  core: {
    packages: ['zod', 'd3-dsv', 'dinero.js', 'jsondiffpatch', 'jstat'],
    testPackages: ['vitest', 'fast-check'],
    siblings: [],
  },
  server: { siblings: ['core'] },
  web: { siblings: ['core'] },
  e2e: { siblings: [] },
}

/** What folders of core stand on, where that is fewer than all. */
const STANDS_ON = {
  'core/src/model': [],
  'core/src/tables': [],
  'core/src/records': ['model', 'tables'],
}

/** The storeys of the pages, each upon those before it. What lies beside them (the router, the start) stands on all. */
const STOREYS = ['base', 'parts', 'screens']

/** Time and chance do not belong in core; the DOM and Node are kept out by its compiler settings as well. */
const IMPURE = /\b(Math\.random|Date\.now|new Date|performance\.now|crypto\.|globalThis)\b/

/** Violations in one file, as sentences. `file` is relative to the repository, with forward slashes. */
export function violationsIn(file, text, isFolder = (path) => isDirectory(join(root, path))) {
  const [workspace] = file.split('/')
  const rules = ALLOWED[workspace]
  if (!rules) return []
  const found = []
  for (const specifier of importsOf(file, text)) {
    const complaint = specifier.startsWith('.')
      ? crossFolder(file, specifier, isFolder)
      : foreign(file, rules, specifier)
    if (complaint) found.push(`${file}: ${complaint}`)
  }
  const storey = storeyOf(file)
  for (const specifier of storey < 0 ? [] : importsOf(file, text)) {
    if (!specifier.startsWith('.') || storeyOf(join(dirname(file), specifier)) <= storey) continue
    found.push(`${file}: ${STOREYS[storey]} does not stand on ${specifier}`)
  }
  const below = TEST.test(file) ? undefined : STANDS_ON[dirname(file)]
  for (const specifier of below ? importsOf(file, text) : []) {
    const [, folder] = specifier.match(/^\.\.\/([^/]+)/) ?? []
    if (folder && !below.includes(folder)) {
      found.push(`${file}: ${dirname(file)} does not stand on ${folder}`)
    }
  }
  if (workspace === 'core' && !TEST.test(file) && IMPURE.test(text)) {
    found.push(`${file}: core has no clock, no chance and no globals`)
  }
  return found
}

function importsOf(file, text) {
  const { module, errors } = parseSync(file, text)
  if (errors.length > 0) throw new Error(`${file} does not parse: ${errors[0].message}`)
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

function crossFolder(file, specifier, isFolder) {
  const from = dirname(file)
  const target = join(from, specifier).split(sep).join('/')
  if (target.split('/')[0] !== file.split('/')[0])
    return `reaches into another workspace (${specifier})`
  if (isFolder(target) || /\.(css|json|svg)$/.test(specifier)) return null
  if (dirname(target) === from || TEST.test(file) || isFace(target)) return null
  return `imports ${specifier} past the face of its folder`
}

/** A folder's face is its index.ts, or where it has none the file that is called as the folder is. */
function isFace(target) {
  const folder = dirname(target)
  const name = basename(target).replace(/^use/, '')
  if (name.toLowerCase() !== basename(folder).toLowerCase()) return false
  return !existsSync(join(root, folder, 'index.ts'))
}

const storeyOf = (path) => {
  const [, storey] =
    path
      .split(sep)
      .join('/')
      .match(/^web\/src\/([^/]+)\//) ?? []
  return STOREYS.indexOf(storey)
}

function foreign(file, rules, specifier) {
  const [workspace] = file.split('/')
  const sibling = specifier.match(/^@tembrix\/([^/]+)(\/[^/]+)?(\/.*)?$/)
  if (sibling) {
    if (!rules.siblings.includes(sibling[1])) return `${workspace} must not know ${specifier}`
    return sibling[3] ? `imports ${specifier} past the face of its folder` : null
  }
  if (!rules.packages) return null
  if (BENCH.test(file) && specifier.startsWith('node:')) return null
  const allowed = TEST.test(file) ? [...rules.packages, ...rules.testPackages] : rules.packages
  const name = specifier
    .split('/')
    .slice(0, specifier.startsWith('@') ? 2 : 1)
    .join('/')
  return allowed.includes(name) ? null : `${workspace} must not import ${specifier}`
}

function isDirectory(path) {
  return existsSync(path) && statSync(path).isDirectory()
}

function* sourceFiles(folder) {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    if (entry.name === 'node_modules' || entry.name === 'dist') continue
    const path = join(folder, entry.name)
    if (entry.isDirectory()) yield* sourceFiles(path)
    else if (SOURCE.test(entry.name)) yield path
  }
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const found = Object.keys(ALLOWED).flatMap((workspace) =>
    [...sourceFiles(join(root, workspace))].flatMap((path) =>
      violationsIn(relative(root, path).split(sep).join('/'), readFileSync(path, 'utf8')),
    ),
  )
  for (const line of found) console.error(line)
  if (found.length > 0) process.exit(1)
  console.log('Imports point the right way.')
}
