import type { Page, Route } from '@playwright/test'
import { startApplication } from './application'
import { chanceOf } from './chance'
import { expect, openJob, saved, test } from './fixtures'

const WRITERS = 4
/** Between two writes of one, ms: the load is bounded. */
const BETWEEN = 200

/** Writers that store one customer after the other, and go on when the server is there again. */
function writing(address: string, count: number) {
  const answered: string[] = []
  let ending = false
  async function write(): Promise<void> {
    while (!ending) {
      try {
        const response = await fetch(`${address}/api/v1/customers`, {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify({ name: 'Writer' }),
        })
        const { id } = (await response.json()) as { id: string }
        if (response.status === 201) answered.push(id)
      } catch {
        // The server is away.
      }
      await new Promise((next) => setTimeout(next, BETWEEN))
    }
  }
  const all = Promise.all(Array.from({ length: count }, write))
  return {
    /** Ends them, with the ids of everything that was answered. */
    end: async (): Promise<string[]> => {
      ending = true
      await all
      return answered
    },
  }
}

/** The ids of all customers that are stored, page by page. */
async function customersOf(address: string): Promise<Set<string>> {
  const ids = new Set<string>()
  let next: string | undefined = '/api/v1/customers?limit=1000'
  while (next) {
    const response: Response = await fetch(address + next)
    for (const { id } of (await response.json()) as { id: string }[]) ids.add(id)
    next = /<([^>]*)>; rel="next"/.exec(response.headers.get('link') ?? '')?.[1]
  }
  return ids
}

async function killed(page: Page, times: number, seed: number): Promise<void> {
  const own = await startApplication()
  try {
    const id = await openJob(page, own, 'Varga', 'intake')
    const uses = page.getByLabel('What it is used for')
    const writers = writing(own.address, WRITERS)
    const chance = chanceOf(seed)
    const words: string[] = []
    let strike: ((route: Route) => Promise<void>) | null = null
    await page.route('**/api/v1/**', async (route) => {
      if (strike && route.request().method() !== 'GET') await strike(route)
      else await route.continue()
    })
    /** Killed as a write comes, before or after the server has it. */
    const struck = (stored: boolean) =>
      new Promise<void>((done) => {
        strike = async (route) => {
          strike = null
          if (stored) await route.fetch()
          await own.stop('SIGKILL')
          await route.abort()
          done()
        }
      })
    for (let turn = 0; turn < times; turn += 1) {
      const when = Math.floor(chance() * 4)
      const strikes = when === 1 || when === 2 ? struck(when === 2) : null
      await uses.focus()
      await page.keyboard.press('Control+End')
      await page.keyboard.insertText(` k${turn}`)
      words.push(`k${turn}`)
      if (strikes) await strikes
      else if (when === 3) await saved(page)
      await own.stop('SIGKILL')
      await own.start()
    }
    await saved(page)
    const answered = await writers.end()
    expect(answered.length).toBeGreaterThan(times)
    const stored = await customersOf(own.address)
    expect(answered.filter((one) => !stored.has(one))).toEqual([])
    const job = await (await page.request.get(`${own.address}/api/v1/jobs/${id}`)).json()
    expect(words.filter((word) => !job.uses.split(' ').includes(word))).toEqual([])
  } finally {
    await own.end()
  }
}

// Fifty times in all, half of them beside the others.
for (const seed of [50, 51]) {
  test(`the server is killed again and again (${seed}) amid typing and other writers: all that was answered is there`, async ({
    page,
  }) => {
    test.setTimeout(600_000)
    await killed(page, 25, seed)
  })
}
