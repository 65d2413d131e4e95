import { apiOf } from './badPart'
import { expect, newJob, openDay, test } from './fixtures'
import { signedReport } from './signedReport'

test('a customer’s page has every visit, what was fitted and who stands by it, and leads to the machine’s', async ({
  page,
  app,
}) => {
  const { post, patch, read } = apiOf(page.request, app)
  const { id, number, address } = await newJob(page, app, 'Perpetua Brill', 'Heron 15', {
    A: '8GB 1Rx8',
  })
  const file = await read(`jobs/${id}`)
  const on = new Date().toISOString().slice(0, 10)
  const until = `${new Date().getFullYear() + 2}-01-20`
  const change = { test: 'Packing', before: '60 s', now: '48 s', change: '25 % faster' }
  const document = signedReport(
    'Perpetua Brill',
    { serial: 'PAGE-77', shop: { months: 24, from: on, until } },
    {
      on,
      measured: [{ ...change, forecast: '' }],
      open: [{ code: 'TEST_SHORT', text: 'Tested for an hour.', reason: 'In a hurry' }],
    },
  )
  await post('handovers', { id, jobId: id })
  const by = { name: 'Perpetua Brill', at: new Date().toISOString(), by: 'Mika', drawn: null }
  await patch(`handovers/${id}`, { version: 1, signed: by, document })
  const moduleId = file.found.A.moduleId
  await post('claims', { jobId: id, moduleId, text: '8 GB', serial: 'PAGE-77', state: 'sent' })

  await page.goto(`${address}/intake`)
  await page.getByRole('banner').getByRole('link', { name: 'Perpetua Brill' }).click()
  await expect(page).toHaveURL(/\/customers\//)
  const fitted = page.getByRole('region', { name: 'Fitted by us' })
  await expect(fitted).toContainText('8 GB DDR4-2666 · PAGE-77')
  await expect(fitted).toContainText(`Under our warranty until 20 Jan ${until.slice(0, 4)}.`)
  const visit = page.getByRole('article', { name: `Job ${number}` })
  await expect(visit).toContainText('“Too slow”')
  await expect(visit).toContainText('Measured: Packing, 25 % faster')
  await expect(visit).toContainText('Left open: Tested for an hour. (In a hurry)')
  await expect(visit).toContainText('Claim: 8 GB, PAGE-77, sent')

  await page
    .getByRole('region', { name: 'Machines' })
    .getByRole('link', { name: 'Heron 15' })
    .click()
  await expect(page.getByText('Owner')).toBeVisible()
  await expect(page.getByRole('region', { name: 'Fitted by us' })).toContainText('PAGE-77')
  await page.getByRole('link', { name: 'Perpetua Brill' }).click()
  await page.getByRole('link', { name: 'New job for them' }).click()
  await expect(page.getByRole('main')).toContainText('Perpetua Brill')

  // By the palette too.
  await page.keyboard.press('Control+k')
  await page.getByPlaceholder(/A customer, a job number/).fill('perpetua')
  await page.getByRole('option', { name: /^Perpetua Brill$/ }).click()
  await expect(page).toHaveURL(/\/customers\//)
})

test('a claim is asked after on its day, and a message that did not arrive stands until somebody acts', async ({
  page,
  app,
}) => {
  const { post, read } = apiOf(page.request, app)
  const { id, number } = await newJob(page, app, 'Odo Chaser', 'Heron 15', { A: '8GB 1Rx8' })
  const file = await read(`jobs/${id}`)
  await post('claims', {
    jobId: id,
    moduleId: file.found.A.moduleId,
    text: '8 GB Larkfield',
    serial: 'CHASE-1',
    against: 'Marrowby Parts',
    chaseOn: '2020-01-05',
    state: 'sent',
  })
  // The stand-in takes numbers that end in 00 for ones that nobody has.
  await post('messages', { jobId: id, channel: 'text', to: '0151 555 0000', text: 'It is ready.' })

  await openDay(page, app)
  await expect(page.getByRole('main')).toContainText(/claims? to ask after/)
  await page.getByRole('link', { name: 'What waits for whom' }).click()
  const claims = page.getByRole('region', { name: 'Claims' })
  const claim = claims.getByRole('listitem').filter({ hasText: 'CHASE-1' })
  await expect(claim).toContainText('Marrowby Parts, sent, for Odo Chaser')
  await expect(claim).toContainText('ask now')
  await claim.getByLabel(`Ask again after the claim of job ${number} on`).fill('5 Jan 2040')
  await page.keyboard.press('Tab')
  await expect(claim).toContainText('ask again')
  await expect.poll(async () => (await read(`jobs/${id}`)).claims[0].chaseOn).toBe('2040-01-05')

  const lost = page.getByRole('region', { name: 'Messages that did not arrive' })
  const message = lost.getByRole('listitem').filter({ hasText: 'Odo Chaser' })
  await expect(message).toContainText('There is no mail address on record.')
  await message.getByRole('button', { name: 'I have reached them' }).click()
  await expect(message).toHaveCount(0)
  expect((await read(`jobs/${id}`)).messages).toMatchObject([{ state: 'reached' }])
})
