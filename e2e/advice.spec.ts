import type { Page } from '@playwright/test'
import type { Application } from './application'
import { drag, expect, figure, newJob, openJob, saved, slotButton, test } from './fixtures'

/** Says what a machine is used for, and where its graphics are. */
async function usedFor(page: Page, uses: readonly string[], graphics: string) {
  for (const use of uses) await page.getByRole('button', { name: use, exact: true }).click()
  await page.getByLabel('Graphics', { exact: true }).selectOption({ label: graphics })
}

const verdict = (page: Page) => page.getByRole('region', { name: 'What to spend on' })
const freeFirst = (page: Page) => page.getByRole('region', { name: 'Free first' })

async function ask(page: Page, app: Application, path: string) {
  return (await page.request.get(`${app.address}/api/v1/${path}`)).json()
}
async function send(
  page: Page,
  app: Application,
  method: 'post' | 'patch',
  path: string,
  data: object,
) {
  return (await page.request[method](`${app.address}/api/v1/${path}`, { data })).json()
}

test('a single module with integrated graphics: its twin, from Size to the quote', async ({
  page,
  app,
}) => {
  const { address } = await newJob(page, app, 'Vera Lindqvist', 'Heron 15', { A: '16GB 2Rx8' })
  await page.goto(`${address}/size`)
  await expect(verdict(page)).toHaveAttribute('data-verdict', 'measure')
  await expect(verdict(page)).toContainText('What is it used for?')
  await page.getByRole('button', { name: 'Games', exact: true }).click()
  await expect(verdict(page)).toContainText('Are the graphics in the processor?')
  await page.getByRole('checkbox', { name: 'moving pictures, games' }).click()
  await usedFor(page, [], 'in the processor')

  await expect(verdict(page)).toHaveAttribute('data-verdict', 'layout')
  await expect(verdict(page)).toContainText('All its memory works on one channel.')
  await expect(verdict(page)).toContainText(/1 module of 16 GB in B should bring: \d+–\d+ % faster/)
  await expect(freeFirst(page)).toHaveCount(0)
  await saved(page)

  await page.getByRole('link', { name: 'On to Plan' }).click()
  const twin = page
    .getByRole('region', { name: 'Tray' })
    .getByRole('button', { name: /^16 GB DDR4-3200 SO-DIMM.*€39/ })
    .first()
  await drag(page, twin, slotButton(page, 'B'))
  await expect(figure(page, 'Channels')).toContainText('dual channel')
  await expect(page.getByRole('region', { name: 'Expected gain' })).toContainText(
    /\d+–\d+ % faster/,
  )
  await saved(page)
  await page.getByRole('link', { name: 'On to Quote' }).click()
  await page.getByRole('button', { name: 'Quote the plan on the board' }).click()
  await expect(page.getByLabel('For the customer')).toHaveValue(
    /memory is read along two paths at once instead of one.*we expect it to be \d+–\d+ % faster/,
  )
})

test('questions about games stay open while they are answered, and decide what limits them', async ({
  page,
  app,
}) => {
  const { address, id } = await newJob(page, app, 'Gail Spelman', 'Heron 15', { A: '16GB 2Rx8' })
  await page.goto(`${address}/size`)
  await usedFor(page, ['Games'], 'a card or chip with memory of its own')
  await expect(page.getByText('Not known yet: forecasts go over both.')).toBeVisible()
  await page.getByLabel('Mostly', { exact: true }).selectOption('strategy')
  await expect(page.getByText('By the answers: mostly the processor and memory.')).toBeVisible()
  await page.getByLabel('Frames a second wanted').fill('120')
  await page.getByLabel('The display shows, Hz').fill('60')
  await expect(page.getByText('The display shows 60 pictures a second')).toBeVisible()
  await page.getByLabel('Its own peak, GB').fill('12')
  await saved(page)
  const { sizing } = await ask(page, app, `jobs/${id}`)
  expect(sizing.uses).toMatchObject([
    { use: 'games', peakGiB: 12, game: { kind: 'strategy', frames: 120, displayHz: 60 } },
  ])
})

test('two modules on one channel are put right for nothing, and handed over', async ({
  page,
  app,
}) => {
  const { address, id } = await newJob(page, app, 'Runa Helm', 'Gannet 24 All-in-one', {
    A0: '8GB 1Rx8',
    A1: '8GB 1Rx8',
  })
  await page.goto(`${address}/size`)
  await usedFor(page, ['Drawing in three dimensions'], 'in the processor')
  await page.getByLabel(/^How heavily: Drawing/).selectOption('light')
  await expect(verdict(page)).toHaveAttribute('data-verdict', 'layout')
  await expect(verdict(page)).toContainText('not in the slots that its maker fills first')
  await expect(freeFirst(page)).toContainText('Free first: move the module from A1 to B0')
  await expect(freeFirst(page)).toContainText(/Takes about \d+ min; the job can end with it\./)
  await freeFirst(page).getByRole('button', { name: 'Plan this' }).click()

  await expect(slotButton(page, 'B0')).toContainText('8 GB')
  await expect(figure(page, 'To buy')).toContainText('€0.00')
  await expect(freeFirst(page)).toContainText('This is the plan on the board.')
  await saved(page)
  await page.getByRole('link', { name: 'On to Quote' }).click()
  await page.getByRole('button', { name: 'Quote the plan on the board' }).click()
  await expect(page.getByLabel('For the customer')).toHaveValue(
    /We move what is there to the slots where it works best\. Nothing has to be bought\./,
  )
  await page.getByRole('button', { name: 'Approved' }).click()
  await expect(page.getByText('Approved by Runa Helm')).toBeVisible()
  await saved(page)

  await page.getByRole('link', { name: /Fit/ }).first().click()
  await expect(page.getByRole('heading', { name: /maker’s instructions/ })).toBeVisible()
  await saved(page)
  const { fits } = await ask(page, app, `jobs/${id}`)
  const fit = fits[0] ?? (await send(page, app, 'post', 'fits', { jobId: id }))
  await send(page, app, 'patch', `fits/${fit.id}`, { version: fit.version, finished: true })
  await page.goto(`${address}/handover`)
  const done = page.getByRole('region', { name: 'What we did' })
  await expect(done).toContainText('We moved its modules to the slots where they work best.')
  await expect(page.getByRole('region', { name: 'What you gain' })).toContainText(
    /we expect it to be \d+–\d+ % faster/,
  )
})

test('a gain that changed ranks and the driver too is credited to all of them', async ({
  page,
  app,
}) => {
  const job = await newJob(page, app, 'Ilse Ranke', 'Heron 15', { A: '8GB 1Rx16' })
  const file = await ask(page, app, `jobs/${job.id}`)
  const [own] = file.modules
  const piece = await send(page, app, 'post', 'modules', {
    source: 'shelf',
    module: { ...own.module, article: 'Larkfield L4-8 2R', ranks: 2, deviceWidth: 8 },
    price: 2300,
    condition: 'new',
  })
  const [plan] = file.plans
  await send(page, app, 'patch', `plans/${plan.id}`, {
    version: plan.version,
    placement: { A: { moduleId: piece.id, unit: 0 } },
  })
  const fit = await send(page, app, 'post', 'fits', { jobId: job.id })
  await send(page, app, 'patch', `fits/${fit.id}`, {
    version: 1,
    removed: { [own.id]: { to: 'customer', shelfId: crypto.randomUUID() } },
    finished: true,
  })
  const session = (configuration: string, runs: number[], driver: string) =>
    send(page, app, 'post', 'measurements', {
      jobId: job.id,
      test: 'Orchard flight',
      unit: 'frames/s',
      better: 'higher',
      configuration,
      runs,
      conditions: { driver },
    })
  for (const run of [50, 50.4]) await session('before', [run, run + 0.1, run - 0.1], '31.1')
  for (const run of [58, 58.3]) await session('after', [run, run + 0.1, run - 0.1], '31.2')

  await page.goto(`${job.address}/verify?tab=measured`)
  await expect(
    page.getByText(
      'This change alters the ranks, the device width, and the driver at once: a gain is of all of them together.',
    ),
  ).toBeVisible()
  await page.goto(`${job.address}/handover`)
  await expect(page.getByRole('region', { name: 'What you gain' })).toContainText(
    /Orchard flight: 16 % faster.*It comes from how the modules are built and the driver together\./,
  )
})

/** A job like one of the demonstration, so that no other test finds that one changed. */
async function jobLike(page: Page, app: Application, search: string, customer: string) {
  const [line] = await ask(page, app, `jobs?search=${search}`)
  const { machine, modules, found, sizing } = await ask(page, app, `jobs/${line.id}`)
  const job = await send(page, app, 'post', 'jobs', {
    customer: { name: customer },
    machine: { machine: machine.machine, modelId: machine.modelId },
    sizing,
  })
  const copies: Record<string, string> = {}
  for (const { id, module } of modules) {
    const data = { jobId: job.id, source: 'customer', module }
    copies[id] = (await send(page, app, 'post', 'modules', data)).id
  }
  const own = Object.entries(found as Record<string, { moduleId: string }>).map(
    ([id, { moduleId }]) => [id, { moduleId: copies[moduleId] }],
  )
  const { version } = await ask(page, app, `jobs/${job.id}`)
  await send(page, app, 'patch', `jobs/${job.id}`, { version, found: Object.fromEntries(own) })
  return `${app.address}/jobs/${job.id}`
}

test('a plan from the maker’s list, asked for and promised', async ({ page, app }) => {
  const address = await jobLike(page, app, 'Wren', 'Olga Listing')
  await page.goto(`${address}/plan?tab=options`)
  const picks = page.getByRole('list', { name: 'Picks' })
  await expect(picks.getByRole('button', { name: /Lowest cost/ })).toContainText('€79.00')
  await page.getByRole('checkbox', { name: /Only what the maker’s list names/ }).click()
  await expect(picks.getByRole('button', { name: /Lowest cost/ })).toContainText('€93.00')
  await picks.getByRole('button', { name: /Best for this use/ }).click()
  await saved(page)
  await page.getByRole('tab', { name: 'This plan' }).click()
  await expect(page.getByRole('region', { name: 'Validated list' })).toContainText(
    'listed for 2 modules.',
  )
  await page.getByRole('link', { name: 'On to Quote' }).click()
  await page.getByRole('button', { name: 'Quote the plan on the board' }).click()
  await expect(page.getByLabel('For the customer')).toHaveValue(
    /All of it is on the maker’s list of modules tested in this computer \(“Kestrel memory list, 2nd edition”\)\./,
  )
})

test('two machines are compared before one is bought', async ({ page, app }) => {
  await page.goto(`${app.address}/what-if`)
  await page.getByRole('link', { name: 'Compare machines before buying' }).click()
  await page.getByLabel('Memory needed, GB usable').fill('16')
  const add = page.getByRole('button', { name: 'Add a machine' })
  await add.click()
  await add.click()
  const [first, second] = [1, 2].map((at) =>
    page.getByRole('region', { name: `Machine ${at}`, exact: true }),
  ) as [ReturnType<Page['getByRole']>, ReturnType<Page['getByRole']>]
  await first.getByLabel('Its price').fill('620')
  await first.getByLabel('In A of machine 1').selectOption('8')
  await first.getByLabel(/^Its maker asks/).fill('120')
  await second
    .getByRole('combobox', { name: 'Machine 2', exact: true })
    .selectOption({ label: 'Laptop, 4 GB soldered and 1 slot, DDR4' })
  await second.getByLabel('Its price').fill('560')
  await second.getByLabel('In SLOT of machine 2').selectOption('4')

  const outcome = (of: typeof first) => of.getByLabel('Outcome')
  await expect(outcome(first)).toContainText('16 GB, dual channel')
  await expect(outcome(first)).toContainText(/€740\.00, €1\d\d\.00 more/)
  await expect(outcome(first)).toContainText('nothing')
  await expect(outcome(second)).toContainText('only by “Capacity first”')
  await expect(outcome(second)).toContainText(/Thrown away\s*4 GB/)

  await page.reload()
  await expect(first.getByLabel('Its price')).toHaveValue('620')
  await second.getByRole('button', { name: 'Remove machine 2' }).click()
  await expect(second).toHaveCount(0)
})

test('another spend is quoted beside memory, and a disk is not given away', async ({
  page,
  app,
}) => {
  await openJob(page, app, 'Lindgard', 'size')
  await expect(verdict(page)).toHaveAttribute('data-verdict', 'disk')
  await verdict(page).getByRole('link', { name: 'Quote' }).click()
  await page
    .getByRole('combobox', { name: 'Offer something other than memory' })
    .selectOption('disk')
  await expect(page.getByText('The disk has no price.').first()).toBeVisible()
  await page.getByLabel('Amount of further line 1').fill('64')
  await expect(page.getByText('The disk has no price.')).toHaveCount(0)
  await expect(page.getByLabel('For the customer')).toHaveValue(/We put a solid-state disk/)
  await expect(page.getByText('Work, 45 minutes')).toBeVisible()
})
