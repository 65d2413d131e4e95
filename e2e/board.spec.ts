import { drag, expect, figure, openJob, saved, slotButton, test } from './fixtures'

test('everything at the board goes by keyboard', async ({ page, app }) => {
  await openJob(page, app, 'Wren', 'plan')
  await expect(page.getByText('Channels hold different amounts')).toBeVisible()

  await slotButton(page, 'A1').focus()
  await page.keyboard.press('Delete')
  await expect(slotButton(page, 'A1')).toContainText('taken out')
  await expect(figure(page, 'Channels')).toContainText('dual channel')
  await expect(figure(page, 'Speed')).toContainText('5200 MT/s')

  await slotButton(page, 'A2').focus()
  await page.keyboard.press('Enter')
  await expect(slotButton(page, 'B1')).toContainText('key 3')
  await page.keyboard.press('3')
  await expect(slotButton(page, 'B1')).toContainText('16 GB')
  await expect(page.getByRole('heading', { name: 'Runs on a single channel' })).toBeVisible()

  await page.keyboard.press('Control+z')
  await expect(slotButton(page, 'A2')).toContainText('16 GB')
  await page.keyboard.press('Control+z')
  await expect(slotButton(page, 'A1')).toContainText('8 GB')
  await page.keyboard.press('Control+Shift+z')
  await expect(slotButton(page, 'A1')).toContainText('taken out')

  await slotButton(page, 'B2').focus()
  await page.keyboard.press('Enter')
  await page.keyboard.press('Escape')
  await expect(slotButton(page, 'B2')).toContainText('16 GB')
  await saved(page)
})

test('tapping a module and then a slot puts it there; dragging it to the tray takes it out', async ({
  page,
  app,
}) => {
  await openJob(page, app, 'Ketteler', 'plan')
  const tray = page.getByRole('region', { name: 'Tray' })
  await tray.getByRole('button', { name: /^32 GB.*€74/ }).click()
  await slotButton(page, 'SLOT').click()
  await expect(figure(page, 'Capacity')).toContainText('36 GB')
  await expect(page.getByRole('figure', { name: 'Memory across channels' })).toContainText(
    '8 GB over A and B',
  )
  await drag(page, slotButton(page, 'SLOT'), tray)
  await expect(slotButton(page, 'SLOT')).toContainText('taken out')
  await expect(figure(page, 'Capacity')).toContainText('8 GB')

  // Also where it is let go over a piece that is another job's, and cannot be pressed.
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(slotButton(page, 'SLOT')).toContainText('32 GB')
  const kept = tray.getByRole('button', { disabled: true }).first()
  await kept.scrollIntoViewIfNeeded()
  await drag(page, slotButton(page, 'SLOT'), kept)
  await expect(slotButton(page, 'SLOT')).toContainText('taken out')
})

test('what cannot work is stopped in plain words, at its slot', async ({ page, app }) => {
  await openJob(page, app, 'Varga', 'plan')
  const tray = page.getByRole('region', { name: 'Tray' })
  await tray
    .getByRole('button', { name: /more do not fit/ })
    .first()
    .click()
  await tray.getByRole('button', { name: /^4 GB DDR3.*does not fit/ }).click()
  await slotButton(page, 'B').click()
  await expect(page.getByRole('heading', { name: 'Wrong generation in B' })).toBeVisible()
  await expect(page.getByText('This machine takes DDR4.')).toBeVisible()
  await expect(figure(page, 'Speed')).toContainText('–')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(figure(page, 'Speed')).toContainText('2666 MT/s')
})

test('a memory profile is asked for at its gate', async ({ page, app }) => {
  await openJob(page, app, 'Aldwin', 'plan')
  await expect(figure(page, 'Speed')).toContainText('6400 MT/s')
  await page.getByRole('checkbox', { name: 'Enable' }).click()
  await expect(figure(page, 'Speed')).toContainText('5200 MT/s')
  await expect(page.getByRole('heading', { name: 'A faster memory profile' })).toBeVisible()
  await page.getByRole('checkbox', { name: 'Enable' }).click()
  await expect(figure(page, 'Speed')).toContainText('6400 MT/s')
  await saved(page)
})

test('a machine with all its memory soldered is said to be one', async ({ page, app }) => {
  await openJob(page, app, 'Morrow', 'identify')
  await expect(page.getByText('Nothing to upgrade here:')).toBeVisible()
  await expect(page.getByRole('link', { name: /Plan/ })).toContainText('all memory is soldered')
})
