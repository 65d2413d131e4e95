import { Session } from 'node:inspector/promises'
import { relative } from 'node:path'
import { fileURLToPath } from 'node:url'
import { read } from '../src/reading/inputs'
import { placeRead, situationOf } from '../src/shop/job'
import { STARTING_MACHINES } from '../src/things/machines'
import type { ReadingRecord } from '../src/things/records'

/**
 * Files of core that a label goes through from paste to board, by what runs: those with a function that is called
 * between its text and the module in a slot. `npx tsx core/bench/way.ts`.
 */
const LABEL = '16GB 2Rx8 PC4-3200AA-SE1-11 S/N 0A1B2C3D'

const machine = STARTING_MACHINES.find(({ id }) => id === 'laptop-2')?.machine
if (!machine) throw new Error('no such machine')
const now = situationOf(machine, {}, new Map(), { profile: false, manual: null })
const record: ReadingRecord = {
  id: 'r1',
  jobId: 'j1',
  version: 0,
  createdAt: '2026-03-02T10:00:00.000Z',
  updatedAt: '2026-03-02T10:00:00.000Z',
  by: '',
  name: 'a label',
  text: LABEL,
  base64: null,
  seats: { 0: machine.slots[0]?.id ?? '' },
}

const session = new Session()
session.connect()
await session.post('Profiler.enable')
await session.post('Profiler.startPreciseCoverage', { callCount: true, detailed: false })
const { modules } = placeRead(
  {
    machine: { machine, sources: {} },
    rulings: {},
    readings: [],
    runsAt: null,
    decode: ({ text }) => read(text ?? ''),
    ...now,
  },
  [record],
  () => 'm1',
)
const { result } = await session.post('Profiler.takePreciseCoverage')
const root = fileURLToPath(new URL('../src', import.meta.url))
const files = result
  .filter(({ url }) => url.startsWith('file:') && fileURLToPath(url).startsWith(root))
  .filter(({ functions }) =>
    functions.some(
      ({ functionName, ranges }) => functionName !== '' && (ranges[0]?.count ?? 0) > 0,
    ),
  )
  .map(({ url }) => relative(root, fileURLToPath(url)))
  .sort()
console.log(files.join('\n'))
console.log(`${files.length} files; placed: ${modules.length}`)
