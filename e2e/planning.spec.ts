import { expect, inShort, newJob, openJob, saved, slotButton, test } from './fixtures'

/** Four hours of a machine with 4 GB that was full half of the time, in MB; one line is broken. */
const LOG = [
  'Time;Memory used (MB);Free (MB)',
  ...Array.from({ length: 240 }, (_, minute) => {
    const used = minute % 2 === 0 ? 4080 : 2900
    return `${minute * 60};${minute === 17 ? 'n/a' : used};${4096 - used}`
  }),
].join('\n')

test('from the demand to a plan on the board, compared with another', async ({ page, app }) => {
  const { address } = await newJob(page, app, 'Anselm Dorrit', 'Heron 15', { A: '4GB 1Rx16' })
  await page.goto(`${address}/size`)
  await expect(page.getByRole('heading', { name: 'Size', exact: true })).toBeVisible()
  await expect(page.getByRole('heading', { name: 'Not decided yet' })).toBeVisible()

  await page.getByRole('button', { name: 'Browsing' }).click()
  await page.getByRole('button', { name: 'Photos' }).click()
  await page.getByRole('checkbox', { name: 'Browsing runs with the others' }).click()
  await page.getByRole('checkbox', { name: 'Photos runs with the others' }).click()
  const demand = page.getByRole('region', { name: 'Demand' })
  // System 4.5, reserve 1.5, browsing 3 and photos 6 at once.
  await expect(demand).toContainText('15 GB')
  await expect(demand).toContainText('16 GB, equal on all channels')

  await page.getByLabel('Memory log').setInputFiles({
    name: 'village.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(LOG),
  })
  const dialog = page.getByRole('dialog')
  await expect(dialog).toContainText('239 samples: peak 3.98 GB')
  await expect(dialog).toContainText('1 line could not be read: 19')
  await dialog.getByRole('button', { name: 'Take it' }).click()
  await expect(demand).toContainText('at least 15 GB')
  await expect(page.getByRole('region', { name: 'What to spend on' })).toContainText(
    'Memory is the right first spend',
  )
  await saved(page)

  await page.getByRole('link', { name: 'On to Plan' }).click()
  await page.getByRole('tab', { name: 'Trade-offs' }).click()
  const picks = page.getByRole('list', { name: 'Picks' })
  await picks.getByRole('button', { name: /Lowest cost/ }).click()
  await expect(picks.getByRole('button', { name: /Lowest cost/ })).toHaveAttribute(
    'aria-pressed',
    'true',
  )
  await expect(inShort(page)).toContainText(/Capacity.*16 GB/)
  await expect(inShort(page)).toContainText('dual channel')
  await page.getByRole('button', { name: 'Keep', exact: true }).click()

  await page
    .getByRole('region', { name: 'Trade-offs' })
    .getByRole('button', { name: /: put on the board$/ })
    .last()
    .click()
  await expect(inShort(page)).not.toContainText(/Capacity[^C]*16 GB/)
  await page.getByRole('button', { name: 'Compare 1' }).click()
  const table = page.getByRole('dialog', { name: 'Plans side by side' })
  await expect(table.getByRole('row', { name: /^Usable/ })).toContainText('16 GB')
  await table.getByRole('button', { name: 'Put on the board' }).click()
  await page.keyboard.press('Escape')
  await expect(inShort(page)).toContainText(/Capacity[^C]*16 GB/)
  await saved(page)

  await page.reload()
  await expect(inShort(page)).toContainText(/Capacity[^C]*16 GB/)
  await expect(page.getByRole('button', { name: 'Compare 1' })).toBeVisible()
})

test('a need nothing meets names what stands in the way, and the nearest', async ({
  page,
  app,
}) => {
  await openJob(page, app, 'Quince', 'plan')
  await page.getByRole('tab', { name: 'Trade-offs' }).click()
  await expect(page.getByRole('list', { name: 'Picks' })).toBeVisible()
  await page.getByLabel('At least, GB usable').fill('500')
  const blockers = page.getByRole('region', { name: 'Blockers' })
  await expect(blockers).toContainText('32 GB wanted, the most available')
  // With one of the two slots kept free no plan is even: it takes two of these to open one up.
  await page.getByLabel('Free slots').fill('1')
  const together = blockers.getByRole('button', {
    name: 'Change the memory wanted and the buying policy',
  })
  await expect(together).toBeVisible()
  await expect(
    blockers.getByRole('button', { name: 'Change the memory wanted and the slots kept free' }),
  ).toBeVisible()
  await together.click()
  await expect(blockers).toBeHidden()
  await expect(page.getByLabel('Buying policy')).toHaveValue('capacity')
  await page.getByLabel('Free slots').fill('0')
  await page.getByLabel('At least, GB usable').fill('20')
  await page.getByLabel('Buying policy').selectOption({ label: 'Matched kit' })
  await page.getByRole('list', { name: 'Picks' }).getByRole('button').first().click()
  await page.getByRole('tab', { name: 'This plan' }).click()
  await expect(page.getByRole('region', { name: 'What the buying policies say' })).toContainText(
    'Matched kit (this job’s): would accept it',
  )
})

test('“why not this one, there?” answers before anything is moved', async ({ page, app }) => {
  await openJob(page, app, 'Quince', 'plan')
  await page.getByText('Why not this one, there?').click()
  await page.getByLabel('Module', { exact: true }).selectOption({ label: 'none: leave it empty' })
  await page.getByLabel('Slot', { exact: true }).selectOption('B1')
  await expect(page.getByText('It would work, but:')).toBeVisible()
  await expect(page.getByText('Runs on a single channel.')).toBeVisible()
  await expect(slotButton(page, 'B1')).toContainText('16 GB')
})

test('the shop’s table of uses changes what every job is calculated to need', async ({
  page,
  app,
}) => {
  await openJob(page, app, 'Lindgard', 'size')
  await expect(page.getByText('A solid-state disk is the better first spend')).toBeVisible()
  await page.getByRole('button', { name: 'The shop’s table' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('Letters and tables, usual').fill('9')
  await dialog.getByRole('button', { name: 'Save for the shop' }).click()
  await expect(dialog.getByText('Heavier use cannot want less.')).toBeVisible()
  await expect(dialog.getByRole('alert')).toContainText('1 field needs correcting')
  await dialog.getByLabel('Letters and tables, usual').fill('2')
  await dialog.getByRole('button', { name: 'Save for the shop' }).click()
  await expect(dialog).toBeHidden()
  // System 4.5, reserve 1.5, letters 2 and browsing 1 at once.
  await expect(page.getByText('What the uses add up to: 9 GB')).toBeVisible()
})
