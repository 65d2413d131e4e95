import { writeFileSync } from 'node:fs'
import { chromium } from '@playwright/test'
import { startApplication } from '../application'
import { launchOptions } from '../browser'

/** Copies between two arrays of this size in Node, GB/s read and written, best of some rounds. */
function copyInNode(bytes: number): number {
  const from = new Float64Array(bytes / 8).fill(1.5)
  const to = new Float64Array(bytes / 8).fill(2.5)
  let best = 0
  for (let round = 0; round < 9; round += 1) {
    const begun = performance.now()
    to.set(from)
    best = Math.max(best, (2 * bytes) / (performance.now() - begun) / 1e6)
  }
  return best
}

/** Follows a random cycle in Node, ns a step. */
function chaseInNode(bytes: number): number {
  const cycle = Uint32Array.from({ length: bytes / 4 }, (_, at) => at)
  for (let at = cycle.length - 1; at > 0; at -= 1) {
    const other = Math.floor(Math.random() * at)
    const held = cycle[at] as number
    cycle[at] = cycle[other] as number
    cycle[other] = held
  }
  let at = 0
  const STEPS = 4_000_000
  const begun = performance.now()
  for (let step = 0; step < STEPS; step += 1) at = cycle[at] as number
  if (at === -1) throw new Error('impossible')
  return ((performance.now() - begun) * 1e6) / STEPS
}

const MIB = 2 ** 20
const app = await startApplication()
const browser = await chromium.launch(launchOptions)
const page = await browser.newPage()
const api = `${app.address}/api/v1`
const [job] = await (await page.request.get(`${api}/jobs?search=Farrow`)).json()
const { code } = await (
  await page.request.post(`${api}/probe/codes`, { data: { jobId: job.id } })
).json()
await page.goto(`${app.address}/probe`)
await page.getByLabel('Code from the job').fill(code)
await page.keyboard.press('Enter')
await page.getByRole('button', { name: 'Measure' }).click()
await page.getByRole('heading', { name: /^Sent to job/ }).waitFor({ timeout: 180_000 })
const { measurements } = await (await page.request.get(`${api}/jobs/${job.id}`)).json()
await browser.close()
await app.end()

const runsOf = (test: string): number[] =>
  measurements.find((one: { test: string }) => one.test === test).runs
const middle = (runs: number[]) => [...runs].sort((a, b) => a - b)[runs.length >> 1] as number
const copy = middle(runsOf('Probe: copy bandwidth'))
const latency = middle(runsOf('Probe: latency'))
const [nodeCopy, nodeLatency] = [copyInNode(192 * MIB), chaseInNode(128 * MIB)]
writeFileSync(
  process.argv[2] as string,
  JSON.stringify([
    {
      what: 'the probe’s copy bandwidth in Chromium, against a copy of the same size in Node',
      measured: `${copy.toFixed(1)} GB/s, ${(copy / nodeCopy).toFixed(2)}× of ${nodeCopy.toFixed(1)}`,
      aim: 'at least 0.9×',
    },
    {
      what: 'the probe’s latency, against the same pointer chase in Node',
      measured: `${latency.toFixed(0)} ns, ${(latency / nodeLatency).toFixed(2)}× of ${nodeLatency.toFixed(0)}`,
      aim: '–',
    },
  ]),
)
