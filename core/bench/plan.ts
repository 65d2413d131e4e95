import { writeFileSync } from 'node:fs'
import { type Offer, plan } from '../src/judging/plan'
import type { Machine, Module } from '../src/things/model'
import { desktop, slot, stick } from '../test/builders'

/** A small seeded generator (mulberry32), so that every run plans with the same offers. */
function random(seed: number): () => number {
  let state = seed
  return () => {
    state = (state + 0x6d2b79f5) | 0
    let t = Math.imul(state ^ (state >>> 15), 1 | state)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32
  }
}

const RATES = [2133, 2400, 2666, 2933, 3200]

function offers(count: number, sizes: readonly number[], ranks: readonly number[]): Offer[] {
  const next = random(count)
  const pick = <T>(list: readonly T[]): T => list[Math.floor(next() * list.length)] as T
  return Array.from({ length: count }, (_, at) => {
    const top = pick(RATES)
    const capacityGiB = pick(sizes)
    const pieces = pick([1, 1, 1, 2, 2, 4])
    const entries = RATES.filter((rate) => rate <= top && (rate === top || next() < 0.5))
    const slack = pick([-2, -1, 0, 0, 1])
    const module: Module = stick({
      article: `article ${at}`,
      capacityGiB,
      ranks: pick(ranks),
      speeds: entries.map((dataRate) => {
        const cl = Math.ceil((dataRate * 13.75) / 2000) + slack
        return { kind: 'standard', dataRate, cl, trcd: cl, trp: cl, tras: 2 * cl + 8 }
      }),
    })
    const each = 400 + capacityGiB * (180 + top / 25) * (0.8 + next() * 0.5)
    return { id: `offer ${at}`, module, pieces, price: Math.round(each * pieces), stock: 9 }
  })
}

const four = desktop()
const eight: Machine = desktop({
  channels: ['A', 'B', 'C', 'D'],
  slots: ['A', 'B', 'C', 'D'].flatMap((name, at) => [
    slot(`${name}1`, name, { position: 1, order: at + 1 }),
    slot(`${name}2`, name, { position: 2, order: at + 5 }),
  ]),
  limits: { ...desktop().limits, totalGiB: 512, slotGiB: 64 },
})
const cases: { name: string; machine: Machine; sizes: number[]; aim: (count: number) => string }[] =
  [
    {
      name: '4 slots, 2 channels',
      machine: four,
      sizes: [4, 8, 16, 32],
      aim: (n) => (n === 1000 ? '1 s' : '–'),
    },
    {
      name: '8 slots, 4 channels',
      machine: eight,
      sizes: [4, 8, 16, 32, 64],
      aim: (n) => (n === 1000 ? '10 s' : '–'),
    },
  ]

/** The places of single pieces in slots, as a power of ten: each slot empty or with one of the pieces. */
function spaceOf(slots: number, pieces: number): string {
  let log = 0
  for (let n = 0; n < slots; n += 1) log += Math.log10(pieces - n + 1)
  return `10^${log.toFixed(0)}`
}

const rows: { what: string; measured: string; aim: string }[] = []
for (const { name, machine, sizes, aim } of cases) {
  let before = 0
  for (const count of (process.env.COUNTS ?? '100,300,1000').split(',').map(Number)) {
    const offered = offers(count, sizes, [1, 2])
    const request = {
      machine,
      onHand: [stick(), stick(), stick({ capacityGiB: 4 }), stick({ capacityGiB: 16, ranks: 2 })],
      offers: offered,
      need: { minGiB: 16, budget: null },
      policy: 'capacity' as const,
      settings: { profile: false },
    }
    const runs = (process.env.COUNTS ? [0] : [0, 1, 2]).map(() => {
      const start = performance.now()
      const answer = plan(request)
      return { answer, ms: performance.now() - start }
    })
    runs.sort((a, b) => a.ms - b.ms)
    const { answer, ms } = runs[runs.length >> 1] as (typeof runs)[number]
    const pieces = 4 + offered.reduce((sum, one) => sum + one.pieces * one.stock, 0)
    const growth = before ? `, ${(ms / before).toFixed(1)}x the one before` : ''
    before = ms
    rows.push({
      what: `planning, ${name}, ${count} offers and 4 on hand`,
      measured: `${ms.toFixed(0)} ms: ${answer.options.length} options of ${answer.examined} plans compared, of ${spaceOf(machine.slots.length, pieces)} placements${growth}`,
      aim: aim(count),
    })
  }
}
rows.push({
  what: 'memory after planning (whole process)',
  measured: `${Math.round(process.memoryUsage().rss / 2 ** 20)} MB`,
  aim: '500 MB',
})
writeFileSync(process.argv[2] as string, JSON.stringify(rows))
