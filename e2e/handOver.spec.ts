import type { Page } from '@playwright/test'
import { type Application, startApplication } from './application'
import { expect, newJob, saved, test, toStep } from './fixtures'
import { signedReport } from './signedReport'

/** A laptop of which one module was fitted from the shelf, with nothing else noted but what was done before. */
async function fittedJob(
  page: Page,
  app: Application,
  customer: string,
  before: (address: string) => Promise<void> = async () => {},
) {
  const api = `${app.address}/api/v1`
  const ask = async (path: string) => (await page.request.get(`${api}/${path}`)).json()
  const send = async (method: 'post' | 'patch', path: string, data: object) =>
    (await page.request[method](`${api}/${path}`, { data })).json()
  const job = await newJob(page, app, customer, 'Heron 15', { A: '8GB 1Rx8' })
  const file = await ask(`jobs/${job.id}`)
  const own = file.found.A
  const { module } = file.modules[0]
  const piece = await send('post', 'modules', {
    source: 'shelf',
    module: { ...module, article: 'Larkfield L4-8' },
    price: 2300,
    condition: 'new',
    serialNumber: 'SHELF-77',
    warrantyUntil: '2031-05-31',
  })
  const [plan] = file.plans
  await send('patch', `plans/${plan.id}`, {
    version: plan.version,
    placement: { A: own, B: { moduleId: piece.id, unit: 0 } },
  })
  await send('patch', `jobs/${job.id}`, {
    version: (await ask(`jobs/${job.id}`)).version,
    accessories: ['charger'],
  })
  await before(job.address)
  const fit = await send('post', 'fits', { jobId: job.id })
  await send('patch', `fits/${fit.id}`, { version: 1, finished: true })
  return job
}

interface Held {
  moduleId: string
  unit: number
}

test('one soak plan from the quote to the report: passes that count, shortened with a reason', async ({
  page,
  app,
}) => {
  const { address } = await fittedJob(page, app, 'Roswitha Tamm')
  await page.goto(`${address}/verify`)
  const soak = page.getByRole('region', { name: 'Soak test' })
  await expect(soak).toContainText(
    'Planned: 3 full passes of the memory test, about 0.75 to 1.5 hours',
  )
  const note = async (passes: string, hours: string) => {
    await soak.getByLabel('Passes').last().fill(passes)
    await soak.getByLabel('Hours').fill(hours)
    await soak.getByRole('button', { name: 'Note it' }).click()
  }
  // Three minutes are no three passes over 16 GB.
  await note('3', '0.05')
  await expect(soak).toContainText('3 passes noted cannot have been made of 16 GB in that time')
  await note('2', '1')
  await expect(soak).toContainText('Made so far: 2 passes that count')
  await expect(
    page.getByText(/Before it is handed over: .*the soak test, as planned/),
  ).toBeVisible()
  await soak.getByText('Make it shorter').click()
  await soak.getByLabel('Passes').first().fill('2')
  await soak.getByLabel('Reason, repeated in the report').fill('The customer needs it tonight')
  await expect(soak).toContainText('Planned: 2 full passes')
  await expect(page.getByText(/Before it is handed over: .*the soak test/)).toBeHidden()
  await saved(page)
  await page.goto(`${address}/handover`)
  const done = page.getByRole('region', { name: 'What we did' })
  await expect(done).toContainText('We tested the memory in 2 full passes')
  await expect(done).toContainText('made shorter than usual: The customer needs it tonight')
})

test('a job is handed over: words around figures, reasons for what is open, signed, collected, back again', async ({
  page,
  app,
}) => {
  const { address, id } = await fittedJob(page, app, 'Ada Collier')
  await page.goto(`${address}/handover`)
  const done = page.getByRole('region', { name: 'What we did' })
  await expect(done).toContainText('put in a new module of 8 GB')
  await expect(done).toContainText('By what is in it, it now has 16 GB')

  // Words are typed around a figure; the figure stays the record's.
  await done.getByRole('button', { name: 'Change the words' }).click()
  const editor = done.getByRole('textbox', { name: 'What we did' })
  await editor.press('ControlOrMeta+Home')
  await editor.pressSequentially('As agreed by phone: ')
  await done.getByLabel('Put in a figure').selectOption({ label: 'channels now: 2 channels' })
  await done.getByRole('button', { name: 'Done with' }).click()
  await expect(done).toContainText(/^What we did.*As agreed by phone: 2 channels/)
  await saved(page)
  await page.reload()
  await expect(done.getByTitle('channels now').first()).toHaveText('2 channels')

  // Nothing is signed while a point is open without a reason.
  await page.getByRole('button', { name: 'Signed', exact: true }).click()
  const signOff = page.getByRole('region', { name: 'Sign-off' })
  await expect(signOff).toContainText('Every open point is closed, or has its reason.')
  await page.getByLabel('Not verified').fill('looked at by the owner herself')
  await page.getByLabel('No quote is approved').fill('agreed at the counter')
  await page.getByRole('checkbox', { name: 'charger' }).click()
  await expect(page.getByLabel('Not given back')).toHaveCount(0)
  await signOff.getByText('Sign by hand').click()
  const pad = page.getByLabel('Signature')
  const box = await pad.boundingBox()
  if (!box) throw new Error('nothing to sign on')
  await page.mouse.move(box.x + 20, box.y + 40)
  await page.mouse.down()
  await page.mouse.move(box.x + 120, box.y + 60, { steps: 4 })
  await page.mouse.up()
  await page.getByRole('button', { name: 'Signed', exact: true }).click()
  await expect(page.getByText('Signed by Ada Collier')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Change the words' })).toHaveCount(0)

  // What was signed stays, whatever is changed in the record.
  await saved(page)
  const api = `${app.address}/api/v1`
  const read = async () => (await page.request.get(`${api}/jobs/${id}`)).json()
  const file = await read()
  await page.request.patch(`${api}/jobs/${id}`, {
    data: { version: file.version, complaint: 'Something else' },
  })
  await page.getByRole('link', { name: 'The report, to print' }).click()
  const paper = page.getByRole('main')
  await expect(paper).toContainText('You told us: “Too slow”')
  await expect(paper).toContainText('SHELF-77')
  await expect(paper).toContainText('until 31 May 2031')
  await expect(paper).toContainText('looked at by the owner herself')
  await expect(page.getByRole('img', { name: 'Signature of Ada Collier' })).toBeVisible()

  // Collected, the job is closed; it comes back as a new visit with what is in it.
  await page.getByRole('link', { name: 'Back to hand over' }).click()
  await page.getByLabel('By whom').fill('Bo Collier')
  await page.getByRole('button', { name: 'Collected', exact: true }).click()
  await expect(page.getByText('Collected by Bo Collier')).toBeVisible()
  await saved(page)
  expect((await read()).stage).toBe('closed')

  // A module goes bad: found by its serial number, claimed for on the job it was fitted in.
  await page.goto(`${app.address}/?search=shelf-77`)
  await page
    .getByRole('row', { name: /Ada Collier/ })
    .getByRole('link')
    .first()
    .click()
  await toStep(page, 'Hand over').click()
  await page.getByLabel('A fitted module turned out bad').selectOption({ index: 1 })
  const claim = page.getByRole('region', { name: 'Warranty claims' })
  await expect(claim).toContainText('serial SHELF-77')
  await expect(claim).toContainText('its maker or supplier until 31 May 2031')
  await expect(claim).toContainText('No stability test is on record.')
  await claim.getByLabel('Fault, and how it was found').fill('Errors in the third pass')
  await claim.getByLabel('State').selectOption('sent')
  await saved(page)
  await page.reload()
  await expect(claim.getByLabel('Fault, and how it was found')).toHaveValue(
    'Errors in the third pass',
  )
  await expect(claim.getByLabel('State')).toHaveValue('sent')

  await page.getByRole('button', { name: 'begin a new visit' }).click()
  await expect(page).not.toHaveURL(new RegExp(id))
  await expect(page.getByLabel('What is wrong')).toHaveValue('')
  const visit = await (
    await page.request.get(`${api}/jobs/${new URL(page.url()).pathname.split('/')[2]}`)
  ).json()
  expect(visit.followsId).toBe(id)
  expect(Object.keys(visit.found).sort()).toEqual(['A', 'B'])
})

test('a sum is received in parts; too little keeps it open, and nothing is no payment', async ({
  page,
  app,
}) => {
  const list = await (await page.request.get(`${app.address}/api/v1/jobs?search=Farrow`)).json()
  await page.goto(`${app.address}/jobs/${list[0].id}/handover`)
  const payment = page.getByRole('region', { name: 'Payment' })
  await payment.getByLabel('Received').fill('0')
  await payment.getByRole('button', { name: 'Received' }).click()
  await expect(payment).toContainText('Enter the amount received.')
  await payment.getByLabel('Received').fill('13.80')
  await payment.getByLabel('Paid by').selectOption('cash')
  await payment.getByRole('button', { name: 'Received' }).click()
  await expect(payment).toContainText('€100.00 open')
  await expect(page.getByLabel('€100.00 is not paid')).toBeVisible()
  await payment.getByRole('button', { name: 'Received' }).click()
  await expect(page.getByLabel('is not paid')).toHaveCount(0)
  for (const amount of ['€13.80', '€100.00']) {
    await payment.getByRole('button', { name: `Remove the payment of ${amount}` }).click()
  }
  await expect(payment).toContainText('€113.80 open')
  await saved(page)
})

test('what the setup was set to when the machine came is noted beside what is left, and stands in the report', async ({
  page,
}) => {
  const shop = await startApplication()
  try {
    const api = `${shop.address}/api/v1`
    const read = async (path: string) => (await page.request.get(`${api}/${path}`)).json()
    const [{ id }] = await read('jobs?search=aldwin')
    const file = await read(`jobs/${id}`)
    const plan = file.plans.find((one: { id: string }) => one.id === file.planId)
    await page.request.patch(`${api}/plans/${plan.id}`, {
      data: { version: plan.version, profile: true },
    })
    const out = Object.values(file.found as Record<string, { moduleId: string }>)
    const removed = Object.fromEntries(
      out.map(({ moduleId }) => [
        moduleId,
        { to: 'customer', shelfId: crypto.randomUUID(), price: null },
      ]),
    )
    const fit = await (await page.request.post(`${api}/fits`, { data: { jobId: id } })).json()
    const board = await read(`plans/${file.planId}`)
    const placed = Object.values(board.placement as Record<string, Held>)
    const hereWithoutOrder = placed.map(({ moduleId, unit }) => `${moduleId} ${unit}`)
    const data = { version: fit.version, removed, hereWithoutOrder, finished: true }
    expect((await page.request.patch(`${api}/fits/${fit.id}`, { data })).ok()).toBe(true)

    await page.goto(`${shop.address}/jobs/${id}/handover`)
    const setup = page.getByRole('region', { name: 'BIOS/UEFI setup' })
    await expect(setup).toContainText('left: 6400 MT/s')
    await setup.getByLabel('Speed, as found').fill('4800 MT/s')
    await saved(page)
    await page.goto(`${shop.address}/jobs/${id}/report`)
    await expect(page.getByRole('row', { name: 'Speed 4800 MT/s 6400 MT/s' })).toBeVisible()
    await expect(page.getByRole('row', { name: 'Memory profile not noted on' })).toBeVisible()
  } finally {
    await shop.end()
  }
})

test('the system’s error log before and after: new memory errors keep it from being handed over', async ({
  page,
  app,
}) => {
  const report = (count: number) =>
    `hardware errors, kept in the log:
${Array.from(
  { length: count },
  (_, at) => `TimeCreated : 11/${at + 1}/2026 09:14:02
Id          : 47
Message     : A corrected hardware error has occurred.

              Component: Memory
              Error Source: Corrected Machine Check
`,
).join('\n')}`
  const { address } = await fittedJob(page, app, 'Ottoline Brand', async (job) => {
    await page.goto(`${job}/identify`)
    await page.getByLabel('Paste, drop or photograph').fill(report(2))
    await page.getByRole('button', { name: 'Read it' }).click()
    await saved(page)
  })

  await page.goto(`${address}/verify`)
  const log = page.getByRole('region', { name: 'Error log' })
  await expect(log).toContainText(
    'As it came in: 2 memory errors corrected, in all that the log keeps',
  )
  const paste = async (count: number) => {
    await page.getByText('From a system report or the setup').click()
    await page.getByLabel('Paste it').fill(report(count))
    await page.getByRole('button', { name: 'Fill in' }).click()
    await page.getByText('From a system report or the setup').click()
  }
  await paste(5)
  await expect(log).toContainText('3 new memory errors. Not to be handed over')
  await saved(page)
  await page.goto(`${address}/handover`)
  await expect(page.getByText('the system’s error log since the fitting').first()).toBeVisible()
  await page.goto(`${address}/verify`)
  // After a module was changed the log has no more than then.
  await paste(5)
  await expect(log).toContainText('No new memory error.')
  await saved(page)
  await page.goto(`${address}/handover`)
  await expect(page.getByRole('region', { name: 'What we did' })).toContainText(
    'The system’s own log shows no memory error since then.',
  )
})

test('no open point hides another: a four-hour test that ran one stands beside a slot nobody saw', async ({
  page,
  app,
}) => {
  const { address } = await fittedJob(page, app, 'Idony Fell')
  await page.goto(`${address}/verify`)
  await page.getByLabel('Memory in all, GB, seen').fill('16')
  const soak = page.getByRole('region', { name: 'Soak test' })
  await soak.getByLabel('Passes').last().fill('1')
  await soak.getByLabel('Errors').fill('1')
  await soak.getByLabel('Hours').fill('1')
  await soak.getByRole('button', { name: 'Note it' }).click()
  await expect(soak).toContainText('1 error')
  await saved(page)
  await page.goto(`${address}/handover`)
  const open = page.getByRole('region', { name: 'Open points' })
  await expect(open).toContainText('shows errors')
  await expect(open).toContainText(
    'Nobody has seen every slot, the speed, and the channels at work.',
  )
  await expect(open).toContainText('Tested for 1 hour; the shop’s rule is 4 hours.')
  await expect(open).toContainText('No quote is approved.')
  await open.getByRole('link', { name: 'Close it in Quote' }).click()
  await expect(page.getByRole('heading', { name: 'Quote', exact: true })).toBeVisible()
})

test('a collected job stays as it is: what is typed later is not taken, and it says so', async ({
  page,
  app,
}) => {
  const { address, id } = await fittedJob(page, app, 'Sybil Crane')
  const api = `${app.address}/api/v1`
  const made = await page.request.post(`${api}/handovers`, { data: { jobId: id } })
  const { id: handover } = await made.json()
  const at = '2030-01-20T10:00:00.000Z'
  const document = signedReport('Sybil Crane', {
    serial: 'SHELF-77',
    shop: { months: 24, from: '2030-01-20', until: '2032-01-20' },
  })
  const by = { name: 'Sybil Crane', at, by: 'Mika' }
  const change = (version: number, fields: object) =>
    page.request.patch(`${api}/handovers/${handover}`, { data: { version, ...fields } })
  expect((await change(1, { signed: { ...by, drawn: null }, document })).status()).toBe(200)
  expect((await change(2, { collected: by })).status()).toBe(200)

  await page.goto(`${address}/verify`)
  await expect(page.getByText('Collected on 20 Jan 2030.')).toBeVisible()
  await expect(page.getByLabel('Memory in all, GB, seen')).not.toBeEditable()
  await page.goto(`${address}/intake`)
  await page.getByLabel('What is wrong').fill('Something else')
  await expect(page.getByText('This job is closed and stays as it is.').first()).toBeVisible()
  await page.reload()
  await expect(page.getByLabel('What is wrong')).toHaveValue('Too slow')
  await page.getByRole('link', { name: 'new visit' }).click()
  // The visit that comes later knows what was fitted, and under whose warranty it is.
  await page.getByRole('button', { name: /begin a new visit/ }).click()
  const before = page.getByRole('region', { name: 'Fitted before' })
  await expect(before).toContainText('8 GB DDR4-2666 · SHELF-77, 20 Jan 2030')
  await expect(before).toContainText('Under our warranty until 20 Jan 2032.')
})

test('a declined quote ends the job in three presses, keeps nothing from the shelf, and comes back as a new visit', async ({
  page,
  app,
}) => {
  const { address, id } = await newJob(page, app, 'Lorcan Veil', 'Heron 15', { A: '8GB 1Rx8' })
  await page.goto(`${address}/quote`)
  await page.getByRole('button', { name: 'It ends without work' }).click()
  const dialog = page.getByRole('dialog', { name: 'End this job without work' })
  await dialog.getByLabel('the customer declined the quote').check()
  await dialog.getByRole('button', { name: 'End the job' }).click()
  await expect(
    page.getByText(/Ended without work on .*: the customer declined the quote\./),
  ).toBeVisible()
  await saved(page)
  const api = `${app.address}/api/v1`
  const job = await (await page.request.get(`${api}/jobs/${id}`)).json()
  expect(job).toMatchObject({ stage: 'closed', withoutWork: { as: 'declined', fee: null } })
  // Nobody signs for it, and nothing of it is changed any more.
  await expect(page.getByRole('region', { name: 'Sign-off' })).toHaveCount(0)
  const late = await page.request.patch(`${api}/jobs/${id}`, {
    data: { version: job.version, complaint: 'late' },
  })
  expect(late.status()).toBe(409)
  await page.getByRole('button', { name: /begin a new visit/ }).click()
  await expect(page.getByRole('heading', { name: 'Intake' })).toBeVisible()
})

test('the palette ends a job by what people would type, with a fee where there is one', async ({
  page,
  app,
}) => {
  const { address } = await newJob(page, app, 'Petra Lunt', 'Heron 15', { A: '8GB 1Rx8' })
  await page.goto(`${address}/identify`)
  await expect(page.getByRole('heading', { name: 'Identify' })).toBeVisible()
  for (const typed of ['delete', 'close', 'cancel']) {
    await page.keyboard.press('ControlOrMeta+k')
    const palette = page.getByRole('dialog')
    await palette.getByRole('combobox').fill(typed)
    await expect(palette.getByRole('option', { name: /ends without work/ })).toBeVisible()
    if (typed !== 'cancel') await page.keyboard.press('Escape')
  }
  await page.getByRole('option', { name: /ends without work/ }).click()
  const dialog = page.getByRole('dialog', { name: 'End this job without work' })
  await dialog.getByLabel('it is not worth it').check()
  await dialog.getByLabel(/^Fee/).fill('25')
  await dialog.getByRole('button', { name: 'End the job' }).click()
  await expect(page.getByText(/it is not worth it, for a fee of €25\.00\./)).toBeVisible()
  await saved(page)
})
