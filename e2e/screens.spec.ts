import { expect, holdRequests, test } from './fixtures'

const MACHINES = /\/assets\/machines-.*\.js$/

test('a screen whose code is on its way leaves the one before in sight, and says so', async ({
  page,
  app,
}) => {
  await page.goto(app.address)
  const mayCome = await holdRequests(page, MACHINES)
  await page.getByRole('link', { name: 'Machines' }).click()
  await expect(page.getByRole('status').filter({ hasText: 'Opening…' })).toBeVisible()
  await expect(page.getByRole('heading', { name: 'Counter', level: 1 })).toBeVisible()
  mayCome()
  await expect(page.getByRole('heading', { name: 'Machines', level: 1 })).toBeVisible()
  await expect(page.getByText('Opening…')).toHaveCount(0)
})

test('a screen whose code does not come says so, and is asked for again when gone to again', async ({
  page,
  app,
}) => {
  await page.goto(app.address)
  await page.route(MACHINES, (route) => route.abort())
  await page.getByRole('link', { name: 'Machines' }).click()
  await expect(page.getByText('This screen has failed')).toBeVisible()
  await page.goBack()
  await expect(page.getByRole('heading', { name: 'Counter', level: 1 })).toBeVisible()
  await page.unroute(MACHINES)
  await page.getByRole('link', { name: 'Machines' }).click()
  await expect(page.getByRole('heading', { name: 'Machines', level: 1 })).toBeVisible()
})

test('a screen that is the first waits for its code under the bar', async ({ page, app }) => {
  const mayCome = await holdRequests(page, MACHINES)
  await page.goto(`${app.address}/machines`)
  await expect(page.getByRole('main').getByText('Opening…')).toBeVisible()
  await expect(page.getByRole('link', { name: 'Shelf' })).toBeVisible()
  mayCome()
  await expect(page.getByRole('heading', { name: 'Machines', level: 1 })).toBeVisible()
})

test('the counter, which is there with the first code, opens without a word of opening', async ({
  page,
  app,
}) => {
  await page.addInitScript(() => {
    new MutationObserver(() => {
      if (document.body?.textContent.includes('Opening'))
        document.documentElement.dataset.waited = ''
    }).observe(document, { childList: true, subtree: true })
  })
  await page.goto(app.address)
  await expect(page.getByRole('heading', { name: 'Counter', level: 1 })).toBeVisible()
  await expect(page.locator('html')).not.toHaveAttribute('data-waited')
})
