import { startApplication } from './application'
import { expect, openJob, saved, slotButton, test, withoutNews } from './fixtures'

test('what is typed while the server is away is kept, also over a reload, and sent later', async ({
  page,
}) => {
  const own = await startApplication()
  try {
    await openJob(page, own, 'Varga', 'intake')
    await own.stop('SIGKILL')
    await page.getByLabel('What it is used for').fill('Orchard maps, and now bees as well')
    await page.getByLabel('Name').fill('Ottoline Varga-Nagy')
    await expect(page.getByTestId('save-state')).toHaveText(/Server away: kept here/)
    await page.getByRole('link', { name: 'Plan' }).click()
    await expect(page.getByRole('heading', { name: 'Plan', exact: true })).toBeVisible()
    await slotButton(page, 'B').focus()
    await page.keyboard.press('Delete')
    await expect(slotButton(page, 'B')).toContainText('empty')

    await own.start()
    await page.reload()
    await saved(page)
    await expect(page.getByText('Ottoline Varga-Nagy')).toBeVisible()

    const jobs = await page.request.get(`${own.address}/api/v1/jobs?search=Varga-Nagy`)
    const [{ id }] = await jobs.json()
    const job = await (await page.request.get(`${own.address}/api/v1/jobs/${id}`)).json()
    expect(job.uses).toBe('Orchard maps, and now bees as well')
    expect(Object.keys(job.plans[0].placement)).toEqual(['A'])
  } finally {
    await own.end()
  }
})

test('without a reload it is sent as soon as the server is back', async ({ page }) => {
  const own = await startApplication()
  try {
    await openJob(page, own, 'Varga', 'intake')
    await own.stop()
    await page.getByLabel('Phone').fill('0555 999')
    await expect(page.getByTestId('save-state')).toHaveText(/Server away/)
    await own.start()
    await saved(page)
    const customers = await (await page.request.get(`${own.address}/api/v1/customers`)).json()
    expect(customers.map(({ phone }: { phone: string }) => phone)).toContain('0555 999')
  } finally {
    await own.end()
  }
})

test('a browser that keeps nothing says so at once; what was typed goes out while the tab is open', async ({
  page,
}) => {
  const own = await startApplication()
  try {
    await page.addInitScript(() => {
      const keep = Storage.prototype.setItem
      Storage.prototype.setItem = function (key, value) {
        if (key.startsWith('tembrix.outbox')) throw new DOMException('full', 'QuotaExceededError')
        keep.call(this, key, value)
      }
    })
    await openJob(page, own, 'Varga', 'intake')
    await own.stop()
    await page.getByLabel('Phone').fill('0555 888')
    await expect(page.getByTestId('save-state')).toHaveText(
      'Not kept by this browser: leave the tab open',
    )
    await own.start()
    await saved(page)
    const customers = await (await page.request.get(`${own.address}/api/v1/customers`)).json()
    expect(customers.map(({ phone }: { phone: string }) => phone)).toContain('0555 888')
  } finally {
    await own.end()
  }
})

test('a value that cannot be is marked at its field and kept as typed, over a reload too', async ({
  page,
  app,
}) => {
  await openJob(page, app, 'Farrow', 'intake')
  await page.getByLabel('E-mail').fill('emil at farrow')
  await expect(page.getByText('This is no e-mail address.')).toBeVisible()
  await page.getByLabel('What it is used for').fill('Photos')
  await expect(page.getByTestId('save-state')).toHaveText('Saved but for marked fields')
  await page.reload()
  await expect(page.getByLabel('E-mail')).toHaveValue('emil at farrow')
  await expect(page.getByText('This is no e-mail address.')).toBeVisible()
  await page.getByLabel('E-mail').fill('emil@farrow.example')
  await saved(page)
})

test('a change made elsewhere meanwhile is put to the user', async ({ page, app }) => {
  // Heard of in time it would be seen before anything is typed.
  await withoutNews(page)
  const id = await openJob(page, app, 'Ashby', 'intake')
  const api = `${app.address}/api/v1/jobs/${id}`
  const { version } = await (await page.request.get(api)).json()
  await page.request.patch(api, { data: { version, uses: 'Till only' } })
  await page.getByLabel('What it is used for').fill('Till, music and the door bell')
  await expect(page.getByTestId('save-state')).toHaveText('Changed elsewhere: choose')
  await page.getByTestId('save-state').click()
  await page.getByRole('button', { name: 'Keep what I entered' }).click()
  await saved(page)
  expect((await (await page.request.get(api)).json()).uses).toBe('Till, music and the door bell')
})

test('a record is corrected: a slot added, a limit set, the board follows', async ({
  page,
  app,
}) => {
  await openJob(page, app, 'Thornbury', 'identify')
  await page.getByText('Slots and soldered memory').click()
  await page.getByRole('button', { name: 'Slot', exact: true }).click()
  await expect(slotButton(page, 'A2')).toBeVisible()
  await page.getByLabel('Lettering of slot 3').fill('B')
  await expect(page.getByText('Slot B is listed twice.')).toBeVisible()
  await page.getByLabel('Lettering of slot 3').fill('C')
  await expect(slotButton(page, 'C')).toBeVisible()
  await saved(page)
})

test('a slot taken from the record leaves the plan, which is saved without it', async ({
  page,
  app,
}) => {
  const id = await openJob(page, app, 'Farrow', 'identify')
  await page.getByText('Slots and soldered memory').click()
  await page.getByRole('button', { name: 'Remove slot B' }).click()
  await expect(slotButton(page, 'B')).toHaveCount(0)
  await page.getByRole('link', { name: 'Plan' }).click()
  await expect(page.getByRole('heading', { name: 'Plan', exact: true })).toBeVisible()
  await slotButton(page, 'A').focus()
  await page.keyboard.press('Delete')
  await saved(page)
  const job = await (await page.request.get(`${app.address}/api/v1/jobs/${id}`)).json()
  expect(job.plans[0].placement).toEqual({})

  await page.getByRole('link', { name: 'Intake' }).click()
  await page.getByText('History', { exact: true }).click()
  await expect(page.getByRole('list', { name: 'History' })).toContainText('The plan changed: slots')
})
