import type { Page, Route } from '@playwright/test'
import { type Application, startApplication } from './application'
import { chanceOf } from './chance'
import { expect, openJob, saved, test } from './fixtures'

const WRITERS = 4
/** Between two writes of one, ms: the load is bounded. */
const BETWEEN = 200

/** Writers that store one customer after the other, and go on when the server is there again. */
function writing(address: string, count: number) {
  const answered: string[] = []
  let reached: { count: number; go: () => void } | null = null
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
        if (reached && answered.length >= reached.count) reached.go()
      } catch {
        // The server is away.
      }
      await new Promise((next) => setTimeout(next, BETWEEN))
    }
  }
  const all = Promise.all(Array.from({ length: count }, write))
  return {
    /** Waits for so many more answers. */
    further: (more: number) =>
      new Promise<void>((go) => {
        if (more === 0) go()
        else reached = { count: answered.length + more, go }
      }),
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

async function allStored(own: Application, answered: string[], atLeast: number): Promise<void> {
  expect(answered.length).toBeGreaterThan(atLeast)
  const stored = await customersOf(own.address)
  expect(answered.filter((one) => !stored.has(one))).toEqual([])
}

async function killed(times: number): Promise<void> {
  const own = await startApplication()
  try {
    const writers = writing(own.address, WRITERS)
    const chance = chanceOf(51)
    for (let turn = 0; turn < times; turn += 1) {
      await writers.further(Math.floor(chance() * 3 * WRITERS))
      await own.stop('SIGKILL')
      await own.start()
    }
    await allStored(own, await writers.end(), times)
  } finally {
    await own.end()
  }
}

async function killedAmidTyping(page: Page, times: number): Promise<void> {
  const own = await startApplication()
  try {
    const id = await openJob(page, own, 'Varga', 'intake')
    const uses = page.getByLabel('What it is used for')
    const writers = writing(own.address, WRITERS)
    const chance = chanceOf(50)
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
    await allStored(own, await writers.end(), times)
    const job = await (await page.request.get(`${own.address}/api/v1/jobs/${id}`)).json()
    expect(words.filter((word) => !job.uses.split(' ').includes(word))).toEqual([])
  } finally {
    await own.end()
  }
}

// Fifty times in all; a page that comes back each time takes as long as the start.
test('the server is killed ten times amid typing and other writers: all that was answered is there', async ({
  page,
}) => {
  test.setTimeout(300_000)
  await killedAmidTyping(page, 10)
})

test('the server is killed forty times amid writers: all that was answered is there', async () => {
  test.setTimeout(600_000)
  await killed(40)
})
