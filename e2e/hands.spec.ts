import type { Browser, Page } from '@playwright/test'
import { expect, newJob, openDay, openJob, saved, test, withoutNews } from './fixtures'

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

test('a machine renamed at another screen is called so in the counter’s list', async ({
  page,
  app,
}) => {
  const job = await newJob(page, app, 'Isolde Fenn', 'Heron 15', { A: '8GB 1Rx8' })
  await openDay(page, app)
  const line = page.getByRole('row', { name: /Isolde Fenn/ })
  await expect(line).toContainText('Heron 15')
  const api = `${app.address}/api/v1`
  const { machine: record } = await (await page.request.get(`${api}/jobs/${job.id}`)).json()
  await page.request.patch(`${api}/machines/${record.id}`, {
    data: { version: record.version, machine: { ...record.machine, name: 'Heron 15, second' } },
  })
  await expect(line).toContainText('Heron 15, second')
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
    await one.waitForLoadState('networkidle')
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
  await expect(conflicts.first().getByRole('row', { name: /^what it is used for/ })).toContainText(
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

test('what was changed or removed elsewhere is asked about before it is removed or changed here', async ({
  page,
  app,
}) => {
  await withoutNews(page)
  const { id, address } = await newJob(page, app, 'Signe Holm', 'Heron 15', { A: '8GB 1Rx8' })
  const api = `${app.address}/api/v1`
  const made = async (name: string) =>
    (await page.request.post(`${api}/plans`, { data: { jobId: id, name, placement: {} } })).json()
  const [renamed, dropped] = [await made('Alder'), await made('Birch')]
  await page.goto(`${address}/plan`)
  await page.getByRole('button', { name: 'Compare 2' }).click()
  await page.request.patch(`${api}/plans/${renamed.id}`, { data: { version: 1, name: 'Ash' } })
  await page.request.delete(`${api}/plans/${dropped.id}?version=1`)

  await page.getByRole('button', { name: 'Remove Alder' }).click()
  await page.getByLabel('Name of Birch').fill('Beech')
  await page.keyboard.press('Escape')
  await expect(state(page)).toHaveText('Changed elsewhere: choose')
  await state(page).click()
  const removal = page.getByRole('region', { name: 'Changed elsewhere: the plan' })
  await expect(removal).toContainText('Somebody changed the plan before you removed it.')
  await removal.getByRole('button', { name: 'Do not remove it' }).click()
  const gone = page.getByRole('region', { name: 'Not saved: the plan' })
  await expect(gone).toContainText('Somebody removed the plan while you changed it.')
  await expect(gone).toContainText('Beech')
  await gone.getByRole('button', { name: 'Give this change up' }).click()
  await saved(page)
  await page.getByRole('button', { name: 'Compare 1' }).click()
  await expect(page.getByLabel('Name of Ash')).toBeVisible()
  const { plans } = await (await page.request.get(`${api}/jobs/${id}`)).json()
  expect(plans.map(({ name }: { name: string }) => name)).toEqual(['Plan 1', 'Ash'])
})

test('when the tab that hears news is closed, another of the browser takes it over', async ({
  page,
  app,
}) => {
  const { id, address } = await newJob(page, app, 'Tove Brand', 'Heron 15', { A: '8GB 1Rx8' })
  await page.goto(`${address}/intake`)
  await expect(page.getByLabel('Phone')).toBeVisible()
  const second = await page.context().newPage()
  await second.goto(`${address}/intake`)
  await expect(second.getByLabel('Phone')).toBeVisible()
  const api = `${app.address}/api/v1`
  const change = async (phone: string) => {
    const { customer } = await (await second.request.get(`${api}/jobs/${id}`)).json()
    const data = { version: customer.version, phone }
    await second.request.patch(`${api}/customers/${customer.id}`, { data })
  }
  await change('0555 10')
  await expect(second.getByLabel('Phone')).toHaveValue('0555 10')
  const listening = second.waitForRequest('**/api/v1/changes')
  await page.close()
  await listening
  await change('0555 20')
  await expect(second.getByLabel('Phone')).toHaveValue('0555 20')
})

test('a reading that began before a write does not take from the screen what was written', async ({
  page,
  app,
}) => {
  const id = await openJob(page, app, 'Quince', 'verify')
  await page.getByRole('tab', { name: 'Measured' }).click()
  await page.getByLabel('A further test').fill('Scan')
  await page.getByRole('button', { name: 'Add', exact: true }).click()

  let release = () => {}
  const late = new Promise<void>((resolve) => {
    release = resolve
  })
  let held = 0
  await page.route(`**/api/v1/jobs/${id}`, async (route) => {
    if (route.request().method() !== 'GET') return route.continue()
    const response = await route.fetch()
    held += 1
    if (held === 1) await late
    await route.fulfill({ response })
  })
  const { version } = await (await page.request.get(`${app.address}/api/v1/jobs/${id}`)).json()
  await page.request.patch(`${app.address}/api/v1/jobs/${id}`, {
    data: { version, uses: 'Asked elsewhere' },
  })
  await expect.poll(() => held).toBe(1)

  const scan = page.getByRole('region', { name: 'Scan' })
  await scan.getByLabel('Before', { exact: true }).fill('31.5')
  await saved(page)
  const about = await scan.getByText('Conditions not noted').first().elementHandle()
  const next = page.waitForResponse(`**/api/v1/jobs/${id}`)
  release()
  await next
  await expect.poll(() => held).toBe(2)
  await page.getByRole('link', { name: 'Intake' }).hover()
  expect(await about?.evaluate((one) => one.isConnected)).toBe(true)
  await expect(scan.getByText('1 run')).toBeVisible()
})
