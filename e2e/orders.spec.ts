import { readFile } from 'node:fs/promises'
import { approvedJob } from './approvedJob'
import { apiOf } from './badPart'
import { drawn, expect, holdRequests, openDay, saved, test } from './fixtures'

test('what an approved job needs is ordered, confirmed, unpacked by serial number, and the counter knows', async ({
  page,
  app,
  context,
}) => {
  const job = await approvedJob(page, app, 'Otto Ordered', 'Marrowby Parts')
  const counter = await context.newPage()
  await openDay(counter, app)
  const line = counter.getByRole('row', { name: /Otto Ordered/ })
  await expect(line).toContainText('Order the parts')
  await line.getByRole('link', { name: 'Order the parts' }).click()
  await expect(counter).toHaveURL(/\/orders$/)
  await counter.goto(app.address)

  await page.goto(`${app.address}/orders`)
  const needed = page.getByRole('region', { name: 'To order' })
  await expect(needed).toContainText(`Job ${job.number}, Otto Ordered`)
  for (const box of await needed.getByRole('checkbox').all()) await box.uncheck()
  await needed
    .getByRole('listitem')
    .filter({ hasText: 'Otto Ordered' })
    .getByRole('checkbox')
    .check()
  await needed.getByRole('button', { name: 'Make an order of 1 line' }).click()
  await expect(page).toHaveURL(/\/orders\/.+/)

  await page.getByLabel('Note for the supplier').fill('Both at once, please')
  await page.getByRole('button', { name: 'Send to Marrowby Parts' }).click()
  await expect(page.getByText(/^Sent .* Confirmed /)).toBeVisible()
  await expect(line).toContainText('Parts are ordered, due')
  await page.getByRole('button', { name: 'Ask what is on its way' }).click()
  await expect(page.getByText(/1 × Larkfield L4-8-2666/)).toBeVisible()

  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'As CSV' }).click(),
  ])
  expect(download.suggestedFilename()).toMatch(/^order-\d+\.csv$/)

  // A scanner types a serial number and Enter; one that is on the shelf already is refused, and stays.
  const serial = page.getByLabel('Serial number, scanned or typed')
  await serial.fill('WD-7713-A')
  await serial.press('Enter')
  await expect(page.getByText('WD-7713-A is on the shelf already')).toBeVisible()
  await expect(serial).toHaveValue('WD-7713-A')
  await page.getByLabel('Delivery note or invoice').fill('D-501')
  await serial.fill('LF-OTTO-1')
  await serial.press('Enter')
  const here = page.getByRole('region', { name: 'Here' })
  await expect(here).toContainText('LF-OTTO-1')
  await expect(page.getByText('delivered', { exact: true })).toBeVisible()
  await expect(line.getByRole('link', { name: 'Fit' })).toBeVisible()

  // The serial number it came with is there at the bench, and the piece is kept for the job.
  await page.goto(`${app.address}/shelf`)
  await page.getByRole('searchbox').fill('LF-OTTO-1')
  await expect(page.getByRole('row').nth(1)).toContainText(`job ${job.number}`)
  await page.goto(`${job.address}/fit?tab=tray`)
  await page.getByRole('tab', { name: 'Tray' }).click()
  await expect(page.getByLabel(/Serial number of B/)).toHaveValue('LF-OTTO-1')
})

test('a supplier whom nobody here can ask: a file, what they confirm by hand, a wrong part, the rest cancelled', async ({
  page,
  app,
}) => {
  await page.addInitScript(() => localStorage.setItem('tembrix.technician', 'Mika'))
  await approvedJob(page, app, 'Hanna Byhand', 'Ferrel & Sons')
  await page.goto(`${app.address}/orders`)
  await page
    .getByRole('region', { name: 'To order' })
    .getByRole('heading', { name: 'Ferrel & Sons' })
    .locator('..')
    .getByRole('button', { name: /Make an order/ })
    .click()
  await page.getByLabel('Note for the supplier').fill('By the back door, please')
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'As JSON' }).click(),
  ])
  const file = JSON.parse(await readFile(await download.path(), 'utf8'))
  expect(file).toMatchObject({ format: 'tembrix-order', note: 'By the back door, please' })
  expect(file.lines).toMatchObject([{ partNumber: 'Larkfield L4-8-2666', quantity: 1 }])
  await page.getByRole('button', { name: 'I have sent it' }).click()
  await page.getByText('Enter what the supplier confirmed').click()
  await page.getByLabel('They send').fill('2')
  await page.getByLabel('Cost each').fill('17.50')
  await page.getByLabel('Comes on').fill('12 Feb 2030')
  await page.getByRole('button', { name: 'Save the confirmation' }).click()
  await expect(page.getByText('Ordered are 1, not 2.')).toBeVisible()
  await page.getByLabel('They send').fill('1')
  await page.getByRole('button', { name: 'Save the confirmation' }).click()
  await expect(page.getByText(/^Sent .* Confirmed /)).toBeVisible()
  await expect(page.getByRole('region', { name: 'Lines' })).toContainText('€17.50')

  await page.getByLabel('If it is another part').fill('Larkfield L4-4-2400')
  await page.getByLabel('Serial number, scanned or typed').fill('WRONG-1')
  await page.keyboard.press('Enter')
  await expect(page.getByText('A wrong part came')).toBeVisible()
  await page.getByText('Cancel what has not come').click()
  await page.getByRole('button', { name: 'Cancel the order' }).click()
  await expect(page.getByText('Say why it is cancelled.')).toBeVisible()
  await page.getByLabel('Why', { exact: true }).fill('They have none')
  await page.getByRole('button', { name: 'Cancel the order' }).click()
  await expect(page.getByText('They have none')).toBeVisible()
  await page.goto(`${app.address}/orders`)
  await expect(page.getByRole('region', { name: 'To order' })).toContainText('Hanna Byhand')
})

test('what parts cost is for owners to see', async ({ page, app }) => {
  await page.addInitScript(() => localStorage.setItem('tembrix.technician', 'Rowan'))
  await page.goto(`${app.address}/orders`)
  await page.getByRole('checkbox', { name: /^Delivered/ }).check()
  await page.getByRole('link', { name: '1', exact: true }).click()
  const lines = page.getByRole('region', { name: 'Lines' })
  await expect(lines).toContainText('Price each')
  await expect(lines).not.toContainText('Cost each')
  await page.evaluate(() => localStorage.setItem('tembrix.technician', 'Mika'))
  await page.addInitScript(() => localStorage.setItem('tembrix.technician', 'Mika'))
  await page.reload()
  await expect(lines).toContainText('Cost each')
  await expect(lines).toContainText(/Cost €[\d.]+, customers pay €[\d.]+: €[\d.]+ left/)
})

test('orders are listed once what stands above them is there, so that none slips away beneath the pointer', async ({
  page,
  app,
}) => {
  const answer = await holdRequests(page, '**/api/v1/orders/needed*')
  await page.goto(`${app.address}/orders`)
  await expect(page.getByText('Reading what jobs need…')).toBeVisible()
  await drawn(page)
  const delivered = page.getByRole('checkbox', { name: /^Delivered/ })
  await expect(delivered).toHaveCount(0)
  answer()
  await delivered.check()
})

test('a cancelled job says which orders stand for it; what comes all the same can go back', async ({
  page,
  app,
}) => {
  const job = await approvedJob(page, app, 'Cora Cancels', 'Fen Memory')
  const api = apiOf(page.request, app)
  const { plans } = await api.read(`jobs/${job.id}`)
  const { moduleId } = plans[0].placement.B
  const { module } = await api.read(`modules/${moduleId}`)
  const line = { id: crypto.randomUUID(), jobId: job.id, moduleId, module }
  const lines = [{ ...line, purchases: [0], price: 2300 }]
  const order = await api.post('orders', { supplier: 'Fen Memory', lines })
  await api.patch(`orders/${order.id}`, {
    version: 1,
    sent: { at: '2030-02-10T09:00:00.000Z', by: 'Mika' },
  })
  await page.goto(`${job.address}/handover`)
  await page.getByRole('button', { name: 'It ends without work' }).click()
  const dialog = page.getByRole('dialog')
  await expect(dialog).toContainText(`Ordered for it: order ${order.number} of Fen Memory`)
  await dialog.getByRole('radio', { name: /cancel/ }).check()
  await dialog.getByRole('button', { name: 'End the job' }).click()
  await saved(page)
  const arriving = {
    id: crypto.randomUUID(),
    lineId: line.id,
    serial: 'CORA-1',
    invoice: '',
    warrantyUntil: null,
    wrong: '',
  }
  await api.patch(`orders/${order.id}`, { version: 2, arriving: [arriving] })
  await page.goto(`${app.address}/orders`)
  const returns = page.getByRole('region', { name: 'Returns' })
  await expect(returns.getByRole('listitem').filter({ hasText: 'CORA-1' })).toContainText(
    'not needed',
  )
})
