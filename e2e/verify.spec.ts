import { expect, newJob, openJob, saved, slot, test } from './fixtures'

const AFTER = [
  'DeviceLocator,BankLabel,Capacity,Speed,ConfiguredClockSpeed,FormFactor,SMBIOSMemoryType,PartNumber',
  'A,BANK A,8589934592,2666,2666,12,26,found in it',
  'B,BANK B,8589934592,3200,2666,12,26,Larkfield L4-8-3200',
].join('\n')

test('a second module is not seen: expected against seen, fault finder, seated anew, measured', async ({
  page,
  app,
}) => {
  const job = await newJob(page, app, 'Runa Thistle', 'Heron 15', { A: '8GB 1Rx8' })
  await page.goto(`${job.address}/plan`)
  await page
    .getByRole('region', { name: 'Tray' })
    .getByRole('button', { name: /^8 GiB DDR4-3200 small-outline, Larkfield.*€23/ })
    .click()
  await slot(page, 'B').click()
  await page.getByRole('link', { name: 'Verify' }).click()

  await page.getByLabel('Memory in all, GiB, seen').fill('8')
  await page.getByLabel('Slot B, seen').fill('0')
  await page.getByLabel('Rate (or clock) shown, seen').fill('1333')
  const differences = page.getByRole('list', { name: 'Differences' })
  await expect(differences).toContainText('8 GiB of 16 GiB: short by just what sits in A or B.')
  await expect(differences).toContainText('B is shown empty; 8 GiB sit there.')
  await expect(differences).toContainText('1333 is the clock: twice that is the rate, 2666 MT/s.')
  await page.getByLabel('CL, seen').fill('fast')
  await expect(page.getByLabel('CL, seen')).toHaveAttribute('aria-invalid', 'true')
  await page.getByLabel('CL, seen').fill('')

  await differences.getByRole('button', { name: 'Find the fault' }).first().click()
  const outcomes = page.getByRole('group', { name: 'What came of it' })
  await expect(page.getByRole('region', { name: 'Next trial' })).toContainText('Begin with')
  await outcomes.getByRole('button', { name: /^Starts without B/ }).click()
  await expect(page.getByRole('region', { name: 'Next trial' })).toContainText('seat it anew')
  await expect(outcomes.getByRole('button', { name: /^All well/ })).toContainText(
    'then the module in B was not home',
  )
  await expect(page.locator('[data-lit=true]')).toHaveCount(2)
  await saved(page)
  await page.reload()
  await page.getByRole('tab', { name: /^Fault/ }).click()
  await outcomes.getByRole('button', { name: /^All well/ }).click()
  const verdict = page.getByRole('region', { name: 'Verdict' })
  await expect(verdict).toContainText('The module in B was not home')
  await expect(verdict).toContainText('It is home now.')

  await page.getByRole('tab', { name: /^Seen/ }).click()
  await page.getByText('From a readout of the machine as it is now').click()
  await page.getByLabel('Paste it').fill('nothing like a readout')
  await page.getByRole('button', { name: 'Fill in' }).click()
  await expect(page.getByText('Nothing of that could be read.')).toBeVisible()
  await page.getByLabel('Paste it').fill(AFTER)
  await page.getByRole('button', { name: 'Fill in' }).click()
  await expect(page.getByLabel('Memory in all, GiB, seen')).toHaveValue('16')
  await expect(differences).toContainText('What was looked at is as expected.')
  const stability = page.getByRole('region', { name: 'Stability' })
  await stability.getByRole('button', { name: 'Note it' }).click()
  await expect(stability.getByText('Whole passes.')).toBeVisible()
  await stability.getByLabel('Passes').fill('4')
  await stability.getByLabel('Hours').fill('6,5')
  await stability.getByRole('button', { name: 'Note it' }).click()
  await expect(stability).toContainText('4 passes in 6.5 h, 0 errors')
  await expect(page.getByRole('link', { name: 'Verify' }).getByLabel('done')).toBeVisible()

  await page.getByRole('tab', { name: 'Measured' }).click()
  await expect(page.getByText(/a gain cannot be told apart between them/)).toBeVisible()
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(page.getByText('Name the test.')).toBeVisible()
  await page.getByLabel('A further test').fill('Copy')
  await page.getByLabel('It gives').selectOption({ label: 'copy bandwidth' })
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  const copy = page.getByRole('region', { name: 'Copy' })
  await copy.getByLabel('After', { exact: true }).fill('31.5 31.2 -3')
  await expect(copy.getByText('Run 3 is no figure above 0.')).toBeVisible()
  await copy.getByLabel('After', { exact: true }).fill('31.5 31.2 30.9 31.4')
  await expect(copy).toContainText('At least 2 channels at work, beyond doubt')
  await copy.getByLabel('Before', { exact: true }).fill('16.1 15.9')
  await expect(copy.locator('[data-verdict=too-few]')).toContainText('1 more run at least')
  await copy.getByLabel('Before', { exact: true }).fill('16.1 15.9 16.0 16.2')
  await expect(copy.locator('[data-verdict=gain]')).toContainText('A gain: +')
  await expect(page.getByRole('img', { name: /^Tests before and after/ })).toBeVisible()
  await page.getByText('As a table').click()
  await expect(page.getByRole('row', { name: /^Copy, GB\/s/ })).toContainText('194')

  await page.getByLabel('A further test').fill('Letters')
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  const letters = page.getByRole('region', { name: 'Letters' })
  await letters.getByLabel('After', { exact: true }).fill('100 103 98 101')
  await letters.getByLabel('Before', { exact: true }).fill('99 102 100 98')
  await expect(letters.locator('[data-verdict=cannot-tell]')).toContainText(
    'Cannot be told from noise',
  )
  await saved(page)

  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Runs as CSV' }).click(),
  ])
  expect(download.suggestedFilename()).toBe(`job-${job.number}-runs.csv`)
  await page.reload()
  await page.getByRole('tab', { name: 'Measured' }).click()
  await expect(copy.locator('[data-verdict=gain]')).toBeVisible()

  // The probe, in its short form, on a window of a telephone's size.
  await page.getByRole('button', { name: 'Measure with the probe' }).click()
  const code = (await page.getByTestId('probe-code').textContent()) ?? ''
  expect(code).toMatch(/^\d{6}$/)
  const probe = await page.context().newPage()
  await probe.setViewportSize({ width: 390, height: 800 })
  await probe.goto(`${app.address}/probe?short`)
  await probe.getByLabel('Code from the job').fill(code === '000000' ? '000001' : '000000')
  await probe.keyboard.press('Enter')
  await expect(probe.getByRole('alert')).toContainText('There is no such code.')
  await probe.getByLabel('Code from the job').fill(code)
  await probe.keyboard.press('Enter')
  await expect(probe.getByText(`Job ${job.number}`)).toBeVisible()
  await probe.getByRole('button', { name: 'Measure' }).click()
  await expect(probe.getByRole('heading', { name: `Sent to job ${job.number}` })).toBeVisible()
  await probe.close()
  const probed = page.getByRole('region', { name: 'Probe: copy bandwidth' })
  await expect(probed).toContainText('3 runs, mean')
  await expect(page.getByRole('region', { name: 'Probe: latency' })).toContainText(
    'ns, lower is better',
  )
})

test('a log of frame times is read, its column chosen and remembered; bad logs say why', async ({
  page,
  app,
}) => {
  const job = await newJob(page, app, 'Ansel Rook', 'Heron 15', { A: '8GB 1Rx8' })
  await page.goto(`${job.address}/plan`)
  await page
    .getByRole('region', { name: 'Tray' })
    .getByRole('button', { name: /^8 GiB DDR4-3200 small-outline, Larkfield.*€23/ })
    .click()
  await slot(page, 'B').click()
  await page.getByRole('link', { name: 'Verify' }).click()
  await page.getByRole('tab', { name: 'Measured' }).click()
  const frames = page.getByRole('region', { name: 'Frame times' })
  const open = (name: string, text: string) =>
    page
      .getByLabel('Log of frame times')
      .setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) })

  await open('empty.csv', '')
  await expect(frames.getByRole('alert')).toContainText('The log is empty.')

  const rows = Array.from({ length: 1000 }, (_, at) => `${at};${at === 500 ? 110 : 10};n/a`)
  await open('run.csv', ['Frame;Length;Rest', 'x;;', ...rows].join('\n'))
  await expect(frames.getByText('This column holds no two frame times above 0.')).toBeVisible()
  await frames.getByLabel('Column of frame times').selectOption('Length')
  await expect(frames).toContainText('1000 frames of 1001 rows, 10.1 s; 1 left out (line 2).')
  await expect(frames.getByRole('row', { name: /^Average rate/ })).toContainText('99')
  await expect(frames.getByRole('row', { name: /^Stutters/ })).toContainText('1, 0.1 s')
  await frames.getByRole('button', { name: 'Add as a run' }).click()
  await expect(page.getByRole('region', { name: 'Frames: average rate' })).toContainText(
    '1 run, mean 99.01',
  )

  await open('run2.csv', ['Frame;Length;Rest', ...rows].join('\n'))
  await expect(frames.getByLabel('Column of frame times')).toHaveValue('Length')
  await frames.getByRole('button', { name: 'Add as a run' }).click()
  await expect(page.getByRole('region', { name: 'Frames: average rate' })).toContainText('2 runs')

  await open('scores.csv', 'Name,Points\na,4100\nb,4150\nc,\nd,4080\n')
  await frames.getByLabel('It holds').selectOption({ label: 'scores, one a run; higher is better' })
  await frames.getByLabel('Column of runs').selectOption('Points')
  await expect(frames).toContainText('3 figures of 4 rows; 1 left out (line 4).')
  await frames.getByRole('button', { name: 'Add 3 runs of “Points”' }).click()
  await expect(page.getByRole('region', { name: 'Points' })).toContainText('3 runs, mean 4109')
})

test('a fault hidden in the simulated machine is found, by the shop’s own table of causes', async ({
  page,
  app,
}) => {
  await openJob(page, app, 'Hallow', 'verify')
  await page.getByRole('tab', { name: /^Fault/ }).click()
  const suspects = page.getByRole('region', { name: 'Suspects' })
  await expect(suspects.getByRole('listitem').first()).toContainText('was not home')
  await page.getByRole('button', { name: 'How often each cause is met' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('A bad slot, each').fill('-1')
  await expect(dialog.getByText('Above 0.')).toBeVisible()
  await expect(dialog.getByRole('button', { name: 'Save for the shop' })).toBeDisabled()
  await dialog.getByLabel('A bad slot, each').fill('900')
  await dialog.getByRole('button', { name: 'Save for the shop' }).click()
  await expect(dialog).toBeHidden()
  await expect(suspects.getByRole('listitem').first()).toContainText(/^Slot .* is bad/)
  await page.getByRole('button', { name: 'How often each cause is met' }).click()
  await dialog.getByRole('button', { name: 'The starting table' }).click()
  await dialog.getByRole('button', { name: 'Save for the shop' }).click()
  await expect(suspects.getByRole('listitem').first()).toContainText('was not home')

  await page.getByText('On a simulated machine, to try this out').click()
  await page.getByRole('button', { name: 'Hide a fault in it' }).click()
  const make = page.getByRole('button', { name: 'Make the trial on it' })
  const made = page.getByRole('region', { name: 'Trials made' }).getByRole('listitem')
  for (let trial = 1; trial <= 12 && (await make.isVisible()); trial += 1) {
    await make.click()
    await expect(made).toHaveCount(trial)
  }
  await expect(page.getByRole('region', { name: 'Verdict' })).toBeVisible()
  await page.getByRole('button', { name: 'What was it?' }).click()
  await expect(page.getByText(/^Hidden was: /)).toBeVisible()
})
