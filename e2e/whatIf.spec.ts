import { expect, figure, slotButton, test } from './fixtures'

test('from nothing to an answer in a few presses, and a link that holds all of it', async ({
  page,
  app,
  browser,
}) => {
  await page.goto(app.address)
  await page.getByRole('link', { name: 'What if' }).click()
  await page.getByRole('button', { name: /^Desktop, 2 slots, DDR4/ }).click()
  await page.getByRole('button', { name: 'Put in 8 GB' }).click()
  const answer = page.getByRole('status', { name: 'Answer' })
  await expect(answer).toContainText('Yes, but. 8 GB, single channel, 2666 MT/s')
  await page.getByRole('button', { name: 'Put in 16 GB' }).click()
  await expect(figure(page, 'Capacity')).toContainText('24 GB')
  await expect(page.getByText('Channels hold different amounts')).toBeVisible()
  await expect(page.getByText(/Risk of mixing:/)).toBeVisible()

  await page.keyboard.press('Control+z')
  await expect(slotButton(page, 'B1')).toContainText('empty')
  await page.getByRole('button', { name: 'Put in 8 GB' }).click()
  await expect(answer).toContainText('Yes. 16 GB, dual channel')

  await page.getByLabel('or by its label').fill('8GB 1Rx8 PC3-12800U-11')
  await page.getByRole('button', { name: 'Put in', exact: true }).click()
  const odd = page.getByRole('region', { name: 'Tray' }).getByRole('button', { name: /DDR3-1600/ })
  await odd.click()
  await slotButton(page, 'B1').click()
  await expect(answer).toContainText('No.')
  await expect.poll(() => page.url()).toContain('#')

  await page.getByRole('button', { name: 'Another machine' }).click()
  await expect(answer).toBeHidden()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(answer).toContainText('No.')

  const elsewhere = await browser.newPage()
  await elsewhere.goto(page.url())
  await expect(slotButton(elsewhere, 'A1')).toContainText('8 GB')
  await expect(elsewhere.getByRole('status', { name: 'Answer' })).toContainText('No.')
  await elsewhere.close()

  await page.reload()
  await expect(answer).toContainText('No.')
})

test('a link that was cut on its way says so', async ({ page, app }) => {
  await page.goto(`${app.address}/what-if#abcdefgh`)
  await expect(page.getByRole('alert')).toContainText('The link could not be opened')
  await page.getByRole('button', { name: /^Laptop, 2 slots/ }).click()
  await expect(slotButton(page, 'A')).toBeVisible()
})
