// npm run bench: measures what matters for speed, prints a table and writes docs/benchmarks.md.
import { mkdirSync, writeFileSync } from 'node:fs'
import { cpus } from 'node:os'
import { join } from 'node:path'
import { build, install, requireNode, root, run } from './lib.mjs'

requireNode()
install()
build()
const parts = [
  'core/bench/evaluate',
  'core/bench/readings',
  'core/bench/plan',
  'core/bench/faults',
  'core/bench/measure',
  'core/bench/forecastPromises',
  'e2e/bench/start',
  'e2e/bench/writes',
  'e2e/bench/lists',
  'e2e/bench/load',
  'e2e/bench/page',
  'e2e/bench/table',
  'e2e/bench/planning',
  'e2e/bench/probe',
]
mkdirSync(join(root, '.check'), { recursive: true })
const rows = []
for (const part of parts) {
  const file = join(root, '.check', `${part.replaceAll('/', '-')}.json`)
  if (run('npx', ['tsx', `${part}.ts`, file]) !== 0) process.exit(1)
  const { default: measured } = await import(file, { with: { type: 'json' } })
  rows.push(...measured)
}

const line = (cells) => `| ${cells.join(' | ')} |`
const table = [
  line(['what', 'measured', 'aim']),
  line(['---', '---', '---']),
  ...rows.map(({ what, measured, aim }) => line([what, measured, aim])),
].join('\n')
console.log(`\n${table}`)
writeFileSync(
  join(root, 'docs/benchmarks.md'),
  `# Benchmarks

Written by \`npm run bench\` (Node ${process.versions.node}, ${cpus().length} processors, a shared and noisy machine: compare within one run only).

${table}
`,
)
