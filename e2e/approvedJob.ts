import type { Page } from '@playwright/test'
import type { Application } from './application'
import { expect, newJob, saved } from './fixtures'

/** A job whose customer agreed to a second module, which a supplier sells. */
export async function approvedJob(
  page: Page,
  app: Application,
  customer: string,
  supplier: string,
) {
  const api = `${app.address}/api/v1`
  const send = async (method: 'post' | 'patch', path: string, data: object) => {
    const answer = await page.request[method](`${api}/${path}`, { data })
    expect(answer.ok(), `${method} ${path}`).toBe(true)
    return answer.json()
  }
  const job = await newJob(page, app, customer, 'Heron 15', { A: '8GB 1Rx8' })
  const file = await (await page.request.get(`${api}/jobs/${job.id}`)).json()
  const offer = await send('post', 'modules', {
    source: 'supplier',
    supplier,
    price: 2300,
    module: { ...file.modules[0].module, article: 'Larkfield L4-8-2666' },
  })
  const placement = { A: file.found.A, B: { moduleId: offer.id, unit: 0 } }
  await send('patch', `plans/${file.planId}`, { version: 1, placement })
  await page.goto(`${job.address}/quote`)
  await page.getByRole('button', { name: 'Quote the plan on the board' }).click()
  const approval = page.getByRole('region', { name: 'Approval' })
  await approval.getByRole('button', { name: 'Approved' }).click()
  await expect(approval).toContainText('Approved by')
  await saved(page)
  return job
}
