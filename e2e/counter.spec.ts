import { readFile } from 'node:fs/promises'
import type { Page } from '@playwright/test'
import { startApplication } from './application'
import { expect, holdRequests, newJob, openDay, openJob, saved, test } from './fixtures'

test('the day is in the order of work, with what is to be done next and the way there', async ({
  page,
  app,
}) => {
  await page.goto(app.address)
  const rows = page.getByRole('table', { name: 'The day' }).getByRole('row')
  await expect(rows.nth(1)).toContainText('late')
  const line = (name: string) => page.getByRole('row', { name: new RegExp(name) })
  await expect(line('Juno Castell')).toContainText('Waiting for approval')
  await expect(line('Juno Castell')).toContainText('0555 0156')
  await expect(line('Abel Norcott')).toContainText('Waiting for parts')
  await expect(line('Isobel Tansley')).toContainText('On the bench')
  await expect(line('Greta Hallow')).toHaveCount(0)

  await page.getByRole('button', { name: /^Waiting for parts/ }).click()
  await expect(line('Abel Norcott')).toBeVisible()
  await expect(line('Juno Castell')).toHaveCount(0)
  await page.reload()
  await expect(page.getByRole('button', { name: /^Waiting for parts/ })).toHaveAttribute(
    'aria-pressed',
    'true',
  )
  // Jobs that wait for nobody can be worked on, late or not.
  await page.getByRole('button', { name: /^Can be worked on now/ }).click()
  await expect(line('Isobel Tansley')).toBeVisible()
  await expect(line('Abel Norcott')).toHaveCount(0)
  await expect(line('Juno Castell')).toHaveCount(0)
  await page.getByRole('button', { name: /^All open/ }).click()
  await line('Juno Castell').getByRole('link', { name: 'Ring: is the quote approved?' }).click()
  await expect(page).toHaveURL(/\/quote$/)
})

test('a customer who rings is answered: by name or by phone, where it is and what was fitted', async ({
  page,
  app,
}) => {
  await page.goto(app.address)
  // By the palette: the name, and the answer is there without a further key.
  await expect(page.getByRole('table', { name: 'The day' })).toBeVisible()
  await page.keyboard.press('ControlOrMeta+k')
  await expect(page.getByRole('combobox')).toBeFocused()
  await page.keyboard.type('Hallow')
  const found = page.getByRole('option', { name: /\d+\s*Greta Hallow/ })
  await expect(found).toContainText('closed')
  await expect(found).toContainText('0555 0114')
  await page.keyboard.press('Enter')
  await page.getByRole('link', { name: 'Hand over' }).click()
  await page.getByRole('link', { name: 'The report, to print' }).click()
  await expect(page.getByRole('main')).toContainText('ours: 24 months, from')

  await page.goto(`${app.address}/?search=${encodeURIComponent('+44 555 0114')}`)
  await expect(page.getByRole('row', { name: /Greta Hallow/ })).toContainText('Closed')
})

test('what is written while the day is being read is shown', async ({ page, app, context }) => {
  const { id } = await newJob(page, app, 'Ebba Swift', 'Heron 15', { A: '8GB 1Rx8' })
  const api = `${app.address}/api/v1/jobs/${id}`
  const complain = async (complaint: string) => {
    const { version } = await (await page.request.get(api)).json()
    await page.request.patch(api, { data: { version, complaint } })
  }
  const other = await context.newPage()
  for (const one of [page, other]) await openDay(one, app)
  const line = (one: Page) => one.getByRole('row', { name: /Ebba Swift/ })
  await expect(line(page)).toContainText('Too slow')

  // What the server said before the second writing reaches the page after news of it.
  let begin = () => {}
  const begun = new Promise<void>((resolve) => {
    begin = resolve
  })
  let letGo = () => {}
  const free = new Promise<void>((resolve) => {
    letGo = resolve
  })
  await page.route(
    /\/jobs\/open/,
    async (route) => {
      const response = await route.fetch()
      begin()
      await free
      await route.fulfill({ response })
    },
    { times: 1 },
  )
  await complain('Slow at noon')
  await begun
  await complain('Slow all day')
  await expect(line(other)).toContainText('Slow all day')
  letGo()
  await expect(line(page)).toContainText('Slow all day')
})

test('what was written while no news came is shown once it comes again', async ({ page, app }) => {
  const { id } = await newJob(page, app, 'Odo Late', 'Heron 15', { A: '8GB 1Rx8' })
  const listensAgain = await holdRequests(page, /\/changes$/)
  await page.route(/\/changes$/, (route) => route.abort(), { times: 1 })
  await openDay(page, app)
  const line = page.getByRole('row', { name: /Odo Late/ })
  await expect(line).toContainText('Too slow')
  const data = { version: 2, complaint: 'Slow since the move' }
  const answer = await page.request.patch(`${app.address}/api/v1/jobs/${id}`, { data })
  expect(answer.ok()).toBe(true)
  listensAgain()
  await expect(line).toContainText('Slow since the move')
})

test('the week on a phone begins with today in sight', async ({ page, app }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  // A Sunday, the last of the week.
  await page.clock.setFixedTime(new Date('2030-05-12T12:00:00'))
  await page.goto(`${app.address}/?show=week`)
  await expect(page.getByRole('columnheader').filter({ hasText: 'Sunday' })).toBeInViewport({
    ratio: 0.9,
  })
})

test('a job moves through the day as things happen to it, at every screen', async ({
  page,
  app,
}) => {
  const { id } = await newJob(page, app, 'Wanda Moves', 'Heron 15', { A: '8GB 1Rx8' })
  const api = `${app.address}/api/v1`
  const read = async () => (await page.request.get(`${api}/jobs/${id}`)).json()
  await page.goto(app.address)
  const line = page.getByRole('row', { name: /Wanda Moves/ })
  await expect(line).toContainText('Ask how much memory it needs')
  await page.request.post(`${api}/fits`, { data: { jobId: id, seconds: 60 } })
  await expect(line).toContainText('On the bench')
  await page.request.patch(`${api}/jobs/${id}`, {
    data: { version: (await read()).version, stage: 'handover' },
  })
  await expect(line).toContainText('Ring: it is ready')
  await line.getByRole('link', { name: 'Ring: it is ready' }).click()
  await expect(page.getByText('Nothing stands open.')).toBeVisible()
  await page.getByRole('button', { name: 'Signed', exact: true }).click()
  await expect(page.getByText('Signed by Wanda Moves')).toBeVisible()
  await page.getByRole('button', { name: 'Collected', exact: true }).click()
  await saved(page)
  await page.goto(app.address)
  await expect(page.getByRole('table', { name: 'The day' })).toBeVisible()
  await expect(line).toHaveCount(0)
})

test('a whole job is saved as a file and brought in at an empty shop, equal; a torn file says so', async ({
  page,
  app,
}) => {
  const id = await openJob(page, app, 'Farrow', 'handover')
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'The whole job as a file' }).click(),
  ])
  expect(download.suggestedFilename()).toMatch(/^job-\d+\.zip$/)
  const file = await readFile(await download.path())
  const empty = await startApplication(false)
  try {
    await page.goto(`${empty.address}/jobs/new`)
    const input = page.getByLabel('A job saved as a file')
    const torn = { name: 'job.zip', mimeType: 'application/zip', buffer: file.subarray(0, 900) }
    await input.setInputFiles(torn)
    await expect(page.getByText('This is no zip archive')).toBeVisible()
    await input.setInputFiles({ ...torn, buffer: file })
    await expect(page).toHaveURL(new RegExp(`/jobs/${id}/`))
    await expect(page.getByRole('heading', { name: /Emil Farrow/ })).toBeVisible()
    const again = await page.request.get(`${empty.address}/api/v1/jobs/${id}/file`)
    expect(await again.body()).toEqual(file)
    await page.goto(`${empty.address}/jobs/new`)
    await page.getByLabel('A job saved as a file').setInputFiles({ ...torn, buffer: file })
    await expect(page.getByText('This job is here already')).toBeVisible()
  } finally {
    await empty.end()
  }
})

test('a customer who comes again is known as one types, with machines and jobs so far', async ({
  page,
  app,
}) => {
  const before = await newJob(page, app, 'Orla Pennick', 'Kestrel Tower', {})
  await page.goto(`${app.address}/jobs/new`)
  await page.getByLabel('Name').fill('penni')
  await page.getByRole('button', { name: 'Known: Orla Pennick' }).click()
  const own = page.getByRole('group', { name: 'The customer’s machines' })
  await own.getByRole('radio', { name: 'Kestrel Tower' }).check()
  await expect(page.getByRole('link', { name: /Kestrel Tower/ })).toBeVisible()
  await expect(page.getByPlaceholder('Find a model the shop knows')).toHaveCount(0)
  await expect(page.getByRole('radio', { name: /^Gannet/ })).toHaveCount(0)
  await page.getByLabel(/What is wrong/).fill('Freezes again')
  await page.getByRole('button', { name: 'Start the job' }).click()
  await expect(page).toHaveURL(/\/identify$/)
  const id = new URL(page.url()).pathname.split('/')[2]
  const read = async (path: string) =>
    (await page.request.get(`${app.address}/api/v1/${path}`)).json()
  const job = await read(`jobs/${id}`)
  expect((await read(`jobs/${before.id}`)).machineId).toBe(job.machineId)
})

test('the ticket and the machine’s label are printed as the job begins, on labels of the shop’s printer', async ({
  page,
}) => {
  const shop = await startApplication()
  try {
    await page.addInitScript(() => {
      window.print = () => document.body.setAttribute('data-printed', 'yes')
    })
    await page.goto(`${shop.address}/settings`)
    await page.getByRole('button', { name: 'Change the shop’s terms' }).click()
    await page.getByLabel('Labels').selectOption({ label: 'by a label printer' })
    await page.getByLabel('Label, mm wide').fill('20')
    await page.getByRole('button', { name: 'Save for the shop' }).click()
    await expect(page.getByText('At least 25.')).toBeVisible()
    await page.getByLabel('Label, mm wide').fill('70')
    await page.getByRole('button', { name: 'Save for the shop' }).click()
    await expect(page.getByText('labels of 70 × 40 mm')).toBeVisible()

    await page.goto(`${shop.address}/jobs/new`)
    await page.getByLabel('Name').fill('Tilda Ticket')
    await page.getByRole('radio', { name: /^Laptop, 2 slots/ }).check()
    await page.getByRole('button', { name: 'Start, and print the ticket' }).click()
    await expect(page.getByRole('region', { name: 'Job ticket' })).toContainText('Tilda Ticket')
    await expect(page.locator('body')).toHaveAttribute('data-printed', 'yes')
    const label = page.getByRole('region', { name: 'Machine label' })
    await expect(label.getByRole('img', { name: /^Code that opens/ })).toBeVisible()
    // 66 mm of its 70, at 96 to the inch.
    const width = await label.evaluate((one) => Math.round(one.getBoundingClientRect().width))
    expect(width).toBe(Math.round((66 / 25.4) * 96))
    await page.getByRole('link', { name: 'On to Identify' }).click()
    await expect(page.getByRole('heading', { name: 'Identify', exact: true })).toBeVisible()
  } finally {
    await shop.end()
  }
})

test('a new shop is asked three things and is at its first job; settings show and change the rest', async ({
  page,
}) => {
  const empty = await startApplication(false)
  try {
    await page.goto(empty.address)
    const first = page.getByRole('form', { name: 'First things' })
    await first.getByRole('button', { name: /first job/ }).click()
    await expect(first.getByText('What is the shop called?')).toBeVisible()
    await first.getByLabel('Name of the shop').fill('Ash & Oar')
    await first.getByLabel('Currency').selectOption('GBP')
    await first.getByLabel('Tax, %').fill('twenty')
    await first.getByRole('button', { name: /first job/ }).click()
    await expect(first.getByText(/1 field|one field/i)).toBeVisible()
    await first.getByLabel('Tax, %').fill('20')
    await first.getByRole('button', { name: /first job/ }).click()
    await expect(page.getByRole('heading', { name: 'New job' })).toBeVisible()

    await page.goto(`${empty.address}/settings`)
    const shop = page.getByRole('region', { name: 'Shop, money' })
    await expect(shop).toContainText('Ash & Oar')
    await expect(shop).toContainText('GBP, tax 20 %')
    await page.getByRole('button', { name: 'Change the shop’s terms' }).click()
    await page.getByLabel('Warranty on new parts, months').fill('24')
    await page.getByRole('button', { name: 'Save for the shop' }).click()
    await expect(shop).toContainText('new parts 24 months')
    await Promise.all([
      page.waitForResponse((answer) => answer.request().method() === 'PATCH'),
      page.getByLabel('Plans are made by').selectOption({ label: 'Capacity first' }),
    ])
    await page.reload()
    await expect(page.getByLabel('Plans are made by')).toHaveValue('capacity')
    // The counter asks nobody twice.
    await page.goto(empty.address)
    await expect(page.getByText('No jobs yet')).toBeVisible()
  } finally {
    await empty.end()
  }
})

test('the week sets the work due against the opening hours; a job is moved to another day by dragging', async ({
  page,
  app,
}) => {
  const job = await newJob(page, app, 'Wilma Weekly', 'Heron 15', {})
  const api = `${app.address}/api/v1`
  const now = new Date()
  const noon = (days: number) => {
    const day = new Date(now.getFullYear(), now.getMonth(), now.getDate() + days, 12)
    const two = (part: number) => String(part).padStart(2, '0')
    return `${day.getFullYear()}-${two(day.getMonth() + 1)}-${two(day.getDate())}`
  }
  // The Tuesday of next week, and the Thursday.
  const tuesday = 9 - ((now.getDay() + 6) % 7) - 1
  const { version } = await (await page.request.get(`${api}/jobs/${job.id}`)).json()
  await page.request.patch(`${api}/jobs/${job.id}`, { data: { version, dueOn: noon(tuesday) } })

  await page.goto(`${app.address}/?show=week`)
  await page.getByRole('button', { name: 'The week after' }).click()
  const week = page.getByRole('region', { name: 'The week', exact: true })
  await expect(week).toContainText('of 17 h')
  await expect(week).toContainText('closed')
  const card = week.getByRole('link', { name: new RegExp(`${job.number} Wilma Weekly`) })
  const day = (date: string) => week.locator(`[data-date="${date}"].fc-daygrid-day`)
  await expect(day(noon(tuesday)).getByRole('link', { name: /Wilma Weekly/ })).toBeVisible()
  const box = await day(noon(tuesday + 2)).boundingBox()
  if (!box) throw new Error('the day is not on the screen')
  await card.hover()
  await page.mouse.down()
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2, { steps: 10 })
  await page.mouse.up()
  await expect(page.getByText(`Job ${job.number} is due on`).first()).toBeVisible()
  const moved = await (await page.request.get(`${api}/jobs/${job.id}`)).json()
  expect(moved.dueOn).toBe(noon(tuesday + 2))
  await card.click()
  await expect(page).toHaveURL(new RegExp(`/jobs/${job.id}/`))
})

test('opening hours, people and a logo are the shop’s; the logo is on its quotes', async ({
  page,
}) => {
  const shop = await startApplication()
  try {
    await page.goto(`${shop.address}/settings`)
    await page.getByRole('button', { name: 'Change the opening hours' }).click()
    await page.getByLabel('Sunday').check()
    await page.getByLabel('Opens').last().fill('25')
    await page.getByRole('button', { name: 'Save for the shop' }).click()
    await expect(page.getByText('A time, such as 9:00.')).toBeVisible()
    await page.getByLabel('Opens').last().fill('10')
    await page.getByLabel('Closes').last().fill('12.30')
    await page.getByRole('button', { name: 'Save for the shop' }).click()
    await expect(page.getByRole('region', { name: 'Opening hours' })).toContainText(
      'Sunday 10:00 to 12:30',
    )
    await page.getByRole('button', { name: 'Change who works here' }).click()
    await page.getByRole('button', { name: 'A person' }).click()
    await page.getByRole('button', { name: 'Save for the shop' }).click()
    await expect(page.getByText('A name.')).toBeVisible()
    await page.getByLabel('Name', { exact: true }).last().fill('Tamsin')
    await page.getByRole('button', { name: 'Save for the shop' }).click()
    await expect(page.getByRole('region', { name: 'People' })).toContainText('Tamsin')
    await page.getByText('What was changed').click()
    await expect(page.getByRole('list', { name: 'History' })).toContainText(
      'The shop’s settings changed: people',
    )
    const png =
      'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg=='
    const file = { name: 'logo.png', mimeType: 'image/png', buffer: Buffer.from(png, 'base64') }
    await page.locator('input[type=file]').setInputFiles({ ...file, buffer: Buffer.alloc(400_000) })
    await expect(page.getByText('At most 300 kB')).toBeVisible()
    await page.locator('input[type=file]').setInputFiles(file)
    await expect(page.getByAltText('The shop’s logo')).toBeVisible()
    const answer = await page.request.get(`${shop.address}/api/v1/jobs?search=Castell`)
    const [{ id }] = await answer.json()
    await page.goto(`${shop.address}/jobs/${id}/quote-sheet`)
    await expect(page.getByRole('main').locator('img')).toHaveAttribute('src', /^data:image\/png/)
  } finally {
    await shop.end()
  }
})

test('a misspelt name is found: its umlaut, its quote, and by “did you mean” one wrong letter', async ({
  page,
  app,
}) => {
  const { id } = await newJob(page, app, 'Jürgen O’Tanglewood', 'Heron 15', { A: '8GB 1Rx8' })
  const search = page.getByRole('searchbox', { name: 'Search' })
  await page.goto(app.address)
  for (const typed of ['juergen otanglewood', "JURGEN O'TANGLEWOOD"]) {
    await search.fill(typed)
    await expect(page.getByRole('row', { name: /O’Tanglewood/ })).toHaveCount(1)
  }
  await search.fill('jurgen otanlgewood')
  await page.getByRole('button', { name: 'Did you mean “jurgen otanglewood”?' }).click()
  await expect(page.getByRole('row', { name: /O’Tanglewood/ })).toHaveCount(1)
  await page.keyboard.press('ControlOrMeta+k')
  const palette = page.getByRole('dialog')
  await palette.getByRole('combobox').fill('otanlgewood')
  await palette.getByRole('option', { name: 'otanglewood', exact: true }).click()
  await palette.getByRole('option', { name: /\d+\s*.*O’Tanglewood/ }).click()
  await expect(page).toHaveURL(new RegExp(id))
})
