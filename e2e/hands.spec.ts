import type { Browser, Page } from '@playwright/test'
import { expect, openJob, saved, test, withoutNews } from './fixtures'

const state = (page: Page) => page.getByTestId('save-state')

/** A further screen of the shop, with a browser of its own. */
async function another(browser: Browser, path: string): Promise<Page> {
  const page = await (await browser.newContext()).newPage()
  await page.goto(path)
  return page
}

test('what one screen changes shows on another without a reload, and typing there is left alone', async ({
  page,
  app,
  browser,
}) => {
  const id = await openJob(page, app, 'Varga', 'intake')
  const other = await another(browser, `${app.address}/jobs/${id}/intake`)
  const uses = 'What it is used for'
  await expect(other.getByLabel(uses)).toBeVisible()
  await other.getByLabel('Phone').fill('0555 1')
  await page.getByLabel(uses).fill('Bees, seen from the other bench')
  await expect(other.getByLabel(uses)).toHaveValue('Bees, seen from the other bench')
  await other.getByLabel('Phone').pressSequentially('23')
  await expect(other.getByLabel('Phone')).toHaveValue('0555 123')
  await saved(other)
  await expect(page.getByLabel('Phone')).toHaveValue('0555 123')
  // A field that has the focus follows too once what was typed there is stored, and typing goes on from it.
  await page.getByLabel('Phone').fill('0555 777')
  await expect(other.getByLabel('Phone')).toHaveValue('0555 777')
  await other.keyboard.press('End')
  await other.keyboard.type(' or 8')
  await expect(page.getByLabel('Phone')).toHaveValue('0555 777 or 8')
  await other.context().close()
})

test('three screens on one fitting: every tick stays, whoever began it', async ({
  page,
  app,
  browser,
}) => {
  const id = await openJob(page, app, 'Varga', 'plan')
  const api = `${app.address}/api/v1`
  const pages = [page, await another(browser, 'about:blank'), await another(browser, 'about:blank')]
  for (const one of pages) {
    // None hears of the others: each works on what it read at first.
    await withoutNews(one)
    await one.goto(`${app.address}/jobs/${id}/fit`)
    await expect(one.getByRole('button', { name: 'I have read this' })).toBeVisible()
  }
  const file = async () => (await page.request.get(`${api}/jobs/${id}`)).json()
  for (const [at, one] of pages.entries()) {
    for (let press = 0; press <= at; press += 1) {
      await one.keyboard.press('PageDown')
      await expect(one.getByText(`${press + 1} of`, { exact: false }).first()).toBeVisible()
    }
    if (one === page) {
      await one.getByText('Ways of working, notes, photos').click()
      await one.getByLabel('Notes').fill('by the first')
    }
    await saved(one)
  }
  // Each ticked from the first step on, the third furthest; one note is only the first’s.
  const { ticks, note } = (await file()).fits[0]
  expect(Object.keys(ticks)).toHaveLength(3)
  expect(note).toBe('by the first')
  for (const one of pages.slice(1)) await one.context().close()
})

test('two conflicts hold their own fields; the rest is saved, both versions are shown', async ({
  page,
  app,
  browser,
}) => {
  const id = await openJob(page, app, 'Ashby', 'intake')
  const api = `${app.address}/api/v1`
  const job = await (await page.request.get(`${api}/jobs/${id}`)).json()
  // Behind this screen's back, and it does not hear of it.
  const blind = await another(browser, 'about:blank')
  await withoutNews(blind)
  await blind.goto(`${app.address}/jobs/${id}/intake`)
  await expect(blind.getByLabel('What it is used for')).toBeVisible()
  const { version } = job
  await page.request.patch(`${api}/jobs/${id}`, { data: { version, uses: 'Till only' } })
  const { id: who, version: then } = job.customer
  await page.request.patch(`${api}/customers/${who}`, { data: { version: then, phone: '111' } })

  await blind.getByLabel('What it is used for').fill('Till and music')
  await blind.getByLabel('Phone').fill('222')
  await blind.getByLabel('E-mail').fill('ashby@bakery.example')
  await expect(state(blind)).toHaveText('Changed elsewhere: choose')
  await state(blind).click()
  const dialog = blind.getByRole('dialog')
  const conflicts = dialog.getByRole('region')
  await expect(conflicts).toHaveCount(2)
  await expect(conflicts.first().getByRole('row', { name: /^uses/ })).toContainText(
    'Till and musicTill only',
  )
  await expect(conflicts.last().getByRole('row', { name: /^phone/ })).toContainText('222111')
  await conflicts.first().getByRole('button', { name: 'Keep what I entered' }).click()
  await dialog.getByRole('button', { name: 'Take what is stored' }).click()
  await saved(blind)
  const after = await (await page.request.get(`${api}/jobs/${id}`)).json()
  expect(after.uses).toBe('Till and music')
  // Only the phone clashed: the e-mail typed beside it was nobody else's.
  expect(after.customer).toMatchObject({ phone: '111', email: 'ashby@bakery.example' })
  await expect(blind.getByLabel('Phone')).toHaveValue('111')
  await blind.context().close()
})

test('a write that the server fails on is set aside with ways out, and blocks nothing else', async ({
  page,
  app,
}) => {
  const id = await openJob(page, app, 'Farrow', 'intake')
  let broken = true
  await page.route('**/api/v1/customers/*', (route) =>
    broken && route.request().method() === 'PATCH'
      ? route.fulfill({
          status: 500,
          json: { error: { code: 'internal', message: 'It broke.' } },
        })
      : route.continue(),
  )
  await page.getByLabel('Phone').fill('0555 777')
  await page.getByLabel('What it is used for').fill('Wide photographs')
  await expect(state(page)).toHaveText('1 not accepted', { timeout: 20_000 })
  const stored = async () => (await page.request.get(`${app.address}/api/v1/jobs/${id}`)).json()
  await expect.poll(async () => (await stored()).uses).toBe('Wide photographs')
  // Over a reload too, with what was typed.
  await page.reload()
  await expect(page.getByLabel('Phone')).toHaveValue('0555 777')
  await expect(state(page)).toHaveText('1 not accepted', { timeout: 20_000 })
  await state(page).click()
  const dialog = page.getByRole('dialog')
  await expect(dialog).toContainText('It broke.')
  await expect(dialog).toContainText('0555 777')
  broken = false
  await dialog.getByRole('button', { name: 'Try again' }).click()
  await saved(page)
  expect((await stored()).customer.phone).toBe('0555 777')
})
