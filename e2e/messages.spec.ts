import { expect, newJob, openJob, saved, slotButton, test } from './fixtures'

const write = (label = /^Write to the customer/) => ({ name: label })

test('a customer is written to from a template; it arrives, or comes back and says why', async ({
  page,
  app,
}) => {
  const job = await newJob(page, app, 'Mabel Mailed', 'Heron 15', { A: '8GB 1Rx8' })
  await page.goto(`${job.address}/intake`)
  await page.getByLabel('E-mail').fill('bounce@mailed.example')
  await saved(page)
  await page.getByRole('button', write()).click()
  const dialog = page.getByRole('dialog', { name: 'Write to Mabel Mailed' })
  await dialog.getByLabel('About').selectOption({ label: 'Ready to collect' })
  await expect(dialog.getByLabel('Message')).toHaveValue(/Dear Mabel Mailed,\n\nHeron 15 is ready/)
  // What is not known is not sent as it stands.
  await dialog.getByRole('button', { name: 'Send' }).click()
  await expect(dialog.getByText(/Not known here: \{amount\}/)).toBeVisible()
  await dialog.getByLabel('Message').fill('Dear Mabel, it is ready.')
  await dialog.getByLabel('Ask again on').fill('12 Feb 2030')
  await dialog.getByRole('button', { name: 'Send' }).click()
  await expect(dialog).toHaveCount(0)
  await expect(page.getByLabel('Ask again on')).toHaveValue(/12 Feb 2030/)

  await page.getByRole('button', write(/the last message did not arrive/)).click()
  const before = dialog.getByRole('region', { name: 'Written before' })
  await expect(before).toContainText('There is no such mailbox.')
  await dialog.getByLabel('As', { exact: true }).selectOption({ label: 'Text message' })
  await dialog.getByLabel('Phone number').fill('no phone')
  await dialog.getByLabel('Message').fill('It is ready.')
  await dialog.getByRole('button', { name: 'Send', exact: true }).click()
  await expect(dialog.getByText('This is no phone number.')).toBeVisible()
  await dialog.getByLabel('Phone number').fill('0555 4321')
  await dialog.getByRole('button', { name: 'Send', exact: true }).click()
  await expect(dialog).toHaveCount(0)
  await page.getByRole('button', write()).click()
  await expect(before).toContainText(/to 0555 4321: delivered/)

  await page.keyboard.press('Escape')
  await page.getByText('History', { exact: true }).click()
  await expect(page.getByRole('list', { name: 'History' })).toContainText('State: sent → delivered')
})

test('the shop’s own words are in the next message; a placeholder there is not is refused', async ({
  page,
  app,
}) => {
  await page.goto(`${app.address}/settings`)
  await page.getByRole('button', { name: 'Change the messages to customers' }).click()
  const ready = page.getByRole('group', { name: 'Ready to collect' })
  await ready.getByLabel('Text message').fill('{machine} waits for {who}.')
  await page.getByRole('button', { name: 'Save for the shop' }).click()
  await expect(ready.getByText(/Only \{customer\}/)).toBeVisible()
  await ready.getByLabel('Text message').fill('{machine} waits for you.')
  await page.getByRole('button', { name: 'Save for the shop' }).click()
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await openJob(page, app, 'Isobel', 'fit')
  await page.getByRole('button', write()).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('About').selectOption({ label: 'Ready to collect' })
  await expect(dialog.getByLabel('Message')).toHaveValue('Heron 14 waits for you.')
})

test('a password is kept for a job, shown with a trace, and the last change is taken back from the history', async ({
  page,
  app,
}) => {
  const job = await newJob(page, app, 'Petra Locked', 'Heron 15', {})
  await page.goto(`${job.address}/intake`)
  await page
    .getByLabel('Getting into the system')
    .selectOption({ label: 'a password is kept for this job' })
  await page.getByLabel('Password', { exact: true }).fill('quince-7')
  await page.getByRole('button', { name: 'Keep' }).click()
  await expect(page.getByText('The password is kept, encrypted').first()).toBeVisible()
  await page.reload()
  await expect(page.getByText('quince-7')).toHaveCount(0)
  await page.getByRole('button', { name: 'Show the password' }).click()
  await expect(page.getByText('quince-7')).toBeVisible()

  await page.getByLabel('Budget').fill('80')
  await saved(page)
  await page.getByText('History', { exact: true }).click()
  const history = page.getByRole('list', { name: 'History' })
  await expect(history).toContainText('the password was shown')
  await expect(history).toContainText('Budget: nothing → €80.00')
  await page.getByRole('button', { name: 'Take this change back' }).click()
  await expect(page.getByLabel('Budget')).toHaveValue('')
  await expect(history).toContainText('Budget: €80.00 → nothing')
  await saved(page)
})

test('slots that were filled otherwise are told in the history, and taken back from there', async ({
  page,
  app,
}) => {
  const job = await newJob(page, app, 'Sol Moved', 'Heron 15', { A: '8GB 1Rx8' })
  await page.goto(`${job.address}/identify`)
  await slotButton(page, 'A').press('Delete')
  await expect(slotButton(page, 'A')).toContainText('not seen yet')
  await saved(page)
  await page.goto(`${job.address}/intake`)
  await page.getByText('History', { exact: true }).click()
  const history = page.getByRole('list', { name: 'History' })
  await expect(history).toContainText(/What was found, A: 8 GB .* → nothing/)
  await page.getByRole('button', { name: 'Take this change back' }).click()
  await expect(history).toContainText(/What was found, A: nothing → 8 GB/)
  await saved(page)
  await page.goto(`${job.address}/identify`)
  await expect(slotButton(page, 'A')).toContainText('8 GB')

  await page.goto(`${job.address}/intake`)
  await page.getByLabel('Came with it').fill('charger, bag')
  await saved(page)
  await page.getByText('History', { exact: true }).click()
  await expect(history).toContainText('What came with it: “charger” and “bag” added')
  await page.getByRole('button', { name: 'Take this change back' }).click()
  await expect(history).toContainText('What came with it: “charger” and “bag” removed')
})

test('on request a customer’s data is saved as a file and erased', async ({ page, app }) => {
  const job = await newJob(page, app, 'Ezra Forgotten', 'Heron 15', {})
  await page.goto(`${job.address}/intake`)
  await page.getByText('The customer’s data', { exact: true }).click()
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Everything we have, as a file' }).click(),
  ])
  expect(download.suggestedFilename()).toBe('customer.zip')
  await page.getByRole('button', { name: 'Erase this customer’s data' }).click()
  await page.getByRole('button', { name: 'Erase for good' }).click()
  await expect(page.getByText(`Job ${job.number} is still open`)).toBeVisible()
  const api = `${app.address}/api/v1/jobs/${job.id}`
  const { version } = await (await page.request.get(api)).json()
  await page.request.patch(api, { data: { version, stage: 'closed' } })
  await page.getByRole('button', { name: 'Erase this customer’s data' }).click()
  await page.getByRole('button', { name: 'Erase for good' }).click()
  await expect(page.getByRole('heading', { name: /Erased customer/ })).toBeVisible()
  await page.goto(`${app.address}/?search=forgotten`)
  await expect(page.getByText('No job matches')).toBeVisible()
})
