import { expect, newJob, saved, slotButton, slotInShort, test, toStep } from './fixtures'

test('from the demand to an approved quote', async ({ page, app }) => {
  const { address, id } = await newJob(page, app, 'Hedda Lorimer', 'Heron 15', { A: '8GB 1Rx8' })
  await page.goto(`${address}/size`)
  await page.getByRole('button', { name: 'Photos' }).click()
  await page.getByRole('button', { name: 'Browsing' }).click()
  await expect(page.getByRole('region', { name: 'Demand' })).toContainText(/\d GB/)
  await page.getByRole('link', { name: 'On to Plan' }).click()

  await page.getByRole('tab', { name: 'Trade-offs' }).click()
  await page.getByLabel('At least, GB usable').fill('16')
  await expect(page.getByRole('list', { name: 'Picks' })).toBeVisible()
  await page.getByRole('button', { name: 'Keep these, to quote from' }).click()
  await expect(slotInShort(page, 'B')).toHaveAccessibleName(/planned$/)
  await page.getByRole('button', { name: 'Keep these, to quote from' }).click()
  await saved(page)
  const plans = await (await page.request.get(`${app.address}/api/v1/plans?jobId=${id}`)).json()
  const placements = plans.map(({ placement }: { placement: object }) => JSON.stringify(placement))
  expect(new Set(placements).size).toBe(plans.length)

  await toStep(page, 'Quote').click()
  await page.getByRole('button', { name: /Quote \d plans to choose from/ }).click()
  const options = page.getByRole('list', { name: 'Options' })
  const first = options.getByRole('listitem').first()
  await expect(first.getByLabel('For the customer')).toHaveValue(
    /^Your laptop has 8 GB of memory today, in one module\. We add a /,
  )
  await expect(first.getByLabel('For the customer')).toHaveValue(
    /Before you get it back we run 3 full passes of the memory test, about /,
  )
  // The hatch of this model opens in 12 minutes; then battery 3, a module 2, start 8, test 10.
  await expect(first.getByLabel('Minutes')).toHaveAttribute('placeholder', '35')
  await first.getByLabel('Heading').fill('The small step')
  await first.getByRole('button', { name: 'A further line' }).click()
  await first.getByLabel('What further line 1 is for').fill('Cleaning the fan')
  await first.getByLabel('Amount of further line 1').fill('12,50')
  const sum = first.getByRole('table', { name: /What The small step comes to/ })
  await expect(sum.getByRole('row', { name: /Cleaning the fan/ })).toContainText('€12.50')
  // 35 minutes at 54.00 an hour.
  await expect(sum.getByRole('row', { name: /^Work, 35 minutes/ })).toContainText('€31.50')

  const second = options.getByRole('listitem').nth(1)
  await second.getByRole('button').first().click()
  await second.getByLabel('Minutes').fill('long')
  await expect(second.getByLabel('Minutes')).toHaveAttribute('aria-invalid', 'true')
  await second.getByLabel('Minutes').fill('50')
  await second.getByLabel('For the customer').fill('A matched pair, in our own words.')
  const credit = second.getByLabel(/^Credit for 8 GB/)
  await credit.fill('4')
  await expect(second.getByRole('row', { name: /^To pay/ })).toBeVisible()
  await saved(page)
  await page.reload()
  await expect(options.getByRole('button', { name: /The small step/ })).toBeVisible()

  await page.getByRole('link', { name: 'For the customer, to print' }).click()
  await page.emulateMedia({ media: 'print' })
  await expect(page.getByText('Tandem Lane Repairs')).toBeVisible()
  await expect(page.getByRole('heading', { name: /^The small step/ })).toBeVisible()
  await expect(page.getByText('A matched pair, in our own words.')).toBeVisible()
  await expect(page.getByRole('banner')).toBeHidden()
  await expect(page.getByRole('button', { name: 'Print' })).toBeHidden()
  await page.emulateMedia({ media: 'screen' })
  await page.getByRole('link', { name: 'Back to the quote' }).click()

  const approval = page.getByRole('region', { name: 'Approval' })
  await approval.getByLabel('Who agrees').fill('')
  await approval.getByRole('button', { name: 'Approved' }).click()
  await expect(approval.getByText('Say which option.')).toBeVisible()
  await expect(approval.getByText('Who approves it?')).toBeVisible()
  await approval.getByRole('radio').nth(1).check()
  await approval.getByLabel('Who agrees').fill('Hedda Lorimer')
  await approval.getByRole('button', { name: 'Approved' }).click()

  await expect(approval).toContainText('Approved by Hedda Lorimer on')
  await expect(page.getByText('A matched pair, in our own words.')).toBeVisible()
  // The option that was kept beside the board is on it now.
  await expect(slotInShort(page, 'A')).toHaveAccessibleName(/planned$/)
  await saved(page)
  await page.reload()
  await expect(approval).toContainText('Approved by Hedda Lorimer on')
  await expect(toStep(page, 'Quote').getByLabel('done')).toBeVisible()
  await expect(page.getByLabel('Minutes')).toBeHidden()

  await page.getByRole('link', { name: 'Plan' }).click()
  await page.getByRole('button', { name: 'As found', exact: true }).click()
  await toStep(page, 'Quote').click()
  await expect(page.getByText('The board shows another plan than was approved.')).toBeVisible()
  await page.getByRole('button', { name: 'Put the approved plan on the board' }).click()
  await expect(slotInShort(page, 'A')).toHaveAccessibleName(/planned$/)

  await page.getByRole('button', { name: 'A new version' }).click()
  await expect(page.getByRole('heading', { name: 'Quote, version 2' })).toBeVisible()
  await expect(options.getByRole('button', { name: /The small step/ })).toBeVisible()
  // Each option follows what it offered, and the approved version stays readable as it was.
  const versions = page.getByRole('region', { name: 'Versions before' })
  await expect(versions).toContainText('approved by Hedda Lorimer')
  await versions.getByRole('link', { name: 'Version 1' }).click()
  await expect(page.getByText('A matched pair, in our own words.')).toBeVisible()
  await expect(page.getByText(/Hedda Lorimer agreed to/)).toBeVisible()
})

test('the shop’s terms change what a draft comes to, not what was approved', async ({
  page,
  app,
}) => {
  const { address } = await newJob(page, app, 'Bela Sorrel', 'Heron 15', { A: '8GB 1Rx8' })
  await page.goto(`${address}/plan`)
  await page
    .getByRole('region', { name: 'Tray' })
    .getByRole('button', { name: /^DDR4-3200 kit, 2 × (?:8|16) GB/ })
    .first()
    .click()
  await slotButton(page, 'B').click()
  await toStep(page, 'Quote').click()
  await page.getByRole('button', { name: 'Quote the plan on the board' }).click()
  const total = page.getByRole('row', { name: /^Total/ })
  const before = (await total.textContent()) ?? ''

  await page.getByRole('button', { name: 'The shop’s terms' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('An hour of work, €').fill('dear')
  await dialog.getByRole('button', { name: 'Save for the shop' }).click()
  await expect(dialog.getByText('Enter a number.')).toBeVisible()
  await expect(dialog.getByRole('alert')).toContainText('1 field needs correcting')
  await expect(dialog.locator('[aria-invalid=true]')).toBeFocused()
  await dialog.getByLabel('An hour of work, €').fill('108')
  await dialog.getByRole('button', { name: 'Save for the shop' }).click()
  await expect(dialog).toBeHidden()
  await expect(total).not.toHaveText(before)

  await page
    .getByRole('region', { name: 'Approval' })
    .getByRole('button', { name: 'Approved' })
    .click()
  await expect(page.getByText(/^Approved by Bela Sorrel/)).toBeVisible()
  const approved = await page.getByRole('row', { name: /^To pay/ }).textContent()
  await saved(page)
  await page.getByRole('button', { name: 'The shop’s terms' }).click()
  await dialog.getByLabel('An hour of work, €').fill('54')
  await dialog.getByRole('button', { name: 'Save for the shop' }).click()
  await expect(dialog).toBeHidden()
  await expect(page.getByRole('row', { name: /^To pay/ })).toHaveText(approved ?? 'nothing')
})

test('an offer is declined, the next one approved and taken back, and each stays readable', async ({
  page,
  app,
}) => {
  const { address } = await newJob(page, app, 'Orla Finch', 'Heron 15', { A: '8GB 1Rx8' })
  await page.goto(`${address}/plan`)
  await page.getByRole('tab', { name: 'Trade-offs' }).click()
  await page.getByLabel('At least, GB usable').fill('16')
  await page.getByRole('button', { name: 'Keep these, to quote from' }).click()
  await saved(page)
  await toStep(page, 'Quote').click()
  await page.getByRole('button', { name: /Quote \d plans to choose from/ }).click()
  await page.getByRole('button', { name: 'Offered, no answer yet' }).click()
  const standing = page.getByRole('region', { name: 'Where it stands' })
  await expect(standing).toContainText('no answer yet')
  await expect(page.getByLabel('Valid until')).toBeHidden()

  const end = page.getByRole('region', { name: 'End of this version' })
  await end.getByLabel('How this version ends').selectOption('declined')
  await end.getByLabel('Why, if it was said').fill('Too dear this month.')
  await end.getByRole('button', { name: 'Declined' }).click()
  await expect(standing).toContainText('Declined by the customer on')
  await expect(standing).toContainText('Too dear this month.')
  await expect(page.getByRole('region', { name: 'Approval' })).toBeHidden()
  await saved(page)

  await page.getByRole('button', { name: 'A new version' }).click()
  const approval = page.getByRole('region', { name: 'Approval' })
  await approval.getByRole('radio').first().check()
  await approval.getByRole('button', { name: 'Approved' }).click()
  await expect(approval).toContainText('Approved by Orla Finch on')
  await end.getByLabel('How this version ends').selectOption('withdrawn')
  await end.getByRole('button', { name: 'Withdrawn' }).click()
  await expect(standing).toContainText('withdrawn on')
  await saved(page)
  await page.reload()
  await expect(standing).toContainText('approved by Orla Finch')

  await page.getByRole('link', { name: 'For the customer, to print' }).click()
  await expect(page.getByText(/approved by Orla Finch on .*; withdrawn on/)).toBeVisible()
  await page.getByRole('link', { name: 'Back to the quote' }).click()
  const versions = page.getByRole('region', { name: 'Versions before' })
  await expect(versions).toContainText('Version 1: Declined by the customer on')
  // Fit knows that the agreement is gone.
  await page.getByRole('link', { name: 'Fit' }).click()
  await expect(page.getByText('The customer has not agreed to this plan yet.')).toBeVisible()
})

test('approving one plan lets go of the pieces of the shelf that the others hold', async ({
  page,
  app,
}) => {
  const { id, address } = await newJob(page, app, 'Wren Abbott', 'Heron 15', { A: '8GB 1Rx8' })
  const api = `${app.address}/api/v1`
  const get = async (path: string) => (await page.request.get(`${api}/${path}`)).json()
  const send = async (path: string, data: object) =>
    (await page.request.post(`${api}/${path}`, { data })).json()
  const [{ module }] = await get(`modules?jobId=${id}`)
  const shelved = await Promise.all(
    [1500, 1600].map((price) => send('modules', { source: 'shelf', module, price })),
  )
  for (const [at, { id: moduleId }] of shelved.entries()) {
    const placement = { A: { moduleId, unit: 0 } }
    await send('plans', { jobId: id, name: `With piece ${at + 1}`, placement })
  }
  const holders = async () =>
    ((await get('modules?shop=1')) as { id: string; keptFor: { jobId: string } | null }[])
      .filter((piece) => shelved.some((one) => one.id === piece.id))
      .map(({ keptFor }) => keptFor?.jobId ?? null)
  await page.goto(`${address}/quote`)
  await page.getByRole('button', { name: /Quote \d plans to choose from/ }).click()
  const approval = page.getByRole('region', { name: 'Approval' })
  await approval.getByRole('radio').last().check()
  await expect(
    approval.getByLabel(/Let go of the plans not chosen and of the 1 piece/),
  ).toBeChecked()
  await approval.getByRole('button', { name: 'Approved' }).click()
  await expect(approval).toContainText('Approved by Wren Abbott on')
  await saved(page)
  await page.reload()
  await expect(slotInShort(page, 'A')).toHaveAccessibleName(/planned$/)
  await expect(page.getByText(/still hold/)).toBeHidden()
  expect((await holders()).filter(Boolean)).toEqual([id])
})
