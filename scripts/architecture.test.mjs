import { expect, test } from 'vitest'
import { violationsIn } from './architecture.mjs'

const folders = [
  'core/src/model',
  'core/src/plan',
  'core/src/records',
  'web/src/parts/board',
  'web/src/screens/job',
  'server/src/jobs',
]
const check = (file, text) => violationsIn(file, text, (path) => folders.includes(path))

test.each([
  ['core/src/evaluate/a.ts', "import { z } from 'zod'\nimport { M } from '../model'\nimport './b'"],
  [
    'web/src/screens/job/a.tsx',
    "import { Board } from '../../parts/board'\nimport { evaluate } from '@tembrix/core/evaluate'",
  ],
  ['web/src/App.tsx', "const { Shop } = await import('./screens/shop/Shop')"],
  ['web/src/screens/job/a.tsx', "import { usePlan } from '../../parts/plan/usePlan'"],
  ['server/src/app/a.ts', "import fs from 'node:fs'\nimport type { M } from '@tembrix/core/model'"],
  ['core/src/evaluate/a.test.ts', "import { test } from 'vitest'"],
  ['core/bench/a.ts', "import fs from 'node:fs'"],
])('%s may import what it does', (file, text) => {
  expect(check(file, text)).toEqual([])
})

test.each([
  ['core/src/evaluate/a.ts', "import fs from 'node:fs'"],
  ['core/src/evaluate/a.test.ts', "import fs from 'node:fs'"],
  ['core/src/evaluate/a.ts', "import React from 'react'"],
  ['core/src/evaluate/a.ts', "import { test } from 'vitest'"],
  ['core/src/records/a.ts', "import { plan } from '../plan'"],
  ['core/src/model/a.ts', "import { Job } from '../records'"],
  ['core/src/evaluate/a.ts', "export * from '../model/module'"],
  ['core/src/evaluate/a.ts', "const m = await import('../model/module')"],
  ['core/src/evaluate/a.ts', "import x from '../../../server/src/jobs'"],
  ['core/src/evaluate/a.ts', "import x from '@tembrix/server/jobs'"],
  ['core/src/evaluate/a.ts', 'export const seed = Math.random()'],
  ['web/src/screens/job/a.tsx', "import { Slot } from '../../parts/board/Slot'"],
  ['web/src/screens/job/a.tsx', "import { Board } from '../../parts/board/Board'"],
  ['web/src/parts/board/a.tsx', "import { Job } from '../../screens/job'"],
  ['web/src/base/ui/a.tsx', "import { Board } from '../../parts/board'"],
  ['web/src/screens/job/a.tsx', "import { x } from '@tembrix/server/jobs'"],
  ['web/src/screens/job/a.tsx', "import { x } from '@tembrix/core/evaluate/rate'"],
  ['server/src/app/a.ts', "import { x } from '@tembrix/web/board'"],
  ['e2e/a.spec.ts', "import { evaluate } from '@tembrix/core/evaluate'"],
])('%s must not: %s', (file, text) => {
  expect(check(file, text)).toHaveLength(1)
})
