import type { APIRequestContext, Page } from '@playwright/test'
import type { Application } from './application'
import { expect } from './fixtures'

/** A job on a kind of machine, chosen by questions at the counter, with modules found in it by their label. */
export async function jobOn(
  page: Page,
  app: Application,
  customer: string,
  answers: Record<string, string>,
  kind: RegExp,
  found: Record<string, object>,
  planned: Record<string, object>,
) {
  await page.goto(`${app.address}/jobs/new`)
  await page.getByLabel('Name').fill(customer)
  for (const [question, answer] of Object.entries(answers)) {
    await page.getByLabel(question, { exact: true }).selectOption({ label: answer })
  }
  await page.getByRole('radio', { name: kind }).check()
  await page.getByRole('button', { name: 'Start the job' }).click()
  await expect(page.getByRole('heading', { name: 'Identify' })).toBeVisible()
  const id = page.url().split('/').at(-2) as string
  const api = `${app.address}/api/v1`
  const held = async (slots: Record<string, object>) => {
    const placed: Record<string, { moduleId: string }> = {}
    for (const [slot, module] of Object.entries(slots)) {
      placed[slot] = { moduleId: await stored(page.request, api, id, module) }
    }
    return placed
  }
  const job = await (await page.request.get(`${api}/jobs/${id}`)).json()
  await page.request.patch(`${api}/jobs/${id}`, {
    data: { version: job.version, found: await held(found) },
  })
  if (Object.keys(planned).length === 0) return `${app.address}/jobs/${id}`
  const [plan] = job.plans
  await page.request.patch(`${api}/plans/${plan.id}`, {
    data: { version: plan.version, placement: await held(planned) },
  })
  return `${app.address}/jobs/${id}`
}

async function stored(request: APIRequestContext, api: string, jobId: string, module: object) {
  const sent = await request.post(`${api}/modules`, { data: { jobId, source: 'customer', module } })
  expect(sent.status(), await sent.text()).toBe(201)
  return (await sent.json()).id as string
}

/** A DDR5 module of 16 GB, changed as asked. */
export const module = (changes: object) => ({
  article: 'Plain',
  generation: 'DDR5',
  formFactor: 'DIMM',
  buffering: 'unbuffered',
  ecc: false,
  capacityGiB: 16,
  ranks: 1,
  deviceWidth: 8,
  voltages: [1.1],
  speeds: [{ kind: 'standard', dataRate: 5600, cl: 46, trcd: 45, trp: 45, tras: 90 }],
  kit: null,
  ...changes,
})
