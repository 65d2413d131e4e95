import { expect, test } from './fixtures'
import { jobOn, module } from './jobOn'

const TOWER = { Kind: 'desktop', Generation: 'DDR5', Slots: '4' }
const FOUR = /^Desktop, 4 slots, DDR5/
const standard = { kind: 'standard', dataRate: 5200, cl: 42, trcd: 42, trp: 42, tras: 84 }
const profile = {
  kind: 'profile',
  dataRate: 6000,
  cl: 30,
  trcd: 38,
  trp: 38,
  tras: 96,
  voltage: 1.35,
}

test('four dual-rank modules above their rating: the quote promises what they fall back to', async ({
  page,
  app,
}) => {
  const fast = { ranks: 2, capacityGiB: 32, speeds: [standard, profile], article: 'Swift-32' }
  const slots = ['A1', 'A2', 'B1', 'B2']
  const address = await jobOn(
    page,
    app,
    'Liv Anker',
    TOWER,
    FOUR,
    { A2: module({}) },
    Object.fromEntries(slots.map((slot) => [slot, module(fast)])),
  )
  const id = address.split('/').at(-1) as string
  const api = `${app.address}/api/v1`
  const job = await (await page.request.get(`${api}/jobs/${id}`)).json()
  const [plan] = job.plans
  await page.request.patch(`${api}/plans/${plan.id}`, {
    data: { version: plan.version, profile: true },
  })
  await page.goto(`${address}/plan`)
  const before = page.getByRole('region', { name: 'Before the modules go in' })
  await expect(before).toContainText('at this load that hardly ever runs')
  await expect(before).toContainText('The quote promises 3600 MT/s only')
  await page.goto(`${address}/quote`)
  await page
    .getByRole('button', { name: /Quote this plan|Quote the plan/ })
    .first()
    .click()
  const words = page.getByLabel('For the customer').first()
  await expect(words).toHaveValue(/We promise 3600 MT\/s\./)
  await expect(words).not.toHaveValue(/6000|usually works/)
  // The test is that of the plan, which is tried as it is set.
  await expect(words).toHaveValue(/8 full passes of the memory test, warm/)
})

test('a price for a machine that nobody looked into says nothing of what is in it', async ({
  page,
  app,
}) => {
  const two = { A2: module({ article: 'Plain-16' }), B2: module({ article: 'Plain-16' }) }
  const address = await jobOn(page, app, 'Orla Penhallow', TOWER, FOUR, {}, two)
  await page.goto(`${address}/quote`)
  await page
    .getByRole('button', { name: /Quote this plan|Quote the plan/ })
    .first()
    .click()
  const words = page.getByLabel('For the customer').first()
  await expect(words).toHaveValue(/We put in /)
  await expect(words).not.toHaveValue(/no memory|today|It then|We add/)
})
