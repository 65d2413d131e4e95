import { readFileSync } from 'node:fs'
import { join } from 'node:path'

const NAMED = /[\w.-]+\.(?:js|css|wasm|woff2|svg)/g
const TEXT = /\.(?:html|js|css)$/

/** The files the probe’s page is made of: what it names, what those name, and so on; paths under the folder. */
export function probePageFiles(folder: string): Set<string> {
  const files = new Set<string>()
  const waiting = ['probe.html']
  for (let next = waiting.pop(); next !== undefined; next = waiting.pop()) {
    const text = textOf(folder, next)
    if (text === null) continue
    files.add(next)
    if (!TEXT.test(next)) continue
    for (const [name] of text.matchAll(NAMED)) {
      for (const path of [`assets/${name}`, name]) if (!files.has(path)) waiting.push(path)
    }
  }
  return files
}

function textOf(folder: string, path: string): string | null {
  try {
    return readFileSync(join(folder, path), 'utf8')
  } catch {
    return null
  }
}
