import { test as base, expect, type Locator, type Page } from '@playwright/test'
import { type Application, startApplication } from './application'

/** Tests share one running application a worker; each has a browser of its own with nothing remembered. */
export const test = base.extend<{ app: Application }, { application: Application }>({
  application: [
    // biome-ignore lint/correctness/noEmptyPattern: the runner wants a pattern here
    async ({}, use) => {
      const application = await startApplication()
      await use(application)
      await application.end()
    },
    { scope: 'worker' },
  ],
  app: async ({ application, page }, use) => {
    const faults: string[] = []
    page.on('pageerror', (error) => faults.push(error.message))
    await use(application)
    expect(faults, 'errors in the page').toEqual([])
  },
})

export { expect }

/** Opens a job of the demonstration by a word of its customer. */
export async function openJob(page: Page, app: Application, search: string, step: string) {
  const response = await page.request.get(`${app.address}/api/v1/jobs?search=${search}`)
  const [job] = (await response.json()) as { id: string }[]
  if (!job) throw new Error(`no job for ${search}`)
  await page.goto(`${app.address}/jobs/${job.id}/${step}`)
  await expect(page.getByRole('region', { name: /^Board/ })).toBeVisible()
  return job.id
}

/** Holds what is asked of an address until it is let go. */
export async function holdRequests(page: Page, address: string | RegExp): Promise<() => void> {
  let letGo = () => {}
  const wait = new Promise<void>((resolve) => {
    letGo = resolve
  })
  await page.route(address, async (route) => {
    await wait
    await route.continue()
  })
  return letGo
}

/** Waits until what came by now is drawn. */
export const drawn = (page: Page) =>
  page.evaluate(
    () =>
      new Promise<void>((done) =>
        requestAnimationFrame(() => requestAnimationFrame(() => setTimeout(done))),
      ),
  )

/** Opens the counter as high as its list: rows out of sight are not drawn. */
export async function openDay(page: Page, app: Application) {
  await page.setViewportSize({ width: 1280, height: 4000 })
  await page.goto(app.address)
}

/**
 * A job of its own for a test: a customer, one of the shop's models, and what its slots hold. What
 * stands before the rate on a SO-DIMM DDR4-2666 label says what is in a slot.
 */
export async function newJob(
  page: Page,
  app: Application,
  customer: string,
  model: string,
  slots: Record<string, string>,
) {
  const api = `${app.address}/api/v1`
  const ask = async (path: string) => (await page.request.get(`${api}/${path}`)).json()
  const send = async (path: string, data: object) =>
    (await page.request.post(`${api}/${path}`, { data })).json()
  const known = (await ask('models')) as { id: string; machine: { name: string } }[]
  const found = known.find(({ machine }) => machine.name === model)
  if (!found) throw new Error(`no model ${model}`)
  const { id: modelId, machine } = found
  const job = await send('jobs', {
    customer: { name: customer },
    machine: { machine, modelId },
    complaint: 'Too slow',
  })
  const held: Record<string, { moduleId: string }> = {}
  for (const [slotId, label] of Object.entries(slots)) {
    const { modules } = await send('read', { text: `${label} PC4-2666V-SA1-11` })
    const module = {
      article: 'found in it',
      kit: null,
      voltages: [1.2],
      ...pick(modules[0].module, FIGURES),
      speeds: [{ kind: 'standard', dataRate: 2666, cl: 19, trcd: 19, trp: 19, tras: 43 }],
    }
    held[slotId] = {
      moduleId: (await send('modules', { jobId: job.id, source: 'customer', module })).id,
    }
  }
  await page.request.patch(`${api}/jobs/${job.id}`, { data: { version: 1, found: held } })
  return {
    id: job.id as string,
    number: job.number as number,
    address: `${app.address}/jobs/${job.id}`,
  }
}

const FIGURES = [
  'generation',
  'formFactor',
  'buffering',
  'ecc',
  'capacityGiB',
  'ranks',
  'deviceWidth',
]
const pick = (of: Record<string, unknown>, names: readonly string[]) =>
  Object.fromEntries(names.map((name) => [name, of[name]]))

export const saved = (page: Page) => expect(page.getByTestId('save-state')).toHaveText('All saved')

export const slotButton = (page: Page, id: string) =>
  page.getByRole('button', { name: new RegExp(`^Slot ${id},`) })

/** The way to a step of the job, beside its work. */
export const toStep = (page: Page, name: string) =>
  page.getByRole('navigation', { name: 'Steps' }).getByRole('link', { name })

/** The board in one line, where the page leads. */
export const inShort = (page: Page) => page.getByRole('region', { name: 'Board in short' })

export const slotInShort = (page: Page, id: string) =>
  inShort(page).getByRole('button', { name: new RegExp(`^Slot ${id}:`) })

/** What a figure under the board says. */
export const figure = (page: Page, name: string) =>
  page.getByRole('button', { name: new RegExp(`^${name},? ?(, why\\?)?`) })

/** Drags with the mouse as a hand does, over several points on the way. */
export async function drag(page: Page, from: Locator, to: Locator): Promise<void> {
  await from.hover()
  await page.mouse.down()
  const box = await to.boundingBox()
  if (!box) throw new Error('the target is not on the screen')
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
  await page.mouse.move(x - 20, y - 20, { steps: 8 })
  await page.mouse.move(x, y, { steps: 4 })
  // What the module was lifted from knows itself under the pointer too, at first.
  const over = to.locator('xpath=ancestor-or-self::*[@data-over][1]')
  await expect(over).toHaveAttribute('data-over', 'true')
  await page.mouse.up()
}

/** Without news of other screens, so that the network comes to rest. */
export const withoutNews = (page: Page) => page.route('**/api/v1/changes', (route) => route.abort())
