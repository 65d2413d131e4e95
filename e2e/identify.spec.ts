import { expect, openJob, saved, slotButton, test } from './fixtures'
import { labelPicture } from './labelPicture'

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
  await expect(slotButton(page, 'B')).toContainText('8 GB')
  await expect(slotButton(page, 'A')).toContainText('empty')

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

  const facts = page.getByRole('table', { name: 'Facts' })
  await page.getByText('Evidence').click()
  await expect(facts).toContainText('resolved by looking inside')
  await expect(facts).toContainText('Mika')
  await expect(facts.getByRole('row', { name: /4 slots/ }).first()).toContainText('overruled')
  await expect(facts.getByRole('row', { name: /^B as it runs/ })).toContainText(
    'runs at 2666 MT/s now (printed as its clock, 1333)',
  )

  await saved(page)
  await page.reload()
  await expect(slotButton(page, 'B')).toContainText('8 GB')
  await expect(page.getByRole('button', { name: /^Slot / })).toHaveCount(2)
  await expect(page.getByRole('heading', { name: 'How many slots are there?' })).toBeHidden()

  await page.getByText('Evidence').click()
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
  await expect(slotButton(page, 'A')).toContainText('16 GB')

  // What another source says of the same module is a conflict.
  await area.fill('8GB 1Rx8 PC4-3200AA-SA2-11')
  await page.getByRole('group', { name: 'A label of the module in' }).waitFor()
  await area.press('Control+Enter')
  await page.getByRole('button', { name: /8 GB.* is from slot B$/ }).click()
  await expect(slotButton(page, 'B')).toContainText('8 GB')
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
  await page.getByRole('button', { name: 'Remove it' }).click()
  await expect(photo).toBeHidden()
})

const SESSION = `bench@orchard:~$ uptime
 09:12:44 up 3 days,  2:11,  1 user,  load average: 0.31, 0.22, 0.18
bench@orchard:~$ sudo table-as-text
Handle 0x0010, DMI type 16, 23 bytes
Physical Memory Array
\tUse: System Memory
\tMaximum Capacity: 64 GB
\tNumber Of Devices: 2

Handle 0x0011, DMI type 17, 84 bytes
Memory Device
\tArray Handle: 0x0010
\tSize: 8 GB
\tForm Factor: SODIMM
\tLocator: ChannelA-DIMM0
\tBank Locator: BANK 0
\tType: DDR4
\tSpeed: 3200 MT/s
\tSerial Number: 0A1B2C3D
\tPart Number: LRK4-8-3200
\tConfigured Memory Speed: 2400 MT/s
\tConfigured Voltage: 1.35 V

Handle 0x0012, DMI type 17, 84 bytes
Memory Device
\tArray Handle: 0x0010
\tSize: No Module Installed
\tLocator: ChannelB-DIMM0

bench@orchard:~$ cat /proc/meminfo
MemTotal:        8029000 kB
MemAvailable:    1200000 kB
SwapTotal:       2097148 kB
SwapFree:         997148 kB
bench@orchard:~$ `

test('a whole terminal session becomes a settled machine', async ({ page, app }) => {
  await newLaptop(page, app.address, 'Ottilie Farn')
  await expect(slotButton(page, 'A')).toContainText('not seen yet')
  await paste(page, SESSION)
  await expect(slotButton(page, 'A')).toContainText('8 GB')
  await expect(slotButton(page, 'B')).toContainText('empty')
  // How it runs now is an observation: the machine starts, and its module is no 1.35 V one.
  const now = page.getByRole('region', { name: 'As it runs now' })
  await expect(now).toContainText('runs at 2400 MT/s now, on 1.35 V')
  await expect(now).toContainText('The system has 7.7 GB')
  await expect(page.getByRole('region', { name: 'Slot unknown' })).toBeHidden()
  await page.getByText('Evidence').click()
  const facts = page.getByRole('table', { name: 'Facts' })
  await expect(facts.getByRole('row', { name: /^A / }).first()).toBeVisible()
  await expect(facts.getByRole('row', { name: /^A Voltage/ })).toHaveCount(0)

  const readings = page.getByRole('list', { name: 'Readings' })
  await readings.getByText('pasted').click()
  await expect(readings.getByText('not read').first()).toBeVisible()
  await expect(readings.getByText('read as SMBIOS listing')).toBeVisible()
  await expect(readings.getByText('read as memory in use')).toBeVisible()

  // An unexplained lower speed is the one conflict.
  const conflicts = page.getByRole('region', { name: 'Conflicts' })
  await conflicts.getByRole('button', { name: 'I read the label' }).click()
  await conflicts.getByRole('button', { name: /^(1 )?2400 MT\/s/ }).click()
  await expect(conflicts).toBeHidden()
  await saved(page)
  await page.reload()
  await expect(slotButton(page, 'A')).toContainText('8 GB')
  await expect(conflicts).toBeHidden()
})

test('two modules are seated by tapping the board', async ({ page, app }) => {
  await newLaptop(page, app.address, 'Gernot Lind')
  const block = (locator: string, gib: number, serial: string) =>
    `DeviceLocator : ${locator}\nCapacity : ${gib * 1024 ** 3}\nFormFactor : 12\nSMBIOSMemoryType : 26\nSpeed : 3200\nSerialNumber : ${serial}`
  await paste(page, `${block('Slot 1', 8, '0000AAAA')}\n\n${block('Slot 2', 16, '0000BBBB')}`)
  await expect(page.getByRole('heading', { name: 'Which slots are these two in?' })).toBeVisible()
  await expect(slotButton(page, 'A')).toContainText('tap: here')
  // While it is not known, nothing is said of channels.
  await expect(page.getByText('nothing is said of channels, order and start')).toBeVisible()
  await expect(page.getByRole('link', { name: /Identify/ })).toHaveAttribute('title', /which slots/)
  await slotButton(page, 'B').click()
  await expect(slotButton(page, 'B')).toContainText('8 GB')
  await expect(page.getByRole('heading', { name: 'Which slot is this one in?' })).toBeVisible()
  await slotButton(page, 'A').click()
  await expect(slotButton(page, 'A')).toContainText('16 GB')
  await expect(page.getByRole('region', { name: 'Slot unknown' })).toBeHidden()
  await saved(page)
  await page.reload()
  await expect(slotButton(page, 'A')).toContainText('16 GB')
})

test('two alike for two free slots are offered as a pair, a typed label goes to its slot in one step', async ({
  page,
  app,
}) => {
  await newLaptop(page, app.address, 'Runa Tillmann')
  const area = page.getByRole('textbox', { name: /Paste, drop/ })
  await area.fill('16GB (2x8GB) DDR4-3200 CL22 SO-DIMM')
  await area.press('Control+Enter')
  await page.getByRole('button', { name: 'They are alike: one in A and B' }).click()
  await expect(slotButton(page, 'A')).toContainText('8 GB')
  await expect(slotButton(page, 'B')).toContainText('8 GB')

  await newLaptop(page, app.address, 'Runa Tillmann, the second')
  await area.fill('8GB 1Rx8 PC4-3200AA-SA2-11')
  await page
    .getByRole('group', { name: 'A label of the module in' })
    .getByRole('button', { name: 'B' })
    .click()
  await area.press('Control+Enter')
  await expect(slotButton(page, 'B')).toContainText('8 GB')
  // Nobody has looked into the other one.
  await expect(slotButton(page, 'A')).toContainText('not seen yet')
  await page.getByRole('button', { name: 'I looked: A is empty' }).click()
  await expect(slotButton(page, 'A')).toContainText('empty')
})

test('what cannot be read stays, through a reload too', async ({ page, app }) => {
  await newLaptop(page, app.address, 'Ansel Moor')
  await paste(page, 'Größe: acht\nnichts davon')
  const area = page.getByRole('textbox', { name: /Paste, drop/ })
  await expect(area).toHaveValue('Größe: acht\nnichts davon')
  await expect(page.getByRole('alert')).toContainText('line 1: This line is not understood')
  await page.reload()
  await expect(area).toHaveValue('Größe: acht\nnichts davon')
})

test('a photographed label becomes a module on the board', async ({ page, app }) => {
  await newLaptop(page, app.address, 'Jorun Weil')
  const lines = ['LARKFIELD', '16GB 2Rx8 PC4-3200AA-SE1-11', 'S/N 0A1B2C3D']
  const photo = await labelPicture(page, { lines, tilt: 4, blur: 0.8, noise: 40, turned: 1 })
  await page
    .getByLabel('Photo of a label')
    .setInputFiles({ name: 'stick.png', mimeType: 'image/png', buffer: photo })
  const panel = page.getByRole('region', { name: 'Photo stick.png' })
  await expect(panel.getByRole('progressbar')).toBeVisible()
  await expect(panel).toContainText('Read: 16GB 2Rx8 PC4-3200AA-SE1-11', { timeout: 60_000 })
  await expect(panel.getByRole('img', { name: /what was read marked/ })).toBeVisible()
  await slotButton(page, 'A').click()
  await expect(slotButton(page, 'A')).toContainText('16 GB')
  await expect(slotButton(page, 'A')).toContainText('2R×8')
  await page.getByRole('button', { name: 'Close the photo stick.png' }).click()
  await expect(page.getByRole('img', { name: 'stick.png' })).toBeVisible()
})

const STICK = ['LRK4-16-3200S', '16GB 2Rx8 PC4-3200AA-SE1-11', 'S/N 0365 H10A 9C1F']

for (const [name, look] of [
  ['tilted by 20 degrees', { tilt: 20, blur: 0.6, noise: 20 }],
  ['out of focus', { tilt: 0, blur: 2.2, noise: 10 }],
  ['of pale print', { tilt: 2, blur: 0.6, noise: 20, ink: 190 }],
] as const) {
  test(`a photograph ${name} is read as one stick, its numbers with it`, async ({ page, app }) => {
    await newLaptop(page, app.address, 'Iven Starr')
    const photo = await labelPicture(page, { lines: STICK, ...look })
    await page
      .getByLabel('Photo of a label')
      .setInputFiles({ name: 'stick.png', mimeType: 'image/png', buffer: photo })
    const panel = page.getByRole('region', { name: 'Photo stick.png' })
    await expect(panel).toContainText('16GB 2Rx8 PC4-3200AA-SE1-11', { timeout: 90_000 })
    await expect(panel).toContainText('Read: ')
    await expect(panel).toContainText('S/N 0365 H10A 9C1F')
  })
}

test('a photograph with a covered digit asks which of the capacities that fit it is', async ({
  page,
  app,
}) => {
  await newLaptop(page, app.address, 'Oda Lint')
  const lines = ['LARKFIELD', '32GB 2Rx8 PC4-2666V-SE1-11', 'S/N 0A1B2C3D']
  const photo = await labelPicture(page, { lines, tilt: 0, blur: 0.5, noise: 10, covered: 1 })
  await page
    .getByLabel('Photo of a label')
    .setInputFiles({ name: 'finger.png', mimeType: 'image/png', buffer: photo })
  const panel = page.getByRole('region', { name: 'Photo finger.png' })
  await expect(panel.getByText('Which of these stands on it?')).toBeVisible({ timeout: 90_000 })
  await expect(panel).not.toContainText('Read: ')
  await panel.getByRole('button', { name: /^32GB 2Rx8/ }).click()
  await slotButton(page, 'A').click()
  await expect(slotButton(page, 'A')).toContainText('32 GB')
})

test('pictures that are none, or show nothing, say so; reading can be cancelled', async ({
  page,
  app,
}) => {
  await newLaptop(page, app.address, 'Merle Ost')
  const pick = page.getByLabel('Photo of a label')
  const torn = Buffer.from(`\u0089PNG\r\n\u001a\n${'x'.repeat(500)}`, 'latin1')
  await pick.setInputFiles({ name: 'torn.png', mimeType: 'image/png', buffer: torn })
  await expect(page.getByRole('region', { name: 'Photo torn.png' })).toContainText(
    'This is no picture that can be read.',
  )
  // 60,000 by 60,000 by its header: refused before it is opened.
  const huge = Buffer.from('89504e470d0a1a0a0000000d494844520000ea600000ea60', 'hex')
  await pick.setInputFiles({ name: 'huge.png', mimeType: 'image/png', buffer: huge })
  await expect(page.getByRole('region', { name: 'Photo huge.png' })).toContainText('megapixels')
  const moving = Buffer.from(
    'R0lGODlhAQABAPAAAP///wAAACH/C05FVFNDQVBFMi4wAwEAAAAh+QQAAAAAACwAAAAAAQABAAACAkQBADs=',
    'base64',
  )
  await pick.setInputFiles({ name: 'moving.gif', mimeType: 'image/gif', buffer: moving })
  await expect(page.getByRole('region', { name: 'Photo moving.gif' })).toContainText('too small')
  const blank = await labelPicture(page, { lines: [], tilt: 0, blur: 0, noise: 0 })
  await pick.setInputFiles({ name: 'blank.png', mimeType: 'image/png', buffer: blank })
  const empty = page.getByRole('region', { name: 'Photo blank.png' })
  await expect(empty).toContainText('No label was found', { timeout: 60_000 })

  await pick.setInputFiles({ name: 'again.png', mimeType: 'image/png', buffer: blank })
  const again = page.getByRole('region', { name: 'Photo again.png' })
  await again.getByRole('button', { name: 'Cancel' }).click()
  await expect(again).toBeHidden()
})

test('commands to get the report, and scripts that print it all', async ({ page, app }) => {
  await newLaptop(page, app.address, 'Tilo Brand')
  await page.getByText('Get the report from the machine').click()
  for (const name of ['collect.sh', 'collect.ps1']) {
    const link = page.getByRole('link', { name })
    const answer = await page.request.get(app.address + (await link.getAttribute('href')))
    expect(await answer.text()).toContain('memory in use')
  }
  await expect(page.getByRole('button', { name: /^Copy: sudo od/ })).toBeVisible()

  // Sent by the machine itself, it is read and fills the slots like one that was pasted.
  await page.getByRole('button', { name: 'Make a code for it' }).click()
  const code = await page.getByTestId('report-code').textContent()
  const command = page.getByRole('button', {
    name: `Copy: sudo sh collect.sh ${app.address} ${code}`,
  })
  await expect(command).toBeVisible()
  const data =
    'Handle 0x0011, DMI type 17, 92 bytes\nMemory Device\n\tSize: 8 GB\n\tForm Factor: SODIMM\n\tLocator: A\n\tType: DDR4\n\tSpeed: 3200 MT/s\n'
  const headers = { 'content-type': 'text/plain' }
  const sent = await page.request.post(`${app.address}/api/v1/probe/report/${code}`, {
    data,
    headers,
  })
  expect(await sent.text()).toMatch(/^Received, for job \d+/)
  await expect(page.getByRole('region', { name: 'Read' })).toContainText('report by code')
  await expect(slotButton(page, 'A')).toContainText('8 GB')
  await saved(page)
})

test('a kit’s label on a filled machine meets the two modules, and a covered digit is asked', async ({
  page,
  app,
}) => {
  await newLaptop(page, app.address, 'Ida Kitlabel')
  const device = (locator: string, serial: string) =>
    `Memory Device\n\tSize: 16 GB\n\tForm Factor: SODIMM\n\tLocator: ${locator}\n\tType: DDR4\n\tSerial Number: ${serial}\n\tPart Number: LK4-16-3200`
  await paste(
    page,
    [device('ChannelA-DIMM0', '0A1B2C01'), device('ChannelB-DIMM0', '0A1B2C02')].join('\n\n'),
  )
  await expect(slotButton(page, 'A')).toContainText('16 GB')
  await saved(page)
  // Stored in one act: a reload, or another screen, finds the modules in their slots.
  await page.reload()
  await expect(slotButton(page, 'B')).toContainText('16 GB')

  await paste(page, '32GB Kit (2x16GB) DDR4-3200 CL22 SO-DIMM P/N LK4-16-3200')
  await expect(page.getByRole('button', { name: /Remove the reading/ })).toHaveCount(2)
  await expect(page.getByRole('region', { name: 'Slot unknown' })).toHaveCount(0)
  await expect(slotButton(page, 'A')).toContainText('16 GB')
  await expect(page.getByRole('heading', { name: 'The customer’s modules' })).toBeVisible()
  await saved(page)

  await paste(page, '2GB 2Rx8 PC4-2666V-SE1-11')
  await expect(page.getByText(/chip density that nobody makes/).first()).toBeVisible()
  await expect(slotButton(page, 'A')).toContainText('16 GB')
})

test('`16 GB (2 x 8)` is two modules of 8 GB, asked about with the slots that are taken', async ({
  page,
  app,
}) => {
  await newLaptop(page, app.address, 'Otto Twobyeight')
  await paste(page, '16 GB (2 x 8) DDR4-3200 SO-DIMM')
  const question = page.getByRole('region', { name: 'Slot unknown' })
  await expect(question).toContainText('8 GB DDR4 3200 MT/s')
  await expect(question.getByRole('button', { name: /is in none of them/ }).first()).toHaveText(
    'in my hand',
  )
  await question.getByRole('button', { name: 'They are alike: one in A and B' }).click()
  await expect(slotButton(page, 'A')).toContainText('8 GB')
  await expect(slotButton(page, 'B')).toContainText('8 GB')
})

test('a report made without rights says so, and a page gives facts of the machine', async ({
  page,
  app,
}) => {
  await newLaptop(page, app.address, 'Rieke Holm')
  await paste(page, 'od: /sys/firmware/dmi/tables/DMI: Permission denied\nMemTotal: 8029000 kB')
  const readings = page.getByRole('list', { name: 'Readings' })
  await expect(readings).toContainText('Made without the rights to see everything')
  await paste(
    page,
    'Maximum memory: 32GB DDR4-2400\nMemory slots: 2 SO-DIMM\nMemory type: DDR4 dual-channel',
  )
  await page.getByText('Evidence').click()
  const facts = page.getByRole('table', { name: 'Facts' })
  await expect(facts.getByRole('row', { name: /Machine Channels 2/ })).toBeVisible()
  await expect(facts.getByRole('row', { name: /Fastest memory it takes 2400 MT/ })).toBeVisible()
})
