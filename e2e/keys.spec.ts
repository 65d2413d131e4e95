import { expect, openJob, test, toStep } from './fixtures'

test('the palette finds jobs, places and what can be done here; a legend shows every key', async ({
  page,
  app,
}) => {
  await openJob(page, app, 'Wren', 'plan')
  const palette = page.getByRole('dialog', { name: 'Find what can be done or opened' })
  await page.keyboard.press('Control+k')
  await expect(palette.getByRole('option', { name: 'Go to Quote' })).toBeVisible()
  await page.keyboard.type('aldwin')
  await expect(palette.getByRole('option')).toHaveText([
    /\d+Choir of Saint Aldwin/,
    /^Choir of Saint Aldwin/,
  ])
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Choir of Saint Aldwin')

  await page.keyboard.press('Control+k')
  await page.keyboard.type('go to fit')
  await expect(palette.getByRole('option')).toHaveText(['Go to Fit'])
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/\/fit$/)

  await page.keyboard.press('Control+k')
  await page.keyboard.type('no such thing')
  await expect(palette.getByText('No match.')).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(palette).toBeHidden()

  await page.keyboard.press('?')
  const legend = page.getByRole('dialog', { name: 'Keys' })
  await expect(legend).toContainText('the board alone, and back')
  await page.keyboard.press('Escape')
  await expect(legend).toBeHidden()
})

test('the board is folded to a strip and shown alone by a key; the divider stays where it was put', async ({
  page,
  app,
}) => {
  await openJob(page, app, 'Wren', 'plan')
  const board = page.getByRole('region', { name: 'Board', exact: true })
  const strip = page.getByRole('region', { name: 'Board in short' })
  const step = page.getByRole('main')
  await expect(board).toBeVisible()
  await page.keyboard.press('b')
  await expect(strip).toBeVisible()
  await expect(board).toBeHidden()
  await page.keyboard.press('b')
  await expect(board).toBeVisible()

  const wide = async () => (await step.boundingBox())?.width ?? 0
  const before = await wide()
  await page.keyboard.press('Shift+B')
  await expect.poll(wide).toBeLessThan(30)
  await page.getByRole('button', { name: 'Show the step beside the board' }).click()
  await expect.poll(wide).toBe(before)
  // Where one goes to is shown, though the board was alone.
  await page.keyboard.press('Shift+B')
  await toStep(page, 'Identify').click()
  await expect(page.getByRole('heading', { name: 'Identify' })).toBeVisible()
  await expect.poll(wide).toBe(before)
  await toStep(page, 'Plan').click()

  const divider = page.getByRole('separator')
  await divider.focus()
  await page.keyboard.press('ArrowLeft')
  await expect.poll(wide).toBeGreaterThan(before + 20)
  const moved = await wide()
  await page.reload()
  await expect(board).toBeVisible()
  await expect.poll(wide).toBeCloseTo(moved, 0)

  // Typing is no key.
  await page.goto(page.url().replace('/plan', '/identify'))
  await page.getByRole('region', { name: 'Read' }).getByRole('textbox').pressSequentially('b')
  await expect(board).toBeVisible()
})

test('a link to the work comes first, and another step is gone to at its top', async ({
  page,
  app,
}) => {
  await openJob(page, app, 'Ashby', 'identify')
  await page.keyboard.press('Tab')
  await expect(page.getByRole('link', { name: 'Skip to the work' })).toBeFocused()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('main')).toBeFocused()
  await page.getByRole('main').evaluate((main) => main.scrollTo(0, 600))
  await toStep(page, 'Plan').click()
  await expect(page.getByRole('heading', { name: 'Plan' })).toBeVisible()
  await expect(page.getByRole('main')).toBeFocused()
  expect(await page.getByRole('main').evaluate(({ scrollTop }) => scrollTop)).toBe(0)
})
