import { writeFileSync } from 'node:fs'
import { setTimeout as pause } from 'node:timers/promises'
import sharp from 'sharp'
import { startApplication } from '../application'
import { takeInPrices } from '../priceList'

const SCREENS = 30
const SECONDS = 60
const IDLE_SECONDS = 15
/** Between two things that a screen asks, ms. */
const THINKS = 2000

const app = await startApplication()
const base = `${app.address}/api/v1`
const read = async (path: string) => (await fetch(base + path)).json()
const jobs = (await read('/jobs')) as { id: string }[]

async function send(method: string, path: string, body: object): Promise<Response> {
  return fetch(base + path, {
    method,
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  })
}

/** What a screen asks all day: the list, a search, a job, its shelf, and what was typed into it. */
async function screen(until: number, at: number, taken: number[]): Promise<void> {
  const { id } = jobs[at % jobs.length] as { id: string }
  const timed = async (ask: () => Promise<Response>): Promise<void> => {
    const begun = performance.now()
    await (await ask()).arrayBuffer()
    taken.push(performance.now() - begun)
  }
  const write = async () => {
    const { version } = (await read(`/jobs/${id}`)) as { version: number }
    return send('PATCH', `/jobs/${id}`, { version, complaint: `Slow, said at ${at}` })
  }
  const asks: (() => Promise<Response>)[] = [
    () => fetch(`${base}/jobs`),
    () => fetch(`${base}/jobs?search=heron`),
    () => fetch(`${base}/jobs/${id}`),
    () => fetch(`${base}/modules?shop=1&source=shelf&forJob=${id}`),
    write,
  ]
  // Each begins elsewhere, so that not all ask the same at once.
  for (let turn = at; Date.now() < until; turn += 1) {
    await timed(asks[turn % asks.length] as () => Promise<Response>)
    await pause(THINKS * (0.5 + ((turn * 37) % 100) / 100))
  }
}

async function screens(count: number, seconds: number): Promise<number[]> {
  const taken: number[] = []
  const until = Date.now() + seconds * 1000
  await Promise.all(Array.from({ length: count }, (_, at) => screen(until, at, taken)))
  return taken
}

const p95 = (all: number[]): number =>
  all.sort((a, b) => a - b)[Math.floor(all.length * 0.95)] as number

const machine = ((await read('/models')) as { machine: { generation: string } }[])[0]?.machine
const { module } = (
  (await read('/modules?shop=1&source=supplier')) as { module: { generation: string } }[]
)[0] as {
  module: { generation: string }
}
const offer = (at: number) => ({
  module: { ...module, article: `load ${at}` },
  price: 1000 + ((at * 7919) % 5000),
  stock: 5,
  leadDays: 2,
})
const photo = await sharp({
  create: { width: 4000, height: 3000, channels: 3, background: '#456' },
})
  .jpeg()
  .toBuffer()

/** Heavy work beside, over and over; returns how often each was done. */
async function heavy(until: number) {
  const done = { imported: 0, planned: 0, pictured: 0 }
  const over = async (name: keyof typeof done, work: () => Promise<unknown>) => {
    while (Date.now() < until) {
      await work()
      done[name] += 1
    }
  }
  await Promise.all([
    over('imported', () =>
      takeInPrices(
        base,
        'Load',
        Array.from({ length: 5000 }, (_, at) => offer(at)),
      ),
    ),
    over('planned', () =>
      send('POST', '/plan', {
        machine,
        onHand: [],
        offers: Array.from({ length: 300 }, (_, at) => ({ id: `o${at}`, pieces: 1, ...offer(at) })),
        need: { minGiB: 8, budget: null, freeSlots: 0 },
        policy: 'capacity',
        settings: { profile: false },
      }).then((answer) => answer.arrayBuffer()),
    ),
    over('pictured', () =>
      fetch(`${base}/photos?jobId=${jobs[0]?.id}`, { method: 'POST', body: photo }).then((answer) =>
        answer.arrayBuffer(),
      ),
    ),
  ])
  return done
}

const idle = await screens(4, IDLE_SECONDS)
const [loaded, done] = await Promise.all([
  screens(SCREENS, SECONDS),
  heavy(Date.now() + SECONDS * 1000),
])
await app.end()
const [alone, together] = [p95(idle), p95(loaded)]
writeFileSync(
  process.argv[2] as string,
  JSON.stringify([
    {
      what: `${SCREENS} screens for ${SECONDS} s, each asking something every ${THINKS / 1000} s, with price lists, planning and pictures beside: 95th percentile of what screens ask`,
      measured: `${together.toFixed(0)} ms, ${(together / alone).toFixed(1)}× of four screens alone (${alone.toFixed(0)} ms); ${loaded.length} answered, ${done.imported} lists of 5,000, ${done.planned} plans, ${done.pictured} pictures`,
      aim: 'under 250 ms on a quiet machine',
    },
  ]),
)
