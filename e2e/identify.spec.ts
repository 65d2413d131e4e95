import { expect, openJob, saved, slot, test } from './fixtures'

const FOUR_CLAIMED = `# what the system says
physical memory array
Use: System Memory
  Maximum Capacity : 32 GB
Number Of Devices: 4

MEMORY DEVICE
   Total Width: 64 bits
   Data Width: 64 bits
   Size:   8192 MB
   Form Factor: SODIMM
   Locator: ChannelB-DIMM0
   Bank Locator: Not Specified
   Type: DDR4
   Speed: 2667 MT/s
   Serial Number: 7C2D11AA
   Part Number: Larkfield L4-8-2666
   Configured Clock Speed: 1333 MHz

Memory Device
   Size: No Module Installed
   Locator: ChannelA-DIMM0
Memory Device
   Size: No Module Installed
   Locator: ChannelA-DIMM1
Memory Device
   Size: No Module Installed
   Locator: ChannelB-DIMM1
`

/** Pastes a text as the clipboard would hold it. */
async function paste(page: import('@playwright/test').Page, text: string): Promise<void> {
  const area = page.getByRole('textbox', { name: /Paste, drop/ })
  await area.focus()
  await area.evaluate((element, typed) => {
    const clipboardData = new DataTransfer()
    clipboardData.setData('text/plain', typed)
    element.dispatchEvent(
      new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true }),
    )
  }, text)
}

async function newLaptop(page: import('@playwright/test').Page, address: string, name: string) {
  await page.goto(`${address}/jobs/new`)
  await page.getByLabel('Name').fill(name)
  await page.getByRole('radio', { name: /^Laptop, 2 slots/ }).check()
  await page.getByRole('button', { name: 'Start the job' }).click()
  await expect(page.getByRole('heading', { name: 'Identify', exact: true })).toBeVisible()
}

test('a messy listing of a laptop with two slots that claims four is settled', async ({
  page,
  app,
}) => {
  await newLaptop(page, app.address, 'Wilma Roth')
  await page.getByRole('button', { name: 'Say who works here' }).click()
  await page.getByRole('dialog').getByLabel('Name').fill('Mika')
  await page.getByRole('button', { name: 'That is me' }).click()

  await paste(page, FOUR_CLAIMED)
  const readings = page.getByRole('list', { name: 'Readings' })
  await expect(readings).toContainText('SMBIOS listing: 1 module, 4 slots claimed')
  // Nothing was on the board, so what was read is there at once, in the slot of channel B.
  await expect(slot(page, 'B')).toContainText('8 GB')
  await expect(slot(page, 'A')).toContainText('empty')

  const disputes = page.getByRole('region', { name: 'Conflicts' })
  await expect(disputes.getByRole('heading', { name: 'How many slots are there?' })).toBeVisible()
  await expect(disputes.getByRole('button', { name: /4 slots/ })).toContainText('pasted')
  // One press records no proof: without saying how it is known nothing is settled.
  await page.locator('body').press('2')
  await expect(disputes).toContainText('Choose one first.')
  await disputes.getByRole('button', { name: 'I opened it and looked' }).first().click()
  await page.locator('body').press('2')
  await expect(disputes.getByRole('heading', { name: 'How many slots are there?' })).toBeHidden()
  await expect(page.getByRole('button', { name: /^Slot / })).toHaveCount(2)

  const ledger = page.getByRole('table', { name: 'Facts: Machine' })
  await page.getByText('Ledger of facts').click()
  await expect(ledger).toContainText('settled by looking inside')
  await expect(ledger).toContainText('Mika')
  await expect(ledger.getByRole('row', { name: /4 slots/ }).first()).toContainText('overruled')
  const facts = page.getByRole('table', { name: 'Facts: Slot B' })
  await expect(facts).toContainText('runs at 2666 MT/s now (printed as its clock, 1333)')

  await saved(page)
  await page.reload()
  await expect(slot(page, 'B')).toContainText('8 GB')
  await expect(page.getByRole('button', { name: /^Slot / })).toHaveCount(2)
  await expect(page.getByRole('heading', { name: 'How many slots are there?' })).toBeHidden()

  await page.getByText('Ledger of facts').click()
  await page.getByRole('button', { name: 'Reopen Slots' }).click()
  await expect(page.getByRole('heading', { name: 'How many slots are there?' })).toBeVisible()
  // Settled the other way, the board is drawn with four.
  const again = page.getByRole('region', { name: 'Conflicts' })
  await again.getByRole('button', { name: 'the manual says so' }).first().click()
  await again.getByRole('button', { name: /4 slots/ }).click()
  await expect(page.getByRole('button', { name: /^Slot / })).toHaveCount(4)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('button', { name: /^Slot / })).toHaveCount(2)
})

test('a label without a slot is asked about, and corrects what is on the board', async ({
  page,
  app,
}) => {
  await newLaptop(page, app.address, 'Konrad Beil')
  const area = page.getByRole('textbox', { name: /Paste, drop/ })
  await area.fill('nothing a label would say')
  await page.getByRole('button', { name: 'Read it' }).click()
  await expect(page.getByRole('alert')).toContainText('Nothing in it could be read')
  await expect(area).toHaveValue('nothing a label would say')

  await area.fill('16GB 2Rx8 PC4-3200AA-SE1-11')
  await page.getByRole('button', { name: 'Read it' }).click()
  await expect(page.getByRole('heading', { name: 'Which slot is this one in?' })).toBeVisible()
  await page.getByRole('button', { name: /is from slot A$/ }).click()
  await expect(slot(page, 'A')).toContainText('16 GB')

  // What another source says of the same module is a conflict.
  await area.fill('8GB 1Rx8 PC4-3200AA-SA2-11')
  await page.getByRole('group', { name: 'A label of the module in' }).waitFor()
  await area.press('Control+Enter')
  await page.getByRole('button', { name: /8 GB.* is from slot B$/ }).click()
  await expect(slot(page, 'B')).toContainText('8 GB')
})

test('files of several kinds at once; one that is too large is refused unopened', async ({
  page,
  app,
}) => {
  await openJob(page, app, 'Morrow', 'identify')
  await expect(page.getByText('Nothing to upgrade here:')).toBeVisible()
  const picture = await page.screenshot()
  const pick = page.getByLabel('Files to read')
  await pick.setInputFiles([
    {
      name: 'labels.txt',
      mimeType: 'text/plain',
      buffer: Buffer.from('8GB 1Rx8 PC4-2666V-SA1-11\n4GB 2Rx8 PC3L-12800S-11-13-B4'),
    },
    { name: 'bottom.png', mimeType: 'image/png', buffer: picture },
    { name: 'film.bin', mimeType: 'application/octet-stream', buffer: Buffer.alloc(20_000_000) },
  ])
  await expect(page.getByRole('alert')).toContainText('film.bin is 20 MB: no report is that large')
  await expect(page.getByRole('list', { name: 'Readings' })).toContainText('labels: 2 modules')
  const photo = page.getByRole('img', { name: 'bottom.png' })
  await expect(photo).toBeVisible()
  await expect
    .poll(() => photo.evaluate((image) => (image as HTMLImageElement).naturalWidth))
    .toBe(1280)
  await saved(page)
  await page.reload()
  await expect(page.getByRole('list', { name: 'Readings' })).toContainText('labels.txt')
  await page.getByRole('button', { name: 'Remove the photo bottom.png' }).click()
  await expect(photo).toBeHidden()
})
