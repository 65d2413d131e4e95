import { drag, expect, figure, holdRequests, saved, slotButton, test } from './fixtures'

test('from a new customer to a printed plan', async ({ page, app }) => {
  await page.goto(app.address)
  await page.getByRole('button', { name: 'New job' }).click()

  await page.getByRole('button', { name: 'Start the job' }).click()
  await expect(page.getByText('A customer needs a name.')).toBeVisible()
  await expect(page.getByText('Choose the kind of machine.')).toBeVisible()

  await page.getByLabel('Name').fill('Leonie Grabher')
  await page.getByLabel('Phone').fill('0555 0200')
  await page.getByLabel(/What is wrong/).fill('Sorting the seed catalogue takes for ever')
  await page.getByRole('radio', { name: /Laptop, 2 slots/ }).check()
  await page.reload()
  await expect(page.getByLabel('Name')).toHaveValue('Leonie Grabher')
  await page.getByRole('button', { name: 'Start the job' }).click()

  await expect(page.getByRole('heading', { name: 'Identify' })).toBeVisible()
  await page.getByRole('button', { name: 'Add a module' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('Capacity in GB').fill('3')
  await dialog.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(dialog.getByText('No memory of this capacity is made')).toBeVisible()
  await expect(dialog.getByLabel('Capacity in GB')).toHaveValue('3')
  await dialog.getByRole('button', { name: '8', exact: true }).click()
  await dialog.getByRole('button', { name: 'Add', exact: true }).click()

  await expect(slotButton(page, 'A')).toContainText('8 GB')
  await expect(page.getByText('Runs on a single channel')).toBeVisible()
  await expect(page.getByText(/25\.6 GB\/s at most, where two would give 51\.2/)).toBeVisible()
  await expect(page.getByText(/Put an equal amount on a second channel/)).toBeVisible()

  await page.getByRole('link', { name: 'Plan' }).click()
  await expect(page.getByText('The board shows what was found')).toBeVisible()
  const shelf = page
    .getByRole('region', { name: 'Tray' })
    .getByRole('button', { name: /^8 GB DDR4-3200 SO-DIMM.*€14/ })
    .first()
  await drag(page, shelf, slotButton(page, 'B'))

  await expect(slotButton(page, 'B')).toContainText('new')
  await expect(figure(page, 'Channels')).toContainText('dual channel')
  await expect(figure(page, 'Channels')).toContainText('now single channel')
  await expect(figure(page, 'Speed')).toContainText('3200 MT/s')
  await expect(figure(page, 'To buy')).toContainText('€14.00')
  const held = page
    .getByRole('list', { name: 'Speed limits' })
    .getByRole('listitem')
    .filter({ hasText: 'limiting' })
  await expect(held).toContainText('Modules')
  await expect(page.getByRole('figure', { name: 'Memory across channels' })).toContainText(
    '16 GB over A and B · 51.2 GB/s',
  )
  await figure(page, 'Speed').click()
  await expect(page.getByText(/Limited by the slowest module/)).toBeVisible()
  await page.keyboard.press('Escape')
  await saved(page)

  await page.reload()
  await expect(slotButton(page, 'B')).toContainText('new')
  await expect(figure(page, 'Channels')).toContainText('dual channel')

  await page.getByRole('link', { name: 'Plan sheet' }).click()
  await expect(page.getByRole('heading', { name: 'Memory plan' })).toBeVisible()
  await page.emulateMedia({ media: 'print' })
  // Paper is light, also from the dark bench.
  const finding = () =>
    page.evaluate(() => getComputedStyle(document.documentElement).getPropertyValue('--risk-soft'))
  const light = await finding()
  await page.evaluate(() => {
    document.documentElement.dataset.theme = 'dark'
  })
  expect(await finding()).toBe(light)
  await expect(page.getByRole('button', { name: 'Print' })).toBeHidden()
  await expect(page.getByRole('banner')).toBeHidden()
  const row = page.getByRole('row', { name: /^B / })
  await expect(row).toContainText('put in')
  await expect(page.getByText('3200 MT/s, limited by the modules').first()).toBeVisible()
  await expect(page.getByText(/service instructions and local rules/)).toBeVisible()

  // On the shop's paper, every sheet with the job it is of.
  const size = async () => {
    const file = (await page.pdf({ preferCSSPageSize: true })).toString('latin1')
    return /\/MediaBox \[0 0 ([\d.]+) ([\d.]+)\]/.exec(file)?.slice(1, 3).map(Number)
  }
  expect((await size())?.map(Math.round)).toEqual([595, 842])
  const shop = await (await page.request.get(`${app.address}/api/v1/shop`)).json()
  const setPaper = async (paper: string, version: number) => {
    const data = { version, terms: { ...shop.terms, paper } }
    return (await page.request.patch(`${app.address}/api/v1/shop`, { data })).json()
  }
  const changed = await setPaper('Letter', shop.version)
  await page.reload()
  await expect(page.getByRole('heading', { name: 'Memory plan' })).toBeVisible()
  await expect.poll(size).toEqual([612, 792])
  await setPaper('A4', changed.version)

  await page.emulateMedia({ media: 'screen' })
  await page.goto(`${app.address}/?search=seed+catalogue`)
  await expect(page.getByRole('row', { name: /Leonie Grabher/ })).toContainText('Laptop, 2 slots')
})

test('machines are chosen from once all are there, so that none slips away beneath the pointer', async ({
  page,
  app,
}) => {
  const answer = await holdRequests(page, '**/api/v1/models*')
  await page.goto(`${app.address}/jobs/new`)
  await page.getByLabel('Name').fill('Leonie Late')
  await expect(page.getByText('Reading the machines…')).toBeVisible()
  await expect(page.getByRole('radio')).toHaveCount(0)
  answer()
  await page.getByRole('radio', { name: /^Laptop, 2 slots/ }).check()
  await expect(page.getByText('Known to the shop')).toBeVisible()
})
