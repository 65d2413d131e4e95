import { approvedJob } from './approvedJob'
import { apiOf, noteBad } from './badPart'
import { expect, newJob, saved, test } from './fixtures'
import { signedReport } from './signedReport'

test('a part found bad before the hand over: put aside, claimed, another in its place, and the report says so', async ({
  page,
  app,
}) => {
  const job = await approvedJob(page, app, 'Bertil Unlucky', 'Sedge Parts')
  const calls = apiOf(page.request, app)
  const file = await calls.read(`jobs/${job.id}`)
  const [own, article] = [file.found.A.moduleId, file.plans[0].placement.B.moduleId]
  const { module } = await calls.read(`modules/${article}`)
  const lineId = crypto.randomUUID()
  const line = { id: lineId, jobId: job.id, moduleId: article, module, purchases: [0], price: 2300 }
  const order = await calls.post('orders', { supplier: 'Sedge Parts', lines: [line] })
  const sent = { at: '2030-02-10T09:00:00.000Z', by: 'Mika' }
  await calls.patch(`orders/${order.id}`, { version: 1, sent })
  const arriving = {
    id: crypto.randomUUID(),
    lineId,
    serial: 'FS-BAD-1',
    invoice: 'D-77',
    warrantyUntil: '2032-02-10',
    wrong: '',
  }
  await calls.patch(`orders/${order.id}`, { version: 2, arriving: [arriving] })
  await calls.post('fits', { id: job.id, jobId: job.id, seconds: 600 })
  await calls.patch(`fits/${job.id}`, { version: 1, finished: true })
  await noteBad(calls, job.id, { good: `${own} 0`, bad: `${article} 0` })

  await page.goto(`${job.address}/verify?tab=fault`)
  const verdict = page.getByRole('region', { name: 'Verdict' })
  await expect(verdict).toContainText('The new 8 GB is bad')
  const ways = verdict.getByRole('region', { name: 'Another in its place' })
  await expect(ways.getByRole('combobox')).toContainText('to order of Sedge Parts')
  const offered = await ways.getByRole('option').allTextContents()
  const again = offered.find((one) => one.includes('to order of Sedge Parts')) ?? ''
  expect(again).toContain('Larkfield L4-8-2666')
  await ways.getByRole('combobox').selectOption({ label: again })
  await expect(ways.getByText('Claim it at Sedge Parts')).toBeVisible()
  await ways.getByRole('button', { name: 'Put the bad one aside, take this' }).click()
  await expect(page).toHaveURL(/\/fit$/)

  // The job waits for the other one; the bench begins again where the bad one is in.
  const absent = page.getByRole('region', { name: 'Parts not here' })
  await expect(absent).toContainText('nobody has ordered it')
  await expect(page.getByText('Fitted.', { exact: true })).toHaveCount(0)
  await saved(page)
  await page.goto(`${app.address}/orders`)
  await expect(page.getByRole('region', { name: 'To order' })).toContainText('Bertil Unlucky')
  await page.goto(`${app.address}/shelf`)
  await page.getByRole('searchbox').fill('FS-BAD-1')
  await expect(page.getByRole('row').nth(1)).toContainText('bad: put aside')

  await page.goto(`${job.address}/fit`)
  await page.getByRole('button', { name: 'It is here' }).click()
  await page.getByRole('button', { name: 'All steps as a list' }).click()
  await expect(page.getByRole('button', { name: 'Out of slot B' })).toBeVisible()
  await expect(page.getByRole('button', { name: 'Out of slot A' })).toHaveCount(0)
  await saved(page)
  const { version } = await calls.read(`fits/${job.id}`)
  await calls.patch(`fits/${job.id}`, {
    version,
    serials: { [`${article} 1`]: 'FS-GOOD-2' },
    finished: true,
  })

  await page.goto(`${job.address}/handover`)
  const main = page.getByRole('main')
  await expect(main).toContainText(
    'The first module of 8 GB for B (serial number FS-BAD-1) was faulty; we replaced it.',
  )
  const claims = page.getByRole('region', { name: 'Warranty claims' })
  await expect(claims).toContainText('serial FS-BAD-1')
  await expect(claims.getByLabel('Claimed at')).toHaveValue('Sedge Parts')
  await expect(claims.getByLabel('Invoice')).toHaveValue('D-77')
  await expect(claims.getByLabel('Fault, and how it was found')).toHaveValue(/Returned as faulty/)
  await claims.getByLabel('State').selectOption({ label: 'sent' })
  await claims.getByLabel('Serial number of the replacement').fill('FS-NEW-3')
  await claims.getByRole('button', { name: 'It is here: to the shelf' }).click()
  await expect(claims).toContainText('Replacement on the shelf: FS-NEW-3')
  await page.goto(`${job.address}/report`)
  await expect(page.getByRole('row', { name: /B .* FS-GOOD-2/ })).toBeVisible()
})

test('a return under our warranty: found bad, claimed, replaced, collected, and nothing is charged', async ({
  page,
  app,
}) => {
  const calls = apiOf(page.request, app)
  const first = await newJob(page, app, 'Wanda Returns', 'Heron 15', {
    A: '8GB 1Rx8',
    B: '8GB 1Rx8',
  })
  const file = await calls.read(`jobs/${first.id}`)
  const { version, moduleId } = {
    ...(await calls.read(`modules/${file.found.B.moduleId}`)),
    moduleId: file.found.B.moduleId,
  }
  await calls.patch(`modules/${moduleId}`, {
    version,
    serialNumber: 'OURS-1',
    supplier: 'Marrowby Parts',
    invoice: 'D-12',
  })
  const until = `${new Date().getFullYear() + 1}-01-20`
  const document = signedReport(
    'Wanda Returns',
    { serial: 'OURS-1', shop: { months: 24, from: '2026-01-20', until } },
    { on: '2026-01-20' },
  )
  const by = { name: 'Wanda Returns', at: '2026-01-20T09:00:00.000Z', by: 'Mika' }
  const { id: handover } = await calls.post('handovers', { id: first.id, jobId: first.id })
  await calls.patch(`handovers/${handover}`, {
    version: 1,
    signed: { ...by, drawn: null },
    document,
  })
  await calls.patch(`handovers/${handover}`, { version: 2, collected: by })

  await page.goto(`${first.address}/handover`)
  await page.getByRole('button', { name: /begin a new visit/ }).click()
  await expect(page.getByRole('region', { name: 'Fitted before' })).toContainText('OURS-1')
  const id = page.url().split('/').at(-2) as string
  const address = `${app.address}/jobs/${id}`
  const visit = await calls.read(`jobs/${id}`)
  const [good, bad] = [visit.found.A.moduleId, visit.found.B.moduleId]
  await noteBad(calls, id, { good: `${good} 0`, bad: `${bad} 0` })

  await page.goto(`${address}/verify?tab=fault`)
  const verdict = page.getByRole('region', { name: 'Verdict' })
  await expect(verdict).toContainText('charge nothing for it')
  await expect(verdict.getByText('Claim it at Marrowby Parts')).toBeVisible()
  await verdict.getByRole('button', { name: 'Put the bad one aside, take this' }).click()

  // A quote of nothing to pay, to be agreed to as any other.
  await expect(page).toHaveURL(/\/quote$/)
  await expect(page.getByRole('main')).toContainText(
    `Under our warranty (job ${first.number}): parts and work are free`,
  )
  const approval = page.getByRole('region', { name: 'Approval' })
  await approval.getByRole('button', { name: 'Approved' }).click()
  await expect(approval).toContainText('Approved by')
  await saved(page)
  const agreed = await calls.read(`jobs/${id}`)
  expect(agreed.quotes[0].document.options[0]).toMatchObject({ total: 0, toPay: 0 })
  expect(agreed.claims).toMatchObject([{ serial: 'OURS-1', invoice: 'D-12', state: 'noted' }])

  await page.goto(`${address}/fit?tab=tray`)
  await expect(page.getByLabel('Where it goes')).toHaveValue('shelf')
  const here = Object.values(agreed.plans[0].placement as Record<string, Held>)
  const shelfId = crypto.randomUUID()
  await calls.post('fits', {
    id,
    jobId: id,
    hereWithoutOrder: here.map(({ moduleId, unit }) => `${moduleId} ${unit}`),
    removed: { [bad]: { to: 'shelf', shelfId, price: null } },
  })
  await calls.patch(`fits/${id}`, { version: 1, finished: true })
  expect(await calls.read(`modules/${shelfId}`)).toMatchObject({
    serialNumber: 'OURS-1',
    supplier: 'Marrowby Parts',
    bad: { by: expect.any(String) },
  })

  await page.goto(`${address}/handover`)
  await expect(page.getByRole('region', { name: 'Payment' })).toContainText('€0.00')
  const open = page.getByRole('region', { name: 'Open points' })
  for (const reason of await open.getByRole('textbox').all()) await reason.fill('Known to them')
  const sign = page.getByRole('region', { name: 'Sign-off' })
  await sign.getByLabel('Name').fill('Wanda Returns')
  await sign.getByRole('button').last().click()
  const collect = page.getByRole('region', { name: 'Collection' })
  await collect.getByLabel('By whom').fill('Wanda Returns')
  await collect.getByRole('button').last().click()
  await expect(page.getByText(/^Collected on/)).toBeVisible()
  await saved(page)
})

interface Held {
  moduleId: string
  unit: number
}

test('a wrong part is returned to its supplier, and its credit comes', async ({ page, app }) => {
  const api = apiOf(page.request, app)
  const job = await approvedJob(page, app, 'Rosa Wrongly', 'Marsh Components')
  const file = await api.read(`jobs/${job.id}`)
  const moduleId = file.plans[0].placement.B.moduleId
  const { module } = await api.read(`modules/${moduleId}`)
  const line = { id: crypto.randomUUID(), jobId: job.id, moduleId, module }
  const lines = [{ ...line, purchases: [0], price: 2300 }]
  const order = await api.post('orders', { supplier: 'Marsh Components', lines })
  const sent = { at: '2030-02-10T09:00:00.000Z', by: 'Mika' }
  await api.patch(`orders/${order.id}`, { version: 1, sent })
  const wrong = {
    id: crypto.randomUUID(),
    lineId: line.id,
    serial: 'WRONG-9',
    invoice: 'D-90',
    warrantyUntil: null,
    wrong: 'Larkfield L4-4-2400',
  }
  await api.patch(`orders/${order.id}`, { version: 2, arriving: [wrong] })

  await page.goto(`${app.address}/orders`)
  const returns = page.getByRole('region', { name: 'Returns' })
  await expect(returns.getByText('WRONG-9')).toBeVisible()
  await expect(returns).toContainText('not what was ordered · with D-90')
  for (const box of await returns.getByRole('checkbox').all()) {
    await box.setChecked(
      (await box.evaluate((one) => one.closest('li')?.textContent))?.includes('WRONG-9') ?? false,
    )
  }
  await returns
    .getByRole('heading', { name: 'Marsh Components' })
    .locator('..')
    .getByRole('button', { name: 'Make a return of 1 part' })
    .click()
  await expect(page).toHaveURL(/\/returns\/.+/)
  const note = page.getByRole('region', { name: 'Return note' })
  await expect(note).toContainText('WRONG-9')
  await expect(note).toContainText('to be named')
  await page.getByRole('button', { name: 'It is on its way' }).click()
  await page.getByLabel('Credit received').fill('17.50')
  await page.getByRole('button', { name: 'Credited', exact: true }).click()
  await expect(page.getByText('€17.50')).toBeVisible()
  await page.getByRole('link', { name: 'To the orders' }).click()
  await expect(page.getByRole('region', { name: 'Returns' })).toContainText('credited €17.50')
})
