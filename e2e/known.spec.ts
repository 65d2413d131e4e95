import { expect, saved, test } from './fixtures'
import { jobOn, module } from './jobOn'
import { untilStep } from './stepCard'

const ddr3 = (changes: object) =>
  module({
    generation: 'DDR3',
    formFactor: 'SODIMM',
    capacityGiB: 4,
    voltages: [1.5],
    speeds: [{ kind: 'standard', dataRate: 1600, cl: 11, trcd: 11, trp: 11, tras: 28 }],
    ...changes,
  })
const LAPTOP = { Kind: 'laptop', Generation: 'DDR3', Slots: '2' }
const TOWER = { Kind: 'desktop', Generation: 'DDR5', Slots: '4' }

test('a laptop with a module of another voltage is no stop, and its width is read from a report', async ({
  page,
  app,
}) => {
  const own = ddr3({ article: 'Old-4' })
  const address = await jobOn(
    page,
    app,
    'Hedda Low',
    LAPTOP,
    /^Laptop with DDR3L, 2 slots/,
    { A: own, B: ddr3({ article: 'Old-4' }) },
    {},
  )
  await page.goto(`${address}/identify`)
  const unknown = page.getByRole('region', { name: 'Still to find out' })
  await expect(unknown).toContainText('Whether the system is 32- or 64-bit')
  await expect(page.getByText('Wrong voltage')).toHaveCount(0)
  await expect(page.getByRole('region', { name: /^Board/ })).not.toContainText('does not start')
  await page
    .getByLabel('Paste, drop or photograph')
    .fill('System type            32-bit operating system, x64-based processor')
  await page.getByRole('button', { name: 'Read it' }).click()
  await expect(unknown).not.toContainText('Whether the system is 32- or 64-bit')
  await expect(page.getByRole('region', { name: 'As it runs now' })).toContainText('32-bit')
  await expect(page.getByText(/32-bit system stops near 4 GB/).first()).toBeVisible()
  await saved(page)
})

test('settings of the owner’s making are asked at intake and undone before a fault is looked for', async ({
  page,
  app,
}) => {
  const two = { A2: module({}), B2: module({}) }
  const address = await jobOn(page, app, 'Tove Marl', TOWER, /^Desktop, 4 slots, DDR5/, two, two)
  await page.goto(`${address}/intake`)
  await page.getByLabel('Settings of its owner’s making').selectOption('some')
  await page.getByLabel('Which, in short').fill('undervolted by 50 mV')
  await saved(page)
  await page.goto(`${address}/verify`)
  await page.getByRole('tab', { name: 'Fault' }).click()
  await expect(page.getByText('Settings back to defaults first.')).toBeVisible()
  await expect(page.getByText('undervolted by 50 mV')).toBeVisible()
})

test('graphics memory is planned in Size, set at the bench and expected in Verify', async ({
  page,
  app,
}) => {
  const found = { A2: module({ article: 'Plain-16' }) }
  const planned = { A2: module({ article: 'Plain-16' }), B2: module({ article: 'Plain-16' }) }
  const address = await jobOn(
    page,
    app,
    'Aud Fenner',
    TOWER,
    /^Desktop, 4 slots, DDR5/,
    found,
    planned,
  )
  await page.goto(`${address}/size`)
  await page.getByLabel('Graphics', { exact: true }).selectOption('yes')
  await page.getByLabel('Graphics are to take, GB').fill('4')
  await expect(page.getByText('28 GB of 32 GB planned stay for the system.')).toBeVisible()
  await saved(page)
  await page.goto(`${address}/fit`)
  await untilStep(page, /Graphics memory set to 4 GB/)
  await page.goto(`${address}/verify`)
  await page.getByLabel('Memory in all, GB, seen').fill('27.8')
  await expect(page.getByText(/missing|less than/i)).toHaveCount(0)
  await page.getByLabel('Memory in all, GB, seen').fill('20')
  await expect(page.getByRole('tab', { name: 'Seen (1)' })).toBeVisible()
})

test('beliefs are answered with the figures of the machine they are opened from', async ({
  page,
  app,
}) => {
  const two = { A2: module({ capacityGiB: 32 }), B2: module({ article: 'Other-16' }) }
  const address = await jobOn(page, app, 'Nils Varg', TOWER, /^Desktop, 4 slots, DDR5/, two, {})
  await page.goto(`${address}/plan`)
  await page.getByRole('link', { name: 'What customers believe' }).click()
  const beliefs = page.getByRole('region', { name: 'Beliefs' })
  await expect(beliefs).toContainText('4 slots on 2 channels.')
  await expect(beliefs).toContainText('Reads 32 GB from 2 channels at once and 16 GB from one.')
  await expect(beliefs).toContainText('2 different modules, running at')
  await page.goto(`${app.address}/reference`)
  await expect(beliefs).not.toContainText('This machine:')
})

test('a module that is too tall or of four bits a chip is said to be so', async ({ page, app }) => {
  const tall = module({ heightMm: 46, deviceWidth: 4, article: 'Tall-16' })
  const two = { A2: tall, B2: tall }
  const address = await jobOn(page, app, 'Runa Pell', TOWER, /^Desktop, 4 slots, DDR5/, two, {})
  await page.goto(`${address}/identify`)
  await page.getByText('Controller, firmware, voltage', { exact: true }).click()
  await page.getByLabel('Height beneath the cooler, mm').fill('40')
  await expect(page.getByText(/Too tall for A2 and B2/).first()).toBeVisible()
  await expect(page.getByText(/High-density module/).first()).toBeVisible()
  await page.getByLabel('Unbuffered modules of four bits a chip').selectOption('refuses them')
  await expect(page.getByText('which this machine refuses by its record').first()).toBeVisible()
  await saved(page)
})

test('the kinds that came later can be started from', async ({ page, app }) => {
  const kinds: [Record<string, string>, RegExp][] = [
    [{ Kind: 'desktop', Generation: 'DDR2', Slots: '4' }, /^Desktop with DDR2, 4 slots/],
    [{ Kind: 'desktop', Generation: 'DDR4', Slots: '8' }, /^Desktop with DDR4, 8 slots, four/],
    [{ Kind: 'all-in-one', Generation: 'DDR3', Slots: '4' }, /^All-in-one, 4 SO-DIMM slots, DDR3/],
    [{ Kind: 'workstation', Generation: 'DDR4', Slots: '4' }, /^Workstation with DDR4, 4 slots/],
  ]
  for (const [answers, kind] of kinds) {
    await jobOn(page, app, `Kind ${kind.source.length}`, answers, kind, {}, {})
    await expect(page.getByRole('region', { name: /^Board/ })).toBeVisible()
  }
})

test('a hot module, a test that left memory out, and four modules side by side are spoken of', async ({
  page,
  app,
}) => {
  const four = Object.fromEntries(['A1', 'A2', 'B1', 'B2'].map((slot) => [slot, module({})]))
  const address = await jobOn(page, app, 'Mette Hale', TOWER, /^Desktop, 4 slots, DDR5/, four, four)
  await page.goto(`${address}/verify`)
  const soak = page.getByRole('region', { name: 'Soak test' })
  await expect(soak).toContainText('4 modules warm each other')
  await soak.getByLabel('Passes').last().fill('3')
  await soak.getByLabel('Hours').fill('9')
  await soak.getByLabel('Hottest module, °C').fill('91')
  await soak.getByLabel('Reached, GB').fill('48')
  await soak.getByRole('button', { name: 'Note it' }).click()
  await expect(soak).toContainText('above 85 °C memory has to be refreshed twice as often')
  await expect(soak).toContainText('3 passes did not reach all of 64 GB')
  await expect(soak).toContainText('Made so far: 0 passes that count')
  await saved(page)
})

test('the shop’s choice of ranks and of listed modules is kept, and new jobs begin with it', async ({
  page,
  app,
}) => {
  await page.goto(`${app.address}/settings`)
  const policy = page.getByRole('region', { name: 'Buying policy' })
  await policy.getByLabel('Ranks, among plans').selectOption('two on every channel')
  await policy.getByRole('checkbox', { name: /only what the maker’s list/ }).click()
  await expect(policy.getByRole('checkbox', { name: /only what the maker’s list/ })).toBeChecked()
  await page.reload()
  await expect(policy.getByLabel('Ranks, among plans')).toHaveValue('two')
  const address = await jobOn(page, app, 'Oda Rank', TOWER, /^Desktop, 4 slots, DDR5/, {}, {})
  const job = await (
    await page.request.get(`${app.address}/api/v1/jobs/${address.split('/').at(-1)}`)
  ).json()
  expect(job.sizing.onlyListed).toBe(true)
  await page.goto(`${app.address}/settings`)
  await policy.getByRole('checkbox', { name: /only what the maker’s list/ }).click()
  await expect(
    policy.getByRole('checkbox', { name: /only what the maker’s list/ }),
  ).not.toBeChecked()
  await policy.getByLabel('Ranks, among plans').selectOption('whichever costs less')
})
