import { approvedJob } from './approvedJob'
import { expect, saved, test } from './fixtures'

test('parts that are late: the bench says where each is, trials go without it, and a wrong one is not fitted', async ({
  page,
  app,
}) => {
  const job = await approvedJob(page, app, 'Lotte Laterly', 'Tarn Supplies')
  const absent = page.getByRole('region', { name: 'Parts not here' })
  await page.goto(`${job.address}/fit`)
  await expect(absent).toContainText('nobody has ordered it')
  await expect(absent).toContainText('Meanwhile: read the cautions, back up')

  // The fault finder looks for the fault among what is in the machine.
  await page.goto(`${job.address}/verify?tab=fault`)
  await expect(page.getByRole('region', { name: 'Next trial' })).toContainText(
    'In it: A: the old 8 GB.',
  )

  await page.goto(`${app.address}/orders`)
  await page
    .getByRole('region', { name: 'To order' })
    .getByRole('heading', { name: 'Tarn Supplies' })
    .locator('..')
    .getByRole('button', { name: /Make an order/ })
    .click()
  await expect(page).toHaveURL(/\/orders\/.+/)
  const order = page.url()
  await page.goto(`${job.address}/fit`)
  await expect(absent).toContainText('is not sent yet')
  await page.goto(order)
  await page.getByRole('button', { name: 'I have sent it' }).click()
  await page.getByText('Enter what the supplier confirmed').click()
  await page.getByLabel('They send').fill('1')
  await page.getByLabel('Comes on').fill('12 Feb 2020')
  await page.getByRole('button', { name: 'Save the confirmation' }).click()
  await page.getByLabel('If it is another part').fill('Larkfield L4-4-2400')
  await page.getByLabel('Serial number, scanned or typed').fill('WRONG-2')
  await page.keyboard.press('Enter')
  await expect(page.getByText('A wrong part came')).toBeVisible()

  await page.goto(`${job.address}/fit`)
  await expect(absent).toContainText('was due on 12 Feb 2020: ask where it is')
  await expect(absent).toContainText('Larkfield L4-4-2400 came in its place and is not fitted')
  await page.getByRole('button', { name: 'All steps as a list' }).click()
  await page.getByRole('button', { name: /Into slot B/ }).click()
  await expect(page.getByText('Its module is not here')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Done', exact: true })).toBeDisabled()

  await page.goto(order)
  await page.getByLabel('If it is another part').fill('')
  await page.getByLabel('Serial number, scanned or typed').fill('RIGHT-2')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('region', { name: 'Here' })).toContainText('RIGHT-2')
  await page.goto(`${job.address}/fit`)
  await expect(page.getByRole('heading', { name: 'Fit' })).toBeVisible()
  await expect(absent).toHaveCount(0)
})

test('a part that is here without an order is said to be here, and is no longer to be ordered', async ({
  page,
  app,
}) => {
  const job = await approvedJob(page, app, 'Ida Besides', 'Tilbrook & Co')
  await page.goto(`${job.address}/fit`)
  await page.getByRole('button', { name: 'It is here' }).click()
  await expect(page.getByRole('region', { name: 'Parts not here' })).toHaveCount(0)
  await saved(page)
  await page.goto(`${app.address}/orders`)
  await expect(page.getByRole('heading', { name: 'To order' })).toBeVisible()
  await expect(page.getByText('Reading what jobs need')).toHaveCount(0)
  await expect(page.getByText('Ida Besides')).toHaveCount(0)
})
