import { expect, newJob, openJob, saved, slotButton, test } from './fixtures'

test('what a job found becomes a record, is corrected, and starts the next job', async ({
  page,
  app,
}) => {
  await openJob(page, app, 'Ketteler', 'identify')
  await page.getByRole('button', { name: 'Keep it as a record' }).click()
  const naming = page.getByRole('dialog', { name: 'Keep this machine as a record' })
  await naming.getByLabel('Model').fill('')
  await naming.getByRole('button', { name: 'Keep it' }).click()
  await expect(naming).toContainText('Name the model.')
  await naming.getByLabel('Model').fill('Dunlin 13 Slim')
  await naming.getByRole('button', { name: 'Keep it' }).click()
  await page.getByRole('main').getByRole('link', { name: 'Dunlin 13 Slim' }).click()
  await expect(page.getByRole('heading', { name: 'Dunlin 13 Slim' })).toBeVisible()

  await page.getByLabel('Minutes to open and close').fill('soon')
  await expect(page.getByText('These are no minutes.')).toBeVisible()
  await page.getByLabel('Minutes to open and close').fill('25')
  await page.getByRole('button', { name: 'Caution', exact: true }).click()
  await page.getByRole('textbox', { name: 'In all, GB', exact: true }).fill('24')
  await expect(page.getByLabel('Source of In all, GB', { exact: true })).toHaveValue('typed')
  await page.getByLabel('Source of In all, GB', { exact: true }).selectOption('manual')

  const handle = page.getByRole('button', { name: /^Slot SLOT, drawn at/ })
  const before = await handle.getAttribute('aria-label')
  await handle.press('ArrowDown')
  await expect(handle).not.toHaveAttribute('aria-label', before ?? '')
  await saved(page)
  await page.reload()
  await expect(page.getByLabel('Minutes to open and close')).toHaveValue('25')
  await expect(page.getByLabel('Source of In all, GB', { exact: true })).toHaveValue('manual')
  await page.getByText('History', { exact: true }).click()
  await expect(page.getByRole('list', { name: 'History' })).toContainText('opening time')

  await page.goto(`${app.address}/jobs/new`)
  await page.getByLabel('Name').fill('Rupert Sommer')
  await page.getByLabel('Find a machine').fill('dunlin')
  await page.getByRole('radio', { name: /Dunlin 13 Slim/ }).check()
  await page.getByRole('button', { name: 'Start the job' }).click()
  await expect(page.getByRole('heading', { name: 'Identify', exact: true })).toBeVisible()
  await expect(page.getByText('opens in about 25 minutes')).toBeVisible()
  await expect(page.getByText('Battery plug off first.')).toBeVisible()
  await expect(slotButton(page, 'SLOT')).toContainText('not seen yet')

  await page.getByText('Limits', { exact: true }).click()
  await page.getByRole('textbox', { name: 'In all, GB', exact: true }).fill('40')
  await page.getByRole('button', { name: /^Merge 1 back/ }).click()
  const dialog = page.getByRole('dialog')
  await expect(dialog.getByRole('row', { name: /Limit in all/ })).toContainText('24 GB')
  await dialog.getByRole('button', { name: 'Merge', exact: true }).click()
  await saved(page)
  await page.getByRole('main').getByRole('link', { name: 'Dunlin 13 Slim' }).click()
  await expect(page.getByRole('textbox', { name: 'In all, GB', exact: true })).toHaveValue('40')
})

test('a slot is dragged to where it sits, and the job’s board shows it there', async ({
  page,
  app,
}) => {
  await page.goto(`${app.address}/machines`)
  await page.getByLabel('Search').fill('wagtail')
  await page.getByRole('link', { name: 'Wagtail Mini Tower' }).click()
  const handle = page.getByRole('button', { name: /^Slot A1, drawn at/ })
  /** Places are kept to a tenth of a per cent, so to a pixel or so. */
  const isAt = (x: number) =>
    expect.poll(async () => Math.abs(((await handle.boundingBox())?.x ?? 0) - x)).toBeLessThan(1.6)
  const draggedLeft = async (by: number) => {
    const from = await handle.boundingBox()
    if (!from) throw new Error('the slot is not drawn')
    const [x, y] = [from.x + from.width / 2, from.y + from.height / 2]
    await page.mouse.move(x, y)
    await page.mouse.down()
    await page.mouse.move(x - by, y, { steps: 6 })
    // It is under the hand while it is moved, too.
    await isAt(from.x - by)
    await page.mouse.up()
    await isAt(from.x - by)
  }
  await draggedLeft(60)
  const small = (await handle.boundingBox())?.width ?? 0
  await page.getByRole('button', { name: 'Zoom in' }).click()
  await expect
    .poll(async () => Math.round((await handle.boundingBox())?.width ?? 0))
    .toBe(Math.round(small * 1.5))
  await draggedLeft(30)
  await page.getByRole('button', { name: 'The whole picture' }).click()
  const moved = (await handle.boundingBox())?.x ?? 0
  await saved(page)

  // Taken back, over a reload too, and done again.
  await page.reload()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText('Taken back: a machine record.').first()).toBeVisible()
  await isAt(moved + 20)
  await page.getByRole('button', { name: 'Undo' }).click()
  await isAt(moved + 80)
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled()
  await page.getByRole('button', { name: 'Redo' }).click()
  await page.getByRole('button', { name: 'Redo' }).click()
  await isAt(moved)
  await saved(page)
})

test('a validated list is imported, its columns remembered, and looked up in Plan', async ({
  page,
  app,
}) => {
  await openJob(page, app, 'Hallow', 'plan')
  const standing = page.getByRole('region', { name: 'Validated list' })
  await expect(standing.locator('[data-standing=listed]')).toContainText('listed for 2 modules')

  await page.goto(`${app.address}/machines`)
  await page.getByRole('link', { name: 'Kestrel Tower' }).click()
  const choose = (text: string) =>
    page
      .getByLabel('Validated list', { exact: true })
      .setInputFiles({ name: 'third.csv', mimeType: 'text/csv', buffer: Buffer.from(text) })
  const dialog = page.getByRole('dialog')
  await choose('Thing;Code;Places\nx;Quillen Q5-16-5600;4\ny;Wendover W5-16-6000;1\nz;;2\n')
  await dialog.getByLabel('Part number').selectOption('Code')
  await dialog.getByLabel('Slots tested').selectOption('Places')
  await expect(dialog.getByText('2 entries of 3 rows')).toBeVisible()
  await expect(dialog.getByText('1 row cannot be imported')).toBeVisible()
  await expect(dialog.getByText('line 4: The part number is missing.')).toBeVisible()
  await dialog.getByRole('button', { name: 'Import 2' }).click()
  await expect(dialog).toBeHidden()
  await expect(page.getByText('third.csv')).toBeVisible()

  await choose('Thing;Code;Places\nx;Quillen Q5-16-5600;4\n')
  await expect(dialog.getByLabel('Part number')).toHaveValue('Code')
  await dialog.getByRole('button', { name: 'Cancel' }).click()

  await openJob(page, app, 'Hallow', 'plan')
  await expect(standing.locator('[data-standing=listed-for-fewer]')).toContainText(
    'listed for 1, not for 2 together',
  )
  await openJob(page, app, 'Aldwin', 'plan')
  await expect(standing.locator('[data-standing=not-listed]')).toContainText(
    'means only that it was not tested',
  )
})

test('the desk reference answers as one types', async ({ page, app }) => {
  await page.goto(`${app.address}/reference`)
  await page.getByLabel('As printed').fill('pc3l-12800')
  await expect(page.getByRole('list', { name: 'Meanings' })).toContainText('DDR3-1600 = PC3-12800')
  await page.getByLabel('As printed').fill('DDR4-1600 MHz')
  await expect(page.getByText('May be any of 2')).toBeVisible()
  await page.getByLabel('As printed').fill('fast')
  await expect(page.getByText('No match. Try')).toBeVisible()

  const clocks = page.getByRole('region', { name: 'Clocks and time' })
  await clocks.getByLabel('Speed, MT/s').fill('2666')
  await clocks.getByLabel('CL', { exact: true }).fill('19')
  // 19 × 2000 ÷ 2666.67
  await expect(clocks.getByText('14.25 ns')).toBeVisible()
  const compared = page.getByRole('region', { name: 'Two modules compared' })
  await expect(compared).toContainText('The second has the lower latency, by 3.75 ns')

  const reader = page.getByRole('region', { name: 'Label reader' })
  await reader.getByLabel(/Label, one or many/).fill('16GB 1Rx8 PC5-5600B-SA0-1010-XT')
  await expect(reader.getByRole('row', { name: /Rated speed/ })).toContainText(
    '5600 MT/s, 46-45-45',
  )
  await page.getByLabel('Search the words').fill('half')
  await expect(page.getByRole('term').filter({ hasText: /^Clock$/ })).toBeVisible()

  // The tables that are worked with, each with its reason and its month.
  const speeds = page.getByRole('region', { name: 'Standard speeds' })
  await speeds.getByLabel('Speeds of').selectOption({ label: 'DDR2' })
  await expect(speeds.getByRole('row', { name: /^800/ })).toContainText('6-6-6-18')
  const times = page.getByRole('region', { name: 'How long it takes' })
  await expect(times.getByRole('row', { name: /four large modules/ })).toContainText('10–20')
  await expect(times).toContainText('As of November 2026')
  const uses = page.getByRole('region', { name: 'Memory by use' })
  await expect(uses.getByRole('row', { name: /The system itself/ })).toContainText('4.5')
})

test('a record that was corrected later is taken over by a job begun before', async ({
  page,
  app,
}) => {
  const { address } = await newJob(page, app, 'Late Ruling', 'Heron 15', {})
  await page.goto(`${address}/identify`)
  const models = await (await page.request.get(`${app.address}/api/v1/models`)).json()
  const record = models.find(
    (one: { machine: { name: string } }) => one.machine.name === 'Heron 15',
  )
  const machine = { ...record.machine, limits: { ...record.machine.limits, totalGiB: 48 } }
  const data = { version: record.version, machine }
  expect(
    (await page.request.patch(`${app.address}/api/v1/models/${record.id}`, { data })).ok(),
  ).toBe(true)
  await page.reload()
  await page.getByRole('button', { name: /^Take over from the record/ }).click()
  const dialog = page.getByRole('dialog', { name: 'Take over from Heron 15' })
  await dialog.getByRole('checkbox', { name: /Limit in all/ }).check()
  await dialog.getByRole('button', { name: 'Take over' }).click()
  await saved(page)
  await page.getByText('Limits', { exact: true }).click()
  await expect(page.getByRole('textbox', { name: 'In all, GB', exact: true })).toHaveValue('48')
  // Put back, since tests share the shop.
  const back = { version: record.version + 1, machine: record.machine }
  await page.request.patch(`${app.address}/api/v1/models/${record.id}`, { data: back })
})
