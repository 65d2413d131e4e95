import { readdirSync, readFileSync } from 'node:fs'
import { expect, test } from 'vitest'
import { circlesIn } from './architecture/circles.mjs'
import { violationsIn, WINGS } from './architecture/directions.mjs'
import { doubledNames } from './architecture/doubledNames.mjs'

const folders = [
  'core/src/things/model',
  'core/src/things/records',
  'core/src/judging/plan',
  'web/src/parts/board',
  'web/src/screens/job',
  'web/src/screens/job/shop/quote',
  'server/src/shop/jobs',
]
const check = (file, text) => violationsIn(file, text, (path) => folders.includes(path))

test.each([
  [
    'core/src/judging/evaluate/a.ts',
    "import { z } from 'zod'\nimport { M } from '../../things/model'\nimport './b'",
  ],
  ['core/src/shop/job/a.ts', "import { plan } from '../../judging/plan'"],
  ['core/src/things/records/a.ts', "import { M } from '../model'"],
  ['core/src/things/model/a.test.ts', "import { plan } from '../../judging/plan'"],
  [
    'web/src/screens/job/a.tsx',
    "import { Board } from '../../parts/board'\nimport { evaluate } from '@tembrix/core/judging/evaluate'",
  ],
  ['web/src/App.tsx', "const { Shop } = await import('./screens/shop/Shop')"],
  ['web/src/screens/job/a.tsx', "import { usePlan } from '../../parts/plan/usePlan'"],
  [
    'server/src/app/a.ts',
    "import fs from 'node:fs'\nimport type { M } from '@tembrix/core/things/model'",
  ],
  ['core/src/judging/evaluate/a.test.ts', "import { test } from 'vitest'"],
  ['core/bench/a.ts', "import fs from 'node:fs'"],
])('%s may import what it does', (file, text) => {
  expect(check(file, text)).toEqual([])
})

test.each([
  ['core/src/judging/evaluate/a.ts', "import fs from 'node:fs'"],
  ['core/src/judging/evaluate/a.test.ts', "import fs from 'node:fs'"],
  ['core/src/bench/measure/a.ts', "import fs from 'node:fs'"],
  ['core/src/judging/evaluate/a.ts', "import React from 'react'"],
  ['core/src/judging/evaluate/a.ts', "import { test } from 'vitest'"],
  ['core/src/things/records/a.ts', "import { plan } from '../../judging/plan'"],
  ['core/src/judging/plan/a.ts', "import { job } from '../../shop/job'"],
  ['core/src/things/model/a.ts', "import { Job } from '../records'"],
  ['core/src/judging/evaluate/a.ts', "export * from '../../things/model/module'"],
  ['core/src/judging/evaluate/a.ts', "const m = await import('../../things/model/module')"],
  ['core/src/judging/evaluate/a.ts', "import x from '../../../../server/src/shop/jobs'"],
  ['core/src/judging/evaluate/a.ts', "import x from '@tembrix/server/jobs'"],
  ['core/src/judging/evaluate/a.ts', 'export const seed = Math.random()'],
  ['web/src/screens/job/a.tsx', "import { Slot } from '../../parts/board/Slot'"],
  ['web/src/screens/job/a.tsx', "import { Board } from '../../parts/board/Board'"],
  ['web/src/parts/board/a.tsx', "import { Job } from '../../screens/job'"],
  ['web/src/base/ui/a.tsx', "import { Board } from '../../parts/board'"],
  ['web/src/screens/job/judging/plan/a.tsx', "import { Quote } from '../../shop/quote'"],
  ['web/src/screens/job/a.tsx', "import { x } from '@tembrix/server/jobs'"],
  ['web/src/screens/job/a.tsx', "import { x } from '@tembrix/core/judging/evaluate/rate'"],
  ['server/src/app/a.ts', "import { x } from '@tembrix/web/board'"],
  ['server/src/base/http/a.ts', "import { jobs } from '../../shop/jobs'"],
  ['e2e/a.spec.ts', "import { evaluate } from '@tembrix/core/judging/evaluate'"],
])('%s must not: %s', (file, text) => {
  expect(check(file, text)).toHaveLength(1)
})

test('a circle is found through types and faces, of files and of folders', () => {
  const sources = [
    { file: 'core/src/things/model/index.ts', text: "export { a } from './a'" },
    {
      file: 'core/src/things/model/a.ts',
      text: "import type { B } from '../records'\nexport const a = 1",
    },
    { file: 'core/src/things/records/index.ts', text: "export type { B } from './b'" },
    {
      file: 'core/src/things/records/b.ts',
      text: "import { a } from '../model'\nexport type B = typeof a",
    },
    { file: 'core/src/things/records/b.test.ts', text: "import type { B } from '.'" },
  ]
  const circles = circlesIn(sources)
  expect(circles).toContainEqual(['core/src/things/model', 'core/src/things/records'])
  expect(circles.filter((one) => one.length === 4)).toHaveLength(1)
  expect(circles).toHaveLength(2)
  expect(circlesIn(sources.slice(2))).toEqual([])
})

test('folders in a circle are found where their files are in none', () => {
  const sources = [
    { file: 'web/src/parts/a/one.ts', text: "import { two } from '../b/two'" },
    { file: 'web/src/parts/b/two.ts', text: 'export const two = 2' },
    { file: 'web/src/parts/b/three.ts', text: "import { four } from '../a/four'" },
    { file: 'web/src/parts/a/four.ts', text: 'export const four = 4' },
  ]
  expect(circlesIn(sources)).toEqual([['web/src/parts/a', 'web/src/parts/b']])
})

test('a name that two files define is found; a schema with its type, and a name handed on, are not', () => {
  const sources = [
    { file: 'core/src/a.ts', text: 'export const Plan = 1\nexport type Plan = number' },
    { file: 'core/src/index.ts', text: "export { Plan } from './a'" },
    {
      file: 'core/src/b.ts',
      text: "import { Plan } from './a'\nexport { Plan }\nexport const other = Plan",
    },
    { file: 'web/src/c.tsx', text: 'export function other() {}' },
  ]
  expect(doubledNames(sources)).toEqual([['other', ['core/src/b.ts', 'web/src/c.tsx']]])
})

test('the drawing and the table of the wings show the rooms there are', () => {
  const read = (path) => readFileSync(new URL(`../${path}`, import.meta.url), 'utf8')
  const drawing = read('docs/architecture.md').match(/```mermaid\nflowchart BT\n([\s\S]*?)```/)?.[1]
  for (const wing of WINGS) {
    const rooms = readdirSync(new URL(`../core/src/${wing}`, import.meta.url)).sort()
    const drawn = drawing.match(new RegExp(`subgraph ${wing}\n([\\s\\S]*?)  end`))?.[1]
    expect(drawn.match(/\w+/g).sort(), wing).toEqual(rooms)
    const row = read('README.md').match(new RegExp(`^\\| \`${wing}\` +\\|.*$`, 'm'))?.[0]
    const told = [...row.matchAll(/`(\w+)`/g)].map(([, name]) => name).slice(1)
    expect(told.sort(), wing).toEqual(rooms)
  }
})
