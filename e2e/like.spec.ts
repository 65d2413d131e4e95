import { expect, newJob, openDay, openJob, saved, slotButton, test, toStep } from './fixtures'

test('machines are added to a job by their serial numbers, follow its plan, and one that differs is singled out', async ({
  page,
  app,
}) => {
  const job = await newJob(page, app, 'Hilda Several', 'Heron 15', { A: '8GB 1Rx8' })
  await page.goto(`${job.address}/intake`)
  await page.getByText('More machines like this one').click()
  await page.getByLabel('How many more').fill('none')
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(page.getByText('A number from 1 to 60.')).toBeVisible()
  await page.getByLabel('Or their serial numbers').fill('HS-2\nHS-3')
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(page.getByText('3 like machines')).toBeVisible()

  // What is planned for the first is planned for all; the others say so and cannot be planned by themselves.
  await toStep(page, 'Plan').click()
  await page.getByRole('tab', { name: 'Trade-offs' }).click()
  await page.getByLabel('At least, GB usable').fill('16')
  const cheapest = page
    .getByRole('list', { name: 'Picks' })
    .getByRole('button', { name: /Lowest cost/ })
  await cheapest.click()
  await expect(cheapest).toHaveAttribute('aria-pressed', 'true')
  await saved(page)
  const machine = page.getByLabel('Which of the like machines')
  await machine.selectOption({ index: 2 })
  await expect(page.getByRole('region', { name: 'Follows another job' })).toContainText(
    `job ${job.number}`,
  )
  await expect(slotButton(page, 'B')).not.toContainText('empty')
  await expect(page.getByRole('tab', { name: 'Trade-offs' })).toHaveCount(0)

  await openDay(page, app)
  const line = page.getByRole('row', { name: /Hilda Several/ })
  await expect(line).toHaveCount(1)
  await expect(line).toContainText('3 × Heron 15')
  await expect(line).toContainText('0 of 3 ready')

  await openJob(page, app, 'HS-3', 'quote')
  await page.getByRole('button', { name: 'It differs: single it out' }).click()
  await page.getByRole('button', { name: 'Single it out' }).click()
  await expect(page.getByText(/There is nothing to offer|Offer the plan/).first()).toBeVisible()
  await openDay(page, app)
  await expect(page.getByRole('row', { name: /Hilda Several/ })).toHaveCount(2)
  await expect(page.getByRole('row', { name: /2 × Heron 15/ })).toBeVisible()
})

test('six machines have one quote, one order of which a part came, and the day says which is to be fitted', async ({
  page,
  app,
}) => {
  await openJob(page, app, 'WR-01', 'quote')
  await expect(page.getByText('12 × Quillen Q4-8-2666')).toBeVisible()
  await page.goto(app.address)
  const line = page.getByRole('row', { name: /Wheelbridge Reading Room/ })
  await expect(line).toContainText('6 × Wagtail Mini Tower')
  await expect(line).toContainText('Waiting for parts')
  await page.getByRole('link', { name: 'Orders' }).click()
  await page
    .getByRole('row', { name: /part delivered/ })
    .getByRole('link')
    .click()
  await expect(page.getByRole('region', { name: 'Lines' }).getByRole('row')).toHaveCount(7)
  await expect(page.getByRole('region', { name: 'Here' }).getByRole('listitem')).toHaveCount(5)

  // The rest of the parcel comes, and then each machine is fitted by itself.
  const serial = page.getByLabel('Serial number, scanned or typed')
  // A scanner does not wait for an answer.
  for (let piece = 6; piece <= 12; piece += 1) {
    await serial.fill(`QN-61${piece}`)
    await serial.press('Enter')
  }
  await expect(page.getByRole('region', { name: 'Here' }).getByRole('listitem')).toHaveCount(12)
  await expect(page.getByText('delivered', { exact: true })).toBeVisible()
  await page.goto(app.address)
  await expect(line).toContainText('On the bench')
  const api = `${app.address}/api/v1`
  const [lead] = await (await page.request.get(`${api}/jobs?search=wr-01`)).json()
  const machines = await (await page.request.get(`${api}/jobs/${lead.id}/like`)).json()
  for (const { id } of machines) {
    const { found } = await (await page.request.get(`${api}/jobs/${id}`)).json()
    const out = Object.values(found as Record<string, { moduleId: string }>)
    const goes = { to: 'customer', shelfId: crypto.randomUUID(), price: null }
    const removed = Object.fromEntries(out.map(({ moduleId }) => [moduleId, goes]))
    const fit = await (await page.request.post(`${api}/fits`, { data: { jobId: id } })).json()
    const data = { version: fit.version, removed, finished: true }
    expect((await page.request.patch(`${api}/fits/${fit.id}`, { data })).ok()).toBe(true)
    const { version } = await (await page.request.get(`${api}/jobs/${id}`)).json()
    await page.request.patch(`${api}/jobs/${id}`, { data: { version, stage: 'handover' } })
  }
  await expect(line).toContainText('6 of 6 ready')
  await line.getByRole('link', { name: 'Ring: it is ready' }).click()
  await expect(page.getByText(/is not paid/)).toBeVisible()
  const switcher = page.getByLabel('Which of the like machines')
  await switcher.selectOption({ index: 3 })
  await expect(page.getByText(/is not paid/)).toHaveCount(0)
  await expect(page.getByRole('main')).toContainText('by what is in it, it now has 16 GB', {
    ignoreCase: true,
  })
})
