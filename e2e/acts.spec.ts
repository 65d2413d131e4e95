import type { Page } from '@playwright/test'
import type { Application } from './application'
import {
  expect,
  newJob,
  openJob,
  saved,
  slotButton,
  slotInShort,
  test,
  withoutNews,
} from './fixtures'

/** Begins the quote of a job. */
async function begin(page: Page, address: string) {
  await page.goto(`${address}/quote`)
  await page
    .getByRole('button', { name: /^Quote/ })
    .first()
    .click()
  await saved(page)
}

/** A job whose plan puts a piece of the shelf beside what is in it, with a quote of it in draft. */
async function quoted(page: Page, app: Application, customer: string) {
  const { id, address } = await newJob(page, app, customer, 'Heron 15', { A: '8GB 1Rx8' })
  const api = `${app.address}/api/v1`
  const get = async (path: string) => (await page.request.get(`${api}/${path}`)).json()
  const [{ module }] = await get(`modules?jobId=${id}`)
  const shelved = { source: 'shelf', module, price: 1500 }
  const piece = await (await page.request.post(`${api}/modules`, { data: shelved })).json()
  const job = await get(`jobs/${id}`)
  const [plan] = job.plans
  const placement = { ...job.found, B: { moduleId: piece.id, unit: 0 } }
  await page.request.patch(`${api}/plans/${plan.id}`, { data: { version: 1, placement } })
  return { id, address, api, get, plan, piece, read: () => get(`jobs/${id}`) }
}

test('an approval whose answer is lost, and that goes out twice, is made once', async ({
  page,
  app,
}) => {
  const { address, read } = await quoted(page, app, 'Isolde Marsh')
  await begin(page, address)
  let sent = 0
  await page.route('**/api/v1/acts', async (route) => {
    sent += 1
    if (sent > 1) return route.continue()
    await route.fetch()
    await route.abort()
  })
  const approval = page.getByRole('region', { name: 'Approval' })
  await approval.getByRole('button', { name: 'Approved' }).click()
  await expect(approval).toContainText('Approved by Isolde Marsh on')
  await saved(page)
  expect(sent).toBe(2)
  const { stage, quotes } = await read()
  expect([stage, quotes.length, quotes[0].approval.name]).toEqual(['fit', 1, 'Isolde Marsh'])
  // The quote once, with offer, document and approval together.
  expect(quotes[0].version).toBe(2)
})

test('an approval whose board was changed elsewhere is asked about, and made whole or not at all', async ({
  page,
  app,
}) => {
  await withoutNews(page)
  const { address, api, plan, piece, read } = await quoted(page, app, 'Tamsin Hale')
  await begin(page, address)
  const { version } = (await read()).plans[0]
  // The piece stays the job's: other tests plan with what is free on the shelf.
  const placement = { B: { moduleId: piece.id, unit: 0 } }
  await page.request.patch(`${api}/plans/${plan.id}`, { data: { version, placement } })
  await page
    .getByRole('region', { name: 'Approval' })
    .getByRole('button', { name: 'Approved' })
    .click()
  const state = page.getByTestId('save-state')
  await expect(state).toHaveText('Changed elsewhere: choose')
  expect((await read()).quotes[0]).toMatchObject({ approval: null, document: null })

  await state.click()
  const asked = page.getByRole('region', { name: 'Changed elsewhere: the plan' })
  await expect(asked).toContainText('It is part of the approval, which is stored as a whole.')
  await asked.getByRole('button', { name: 'Give up the approval' }).click()
  await saved(page)
  expect(await read()).toMatchObject({ stage: 'identify', quotes: [{ approval: null }] })
  await page.reload()
  await expect(page.getByRole('button', { name: 'Approved' })).toBeVisible()
  await expect(slotInShort(page, 'A')).toHaveAccessibleName(/empty planned$/)
})

test('with the clock of the page three hours back, the plan on the board is the one fitted', async ({
  page,
  app,
}) => {
  await page.clock.install({ time: new Date(Date.now() - 3 * 3_600_000) })
  const { address, read, plan } = await quoted(page, app, 'Corin Vale')
  await page.goto(`${address}/plan`)
  await page.getByRole('button', { name: 'Keep', exact: true }).click()
  await page.clock.runFor(2000)
  await saved(page)
  await page.reload()
  const { planId, plans } = await read()
  expect([planId, plans[0].id, plans.length]).toEqual([plan.id, plan.id, 2])
  await expect(slotButton(page, 'B')).toContainText('8')
  await page.getByRole('button', { name: 'Compare 1' }).click()
  await expect(page.getByRole('columnheader', { name: 'On the board' })).toBeVisible()
})

test('what was done is taken back in every step, also after the page was loaded again', async ({
  page,
  app,
}) => {
  const { address, read } = await quoted(page, app, 'Oswin Dale')
  const undo = page.getByRole('button', { name: 'Undo' })
  await page.goto(`${address}/intake`)
  await page.getByLabel('Phone').pressSequentially('0555 31')
  await saved(page)
  await page.goto(`${address}/plan`)
  await page.getByRole('button', { name: 'Keep', exact: true }).click()
  await page.getByRole('button', { name: 'Compare 1' }).click()
  await page.getByRole('button', { name: 'Remove Plan 2' }).click()
  await page.keyboard.press('Escape')
  await saved(page)
  expect((await read()).plans).toHaveLength(1)
  await page.reload()

  await undo.click()
  await expect(page.getByRole('button', { name: 'Compare 1' })).toBeVisible()
  await saved(page)
  expect((await read()).plans).toMatchObject([{ name: 'Plan 1' }, { name: 'Plan 2' }])
  await undo.click()
  await expect(page.getByRole('button', { name: 'Compare 1' })).toBeHidden()
  await undo.click()
  await saved(page)
  expect(await read()).toMatchObject({ customer: { phone: '' }, plans: [{ name: 'Plan 1' }] })
  await expect(undo).toBeDisabled()

  for (let step = 0; step < 2; step += 1) await page.getByRole('button', { name: 'Redo' }).click()
  await saved(page)
  expect(await read()).toMatchObject({ customer: { phone: '0555 31' }, plans: [{}, {}] })
})

test('a deed of several records is taken back as one: a module with its slot', async ({
  page,
  app,
}) => {
  const id = await openJob(page, app, 'Ashby', 'identify')
  const before = await (await page.request.get(`${app.address}/api/v1/jobs/${id}`)).json()
  await page.getByRole('button', { name: 'Add a module' }).click()
  await page.getByRole('dialog').getByRole('button', { name: 'Add', exact: true }).click()
  await saved(page)
  const read = async () => (await page.request.get(`${app.address}/api/v1/jobs/${id}`)).json()
  expect((await read()).modules).toHaveLength(before.modules.length + 1)
  await page.keyboard.press('Control+z')
  await saved(page)
  expect(await read()).toMatchObject({
    found: before.found,
    modules: before.modules.map(() => ({})),
  })
})

test('a figure typed into the record is taken back in one step, with where it is from', async ({
  page,
  app,
}) => {
  const { address, read } = await quoted(page, app, 'Perrin Lowe')
  await page.goto(`${address}/identify`)
  await page.getByText('Limits', { exact: true }).click()
  const before = (await read()).machine
  await page.getByRole('textbox', { name: 'Chip density, Gbit' }).pressSequentially('16')
  await saved(page)
  const typed = (await read()).machine
  expect(typed.machine.limits.dieGbit).toBe(16)
  expect(typed.sources).not.toEqual(before.sources)
  await page.getByRole('button', { name: 'Undo' }).click()
  await saved(page)
  const after = (await read()).machine
  expect([after.machine, after.sources]).toEqual([before.machine, before.sources])
})

test('a new job whose answer was lost holds what was corrected before it was sent again', async ({
  page,
  app,
}) => {
  await page.goto(app.address)
  await page.getByRole('button', { name: 'New job' }).click()
  await page.getByLabel('Name').fill('Linnea Roke')
  await page.getByLabel('Phone').fill('0555 1')
  await page.getByLabel(/What is wrong/).fill('Freezes')
  await page.getByRole('radio', { name: /Laptop, 2 slots/ }).check()
  let lost = false
  await page.route('**/api/v1/jobs', async (route) => {
    if (lost || route.request().method() !== 'POST') return route.continue()
    lost = true
    await route.fetch()
    await route.abort()
  })
  const start = page.getByRole('button', { name: 'Start the job' })
  await start.click()
  await expect(page.getByRole('alert')).toBeVisible()
  await page.getByLabel('Phone').fill('0555 1234')
  await page.getByLabel(/What is wrong/).fill('Freezes at the till')
  await start.click()
  await expect(page.getByRole('heading', { name: 'Identify' })).toBeVisible()
  await saved(page)
  const api = `${app.address}/api/v1`
  const jobs = await (await page.request.get(`${api}/jobs?search=Roke`)).json()
  expect(jobs).toMatchObject([{ complaint: 'Freezes at the till' }])
  const { customer } = await (await page.request.get(`${api}/jobs/${jobs[0].id}`)).json()
  expect(customer.phone).toBe('0555 1234')
})
