import { basename, dirname, join, sep } from 'node:path'
import { importsOf, isFolder as isFolderOnDisk, isThere } from './sources.mjs'

const TEST = /\.test\.tsx?$|^[^/]+\/(test|bench)\//
const BENCHMARK = /^[^/]+\/bench\//

/** Imports that a workspace may have beside its own files: no sibling unless listed, any package unless restricted. */
const ALLOWED = {
  core: {
    packages: ['zod', 'd3-dsv', 'dinero.js', 'jsondiffpatch', 'jstat', 'saxen'],
    testPackages: ['vitest', 'fast-check'],
    siblings: [],
  },
  server: { siblings: ['core'] },
  web: { siblings: ['core'] },
  e2e: { siblings: [] },
}

export const WORKSPACES = Object.keys(ALLOWED)

/** Core's wings, in the order of the work. */
export const WINGS = ['things', 'reading', 'judging', 'bench', 'shop']

/** Folders in order: each may import those before it. A file or folder that is not listed may import all. */
const ORDERS = {
  'core/src': WINGS,
  'core/src/things': ['random', 'tables', 'model', 'knowledge', 'records', 'machines'],
  'server/src': ['base', 'things', 'reading', 'bench', 'shop', 'kinds', 'acts', 'demo', 'app'],
  'web/src': ['base', 'parts', 'screens'],
  'web/src/screens/job': ['base', 'reading', 'judging', 'bench', 'shop', 'screen'],
}

/** Time and chance do not belong in core; the DOM and Node are kept out by its compiler settings as well. */
const IMPURE = /\b(Math\.random|Date\.now|new Date|performance\.now|crypto\.|globalThis)\b/

/** Violations in one file, as sentences. `file` is relative to the repository, with forward slashes. */
export function violationsIn(file, text, isFolder = isFolderOnDisk) {
  const [workspace] = file.split('/')
  const rules = ALLOWED[workspace]
  if (!rules) return []
  const found = importsOf(file, text).flatMap((specifier) => {
    const complaint = specifier.startsWith('.')
      ? (pastFace(file, specifier, isFolder) ?? upward(file, specifier))
      : foreign(file, rules, specifier)
    return complaint ? [`${file}: ${complaint}`] : []
  })
  if (workspace === 'core' && !TEST.test(file) && IMPURE.test(text)) {
    found.push(`${file}: core has no clock, no chance and no globals`)
  }
  return found
}

function pastFace(file, specifier, isFolder) {
  const from = dirname(file)
  const target = pathOf(file, specifier)
  if (target.split('/')[0] !== file.split('/')[0]) {
    return `reaches into another workspace (${specifier})`
  }
  if (isFolder(target) || /\.(css|json|svg)$/.test(specifier)) return null
  if (dirname(target) === from || TEST.test(file) || isFace(target)) return null
  return `imports ${specifier} past the face of its folder`
}

/** A folder's face is its index.ts, or where it has none the file that is called as the folder is. */
function isFace(target) {
  const folder = dirname(target)
  const name = basename(target).replace(/^use/, '')
  if (name.toLowerCase() !== basename(folder).toLowerCase()) return false
  return !isThere(`${folder}/index.ts`)
}

function upward(file, specifier) {
  if (TEST.test(file)) return null
  for (const [folder, order] of Object.entries(ORDERS)) {
    const from = order.indexOf(childOf(folder, file))
    const to = order.indexOf(childOf(folder, pathOf(file, specifier)))
    if (from >= 0 && to > from) return `${order[from]} does not stand on ${order[to]}`
  }
  return null
}

/** The name of the folder's own child that a path leads through. */
const childOf = (folder, path) =>
  path.startsWith(`${folder}/`) ? path.slice(folder.length + 1).split('/')[0] : null

const pathOf = (file, specifier) => join(dirname(file), specifier).split(sep).join('/')

function foreign(file, rules, specifier) {
  const [workspace] = file.split('/')
  const sibling = specifier.match(/^@tembrix\/([^/]+)\/?(.*)$/)
  if (sibling) {
    const [, name, path] = sibling
    if (!rules.siblings.includes(name)) return `${workspace} must not know ${specifier}`
    // A room of core lies in a wing.
    return path.split('/').length > 2 ? `imports ${specifier} past the face of its folder` : null
  }
  if (!rules.packages) return null
  if (BENCHMARK.test(file) && specifier.startsWith('node:')) return null
  const allowed = TEST.test(file) ? [...rules.packages, ...rules.testPackages] : rules.packages
  const name = specifier
    .split('/')
    .slice(0, specifier.startsWith('@') ? 2 : 1)
    .join('/')
  return allowed.includes(name) ? null : `${workspace} must not import ${specifier}`
}
