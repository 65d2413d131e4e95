import { expect, test } from 'vitest'
import { violationsIn } from './architecture/directions.mjs'

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
