import { expect, figure, newJob, openJob, saved, test } from './fixtures'

test('a fast kit is set to the ceiling, and a ladder climbed to its end', async ({ page, app }) => {
  // A kit sold at 6400 on a tower whose controller follows the memory up to 6000.
  await openJob(page, app, 'Aldwin', 'plan')
  await page.getByRole('tab', { name: 'Tune' }).click()
  const values = page.getByRole('region', { name: 'Setup values' })
  await expect(values.getByRole('row', { name: /^as rated \(half rate\)/ })).toContainText('6400')
  await expect(values.getByRole('row', { name: /^as proposed/ })).toContainText('6000')
  await expect(values).toContainText('As rated the controller drops to half rate')
  await expect(page.getByRole('img', { name: /Latency against speed/ })).toBeVisible()
  await page.getByText(/speeds in figures/).click()
  const picture = page.getByRole('region', { name: 'Speed against latency' })
  await expect(picture.getByRole('row', { name: /6400 rated half rate/ })).toBeVisible()
  await values.getByRole('button', { name: 'Plan with 6000 MT/s' }).click()
  await expect(figure(page, 'Speed')).toContainText('6000 MT/s')

  const ladder = page.getByRole('region', { name: 'Ladder' })
  const next = ladder.getByRole('region', { name: 'Next rung' })
  const tried = ladder.getByRole('listitem')
  await expect(next).toContainText('As rated')
  await expect(next).toContainText('6400 MT/s')
  await next.getByLabel('Minutes').fill('soon')
  await next.getByRole('button', { name: 'Passed' }).click()
  await expect(next.getByText('A figure.')).toBeVisible()
  // A test of no minutes is cut short, and the rung stands.
  await next.getByLabel('Minutes').fill('0')
  await next.getByRole('button', { name: 'Passed' }).click()
  await expect(tried.first()).toContainText('cut short after 0 min')
  await expect(next).toContainText('As rated')
  await expect(next).toContainText('The way back: the values as found')
  await ladder.getByRole('button', { name: 'Take the last back' }).click()
  await expect(tried).toHaveCount(0)
  await next.getByLabel('Minutes').fill('15')
  await next.getByRole('button', { name: 'Passed' }).click()
  await expect(tried).toHaveCount(1)
  await expect(next).toContainText('speed from 6400 to 6000 MT/s')
  await next.getByRole('button', { name: 'Passed' }).click()
  await expect(tried).toHaveCount(2)

  // It survives a reload, and is carried on by what was seen.
  await saved(page)
  await page.reload()
  await page.getByRole('tab', { name: 'Tune' }).click()
  await expect(tried).toHaveCount(2)
  for (let rung = 3; rung < 40 && (await next.isVisible()); rung += 1) {
    const long = (await next.textContent())?.includes('The soak test')
    const answer = long ? 'Passed' : rung % 2 === 0 ? 'Errors' : 'Passed'
    await next.getByRole('button', { name: answer }).click()
    await expect(tried).toHaveCount(rung)
  }
  await expect(ladder).toContainText('held through the soak test.')
  await ladder.getByRole('link', { name: 'Values for the customer' }).click()
  await expect(page.getByRole('heading', { name: 'How your memory is set' })).toBeVisible()
  await expect(page.getByRole('row', { name: /^Speed 6000 MT\/s 6400 MT\/s/ })).toBeVisible()
  await expect(page.getByText(/^A soak test of [\d.]+ hours: passed\.$/)).toBeVisible()
  await page.getByRole('link', { name: 'Back to the plan' }).click()
  await page.getByRole('tab', { name: 'Tune' }).click()
  await ladder.getByRole('button', { name: 'Plan with these values' }).click()
  await page.getByRole('link', { name: 'Plan sheet' }).click()
  await expect(page.getByRole('region', { name: 'Set by hand' })).toContainText(
    'As rated, the way back: 6400 MT/s',
  )
})

test('where the firmware offers nothing to set, tuning says so', async ({ page, app }) => {
  const { address } = await newJob(page, app, 'Ilse Marten', 'Heron 15', { A: '8GB 1Rx8' })
  await page.goto(`${address}/plan`)
  await page.getByRole('tab', { name: 'Tune' }).click()
  await expect(page.getByText('offers nothing to set by hand')).toBeVisible()
  await page.goto(`${address}/tune-sheet`)
  await expect(page.getByText('once they held through the soak test')).toBeVisible()
})
