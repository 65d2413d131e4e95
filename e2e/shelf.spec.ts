import { expect, holdRequests, newJob, saved, slotButton, test } from './fixtures'
import { takeInPrices } from './priceList'

test('a kit is put on the shelf by its label, kept together, and taken apart only when asked', async ({
  page,
  app,
}) => {
  await page.goto(`${app.address}/shelf`)
  await page.getByRole('button', { name: 'Put on the shelf' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByRole('button', { name: 'Put it there' }).click()
  await expect(dialog.getByText('Say what it is: by its label or its figures.')).toBeVisible()
  await dialog.getByLabel('Its label').fill('4gb 1rx16 pc4-2400t-sc0-10')
  await expect(dialog.getByText('4 GB DDR4-2400 SO-DIMM')).toBeVisible()
  await dialog.getByLabel('Pieces').fill('2')
  await dialog.getByLabel('Price of each, €').fill('cheap')
  await dialog.getByLabel('Serial numbers').fill('ZZ-1, ZZ-2')
  await dialog.getByRole('button', { name: 'Put it there' }).click()
  await expect(dialog.getByText('Enter an amount of money.')).toBeVisible()
  await dialog.getByLabel('Price of each, €').fill('6,50')
  await dialog.getByRole('button', { name: 'today' }).click()
  await dialog.getByRole('button', { name: 'Put it there' }).click()
  await expect(dialog).toBeHidden()

  await page.getByLabel('Search the shelf').fill('zz-')
  const rows = page.getByRole('row').filter({ hasText: 'ZZ-' })
  await expect(rows).toHaveCount(2)
  await expect(rows.first()).toContainText('kit of 2, kept together')
  await expect(rows.first()).toContainText('€6.50')
  await page.getByRole('button', { name: /^Take the kit .* apart$/ }).click()
  await expect(dialog).toContainText('were tested together')
  await dialog.getByRole('button', { name: 'Keep it together' }).click()
  await expect(rows.first()).toContainText('kept together')
  await page.getByRole('button', { name: /^Take the kit .* apart$/ }).click()
  await dialog.getByRole('button', { name: 'Take it apart' }).click()
  await expect(dialog).toBeHidden()
  await expect(rows.first()).not.toContainText('kept together')

  await page.getByRole('button', { name: /^Change .*ZZ-2$/ }).click()
  await dialog.getByLabel('Note').fill('bent corner')
  await dialog.getByRole('button', { name: 'Save' }).click()
  await expect(rows.nth(1)).toContainText('bent corner')
  await page.getByRole('button', { name: /^Change .*ZZ-2$/ }).click()
  await dialog.getByRole('button', { name: 'Take off the shelf' }).click()
  await page.getByRole('button', { name: 'Take it off', exact: true }).click()
  await expect(rows).toHaveCount(1)
})

test('a piece that one job plans on is kept from the next', async ({ page, app, context }) => {
  const [first, second] = [
    await newJob(page, app, 'Wanda Pell', 'Heron 15', { A: '8GB 1Rx8' }),
    await newJob(page, app, 'Iago Brant', 'Heron 15', { A: '8GB 1Rx8' }),
  ]
  const other = await context.newPage()
  await other.goto(`${second.address}/plan`)
  const used = (of: typeof page) =>
    of
      .getByRole('region', { name: 'Tray' })
      .getByRole('button', { name: /^16 GB DDR4-3200 SO-DIMM, Larkfield.*€26/ })
  await expect(used(other)).toBeEnabled()

  await page.goto(`${first.address}/plan`)
  await used(page).click()
  await slotButton(page, 'B').click()
  await saved(page)

  // The other screen was open before: it is told when it reaches for the piece.
  await used(other).click()
  await slotButton(other, 'B').click()
  await expect(other.getByTestId('save-state')).toHaveText('1 not accepted')
  await other.getByTestId('save-state').click()
  await expect(other.getByRole('dialog')).toContainText(`is kept for job ${first.number}`)
  await other.getByRole('button', { name: 'Give this change up' }).click()
  await expect(other.getByRole('dialog')).toBeHidden()
  await expect(
    other.getByRole('button', { name: new RegExp(`kept for job ${first.number}`) }),
  ).toBeDisabled()

  await page.goto(`${app.address}/shelf`)
  await page.getByLabel('Search the shelf').fill(`job ${first.number}`)
  await expect(page.getByRole('link', { name: `job ${first.number}` })).toBeVisible()
})

const PRICES = [
  'Order code;Type;Form;Size;Kit;Rate;Price;Stock',
  ...Array.from({ length: 400 }, (_, at) => {
    const price = at % 100 === 7 ? 'on request' : (20 + at / 10).toFixed(2)
    return `PL-${at};DDR4;SO-DIMM;${[8, 16, 32][at % 3]}GB;1;3200;${price};${at % 5}`
  }),
].join('\n')

test('a price list is mapped, looked over and taken in; the bad rows are shown', async ({
  page,
  app,
}) => {
  await page.goto(`${app.address}/shelf`)
  await page.getByRole('tab', { name: 'Suppliers’ offers' }).click()
  const open = () =>
    page.getByLabel('Price list').setInputFiles({
      name: 'autumn.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from(PRICES),
    })
  await open()
  const dialog = page.getByRole('dialog', { name: 'Import autumn.csv' })
  await expect(dialog.getByText('396 offers of 400 rows')).toBeVisible()
  await expect(dialog.getByText('4 rows cannot be imported and are left out')).toBeVisible()
  await expect(dialog.getByText('line 9: The price is missing, or no amount.')).toBeVisible()
  await expect(dialog.getByText('Name the supplier.')).toBeVisible()
  await expect(dialog.getByRole('button', { name: 'Import 396' })).toBeDisabled()

  await dialog.getByLabel('Speed').selectOption({ label: 'not in the list' })
  await expect(dialog.getByText('0 offers of 400 rows')).toBeVisible()
  await dialog.getByLabel('Speed').selectOption({ label: 'Rate' })
  await dialog.getByLabel('Supplier').fill('Thistle & Daughters')
  await dialog.getByLabel('Mark-up, %').fill('10')
  await expect(dialog.getByText('Say whose prices these are.')).toBeVisible()
  await dialog.getByLabel('Whose prices').selectOption('what we pay')
  await expect(dialog.getByText('Say whether the prices are with tax.')).toBeVisible()
  await dialog.getByLabel('Tax').selectOption('prices without tax')
  await expect(dialog.getByRole('row', { name: /PL-0/ })).toContainText('€26.40')
  await dialog.getByLabel('Tax').selectOption('prices with tax')
  await expect(dialog.getByRole('row', { name: /PL-0/ })).toContainText('€22.00')
  await dialog.getByRole('button', { name: 'Import 396' }).click()
  await expect(page.getByText('autumn.csv of Thistle & Daughters: 396 added')).toBeVisible()
  await page.getByLabel('Search the offers').fill('thistle pl-3')
  await expect(page.getByRole('row', { name: /PL-3 / }).first()).toContainText('€22.33')

  // The same again: the columns are remembered, and nothing is new.
  await open()
  await expect(dialog.getByLabel('Supplier')).toHaveValue('Thistle & Daughters')
  await expect(dialog.getByLabel('Tax')).toHaveValue('with')
  await dialog.getByLabel('Mark-up, %').fill('10')
  await expect(dialog.getByRole('row', { name: /PL-0/ })).toContainText('€22.00')
  await dialog.getByRole('button', { name: 'Import 396' }).click()
  await expect(page.getByText(/0 added, 0 changed, 396 as before/)).toBeVisible()
})

test('a long price list shows how far it has come, can be stopped, and shows what is there page by page', async ({
  page,
  app,
}) => {
  const rows = Array.from({ length: 1500 }, (_, at) => `LL-${at};16GB 1Rx8 PC4-3200AA-SA2-11;30.50`)
  await page.goto(`${app.address}/shelf`)
  await page.getByRole('tab', { name: 'Suppliers’ offers' }).click()
  const open = () =>
    page.getByLabel('Price list').setInputFiles({
      name: 'long.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from(['Article;Label;Price', ...rows].join('\n')),
    })
  await open()
  const dialog = page.getByRole('dialog', { name: 'Import long.csv' })
  await dialog.getByLabel('Supplier').fill('Long & Sons')
  await dialog.getByLabel('Whose prices').selectOption('what customers pay')
  await dialog.getByLabel('Tax').selectOption('prices with tax')

  // The third piece waits until it was seen how far it has come.
  let pieces = 0
  let goOn = () => {}
  const seen = new Promise<void>((resolve) => {
    goOn = resolve
  })
  await page.route('**/price-lists/*/offers', async (route) => {
    pieces += 1
    if (pieces === 3) await seen
    await route.continue()
  })
  await dialog.getByRole('button', { name: 'Import 1500' }).click()
  await expect(dialog.getByRole('status')).toContainText('100 of 1500 offers')
  await dialog.getByRole('button', { name: 'Stop' }).click()
  goOn()
  await expect(page.getByText('150 added, 0 changed, 0 as before; stopped after 150')).toBeVisible()

  await open()
  await dialog.getByLabel('Supplier').fill('Long & Sons')
  await dialog.getByLabel('Whose prices').selectOption('what customers pay')
  await dialog.getByLabel('Tax').selectOption('prices with tax')
  await dialog.getByRole('button', { name: 'Import 1500' }).click()
  await expect(page.getByText('1350 added, 0 changed, 150 as before.')).toBeVisible()
  const searched = page.waitForResponse(/\/modules\?.*search=long/)
  await page.getByLabel('Search the offers').fill('long ll')
  await searched
  await expect(page.getByText('the first 100')).toBeVisible()
  await expect(page.getByRole('row', { name: /LL-/ }).first()).toBeVisible()

  // Pressed while the list is read again, since another offer came, it goes on as well.
  const api = `${app.address}/api/v1/modules`
  const [{ module }] = await (await page.request.get(`${api}?shop=1&source=supplier`)).json()
  const mayAnswer = await holdRequests(page, /\/modules\?.*search=/)
  const readAgain = page.waitForRequest(/\/modules\?.*search=/)
  // Dearer than what other tests plan with: nothing as good for less may hide that.
  await page.request.post(api, {
    data: { source: 'supplier', supplier: 'Other', price: 90_000, module },
  })
  await readAgain
  await page.getByRole('button', { name: 'Show more' }).click()
  await expect(page.getByRole('button', { name: 'Reading…' })).toBeVisible()
  mayAnswer()
  await expect(page.getByText('the first 200')).toBeVisible()
})

test('the supplier is asked; one that fails or dawdles is said to, and can be given up', async ({
  page,
  app,
}) => {
  await page.goto(`${app.address}/shelf`)
  await page.getByRole('tab', { name: 'Ask the supplier' }).click()
  await page.getByLabel('What is looked for').fill('W4S-2x32')
  await page.getByRole('button', { name: 'Ask', exact: true }).click()
  const take = page.getByRole('button', { name: 'Take up Wendover W4S-2x32-3200' })
  await take.click()
  await expect(page.getByRole('row', { name: /W4S-2x32-3200/ })).toContainText('taken up')

  const behaviour = page.getByLabel(/is simulated/)
  await behaviour.selectOption({ label: 'with errors' })
  await page.getByLabel('What is looked for').fill('W4S-2x16')
  await page.getByRole('button', { name: 'Ask', exact: true }).click()
  await expect(page.getByRole('alert')).toContainText('The supplier answered with an error.')
  await behaviour.selectOption({ label: 'slowly' })
  await page.getByRole('button', { name: 'Ask', exact: true }).click()
  await page.getByRole('button', { name: 'Stop waiting' }).click()
  await expect(page.getByText('Waiting for the supplier…')).toBeHidden()
  await expect(page.getByRole('alert')).toBeHidden()
  await behaviour.selectOption({ label: 'at once' })
  await page.getByRole('button', { name: 'Ask', exact: true }).click()
  await expect(page.getByText(/\d offers? of Marrowby Parts/)).toBeVisible()

  // One as good for less hides it until it is looked for.
  const api = `${app.address}/api/v1`
  const answer = await page.request.get(
    `${api}/modules?shop=1&source=supplier&search=W4S-2x32-3200`,
  )
  const [{ module }] = await answer.json()
  const cheap = { module: { ...module, article: 'OP-2x32' }, price: 100, stock: 5, leadDays: 2 }
  await takeInPrices(api, 'Other Parts', [cheap])
  const { address } = await newJob(page, app, 'Oda Finch', 'Heron 15', { A: '8GB 1Rx8' })
  await page.goto(`${address}/plan`)
  await page.getByLabel('Find among The supplier’s').fill('W4S-2x32-3200')
  await expect(
    page.getByRole('region', { name: 'Tray' }).getByRole('button', { name: /W4S-2x32-3200/ }),
  ).toBeVisible()
})

test('a French price list in code page 1252 is read by the column, and a doubtful one asks', async ({
  page,
  app,
}) => {
  await page.goto(`${app.address}/shelf`)
  await page.getByRole('tab', { name: 'Suppliers’ offers' }).click()
  const open = (name: string, text: string) =>
    page.getByLabel('Price list').setInputFiles({
      name,
      mimeType: 'text/csv',
      buffer: Buffer.from(text, 'latin1'),
    })
  await open(
    'liste.csv',
    'Référence;Désignation;Prix unitaire;Disponibilité;Livraison\nFR-1;Barrette 16 Go (2 x 8 Go) DDR4-3200 SO-DIMM;1 234,50;12;3-5 jours\nFR-2;Barrette 8 Go DDR4-3200 SO-DIMM;22,90;rupture;2\n',
  )
  const french = page.getByRole('dialog', { name: 'Import liste.csv' })
  // A unit price may be of one module or of the kit that is sold.
  await expect(french.getByText('1 offer of 2 rows')).toBeVisible()
  await expect(french.getByText(/of the whole kit of 2\? Say so above/)).toBeVisible()
  await french.getByLabel('A kit’s price is for').selectOption('the whole kit')
  await expect(french.getByText('2 offers of 2 rows')).toBeVisible()
  await expect(french.getByText('Prices: “1 234,50” is read as €1,234.50.')).toBeVisible()
  await expect(french.getByText('Days to come: “3-5 jours” is read as 5.')).toBeVisible()
  await expect(french.getByRole('row', { name: /FR-1/ })).toContainText('€1,234.50')
  await page.keyboard.press('Escape')

  const label = '8GB DDR4-3200 SO-DIMM'
  await open('doubt.csv', `Part no;Text;Price\nD-1;${label};1,234\nD-2;${label};2,345\n`)
  const doubt = page.getByRole('dialog', { name: 'Import doubt.csv' })
  await expect(doubt.getByText('0 offers of 2 rows')).toBeVisible()
  await doubt.getByLabel('In the prices, “,” parts').selectOption('thousands')
  await expect(doubt.getByRole('row', { name: /D-1/ })).toContainText('€1,234.00')
})
