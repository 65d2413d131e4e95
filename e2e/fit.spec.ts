import { startApplication } from './application'
import { expect, newJob, saved, slotButton, test } from './fixtures'

test('a laptop is fitted: screw map, reload in the middle, the server away for a while, recorded once', async ({
  page,
}) => {
  test.setTimeout(180_000)
  const own = await startApplication()
  try {
    const job = await newJob(page, own, 'Linnea Crake', 'Heron 15', { A: '8GB 1Rx8' })
    await page.goto(`${job.address}/plan`)
    const tray = page.getByRole('region', { name: 'Tray' })
    await tray.getByRole('button', { name: /^16 GB DDR4-3200.*Larkfield.*€26/ }).click()
    await slotButton(page, 'A').click()
    await saved(page)

    await page.getByRole('link', { name: 'Fit' }).click()
    const step = page.getByRole('region', { name: /^Step \d+/ })
    const main = step.getByRole('button', { name: /^(Done|I have read this)$/ })
    const heading = step.getByRole('heading')

    // Nothing is ticked before the cautions are read, and a caution cannot be left out.
    await expect(heading).toHaveText('The maker’s instructions come first')
    await expect(step.getByRole('button', { name: 'Leave this step out' })).toBeDisabled()
    await page.getByRole('button', { name: 'All steps as a list' }).click()
    await page.getByRole('button', { name: 'Pull every cable' }).first().click()
    await expect(main).toBeDisabled()
    await page.getByRole('button', { name: 'All steps as a list' }).click()
    await page.getByRole('button', { name: 'The maker’s instructions come first' }).click()

    for (const title of [
      'The maker’s instructions come first',
      'Nothing is opened before the work is saved',
      'An encrypted drive may ask for its recovery key',
      'A swollen battery stops the work',
      'A battery plug is live until it is out',
      'A clear, dry surface',
    ]) {
      await expect(heading).toHaveText(title)
      await main.click()
    }
    // What the record of the model warns of, then the work: by key, as a foot switch sends it.
    await expect(heading).toHaveText('Battery plug off before anything else is touched.')
    await page.keyboard.press('PageDown')
    await expect(heading).toHaveText('Does not start with the first slot empty.')
    await page.keyboard.press('PageDown')
    await expect(heading).toHaveText('Work saved, copy made')
    await page.keyboard.press('PageDown')
    await expect(heading).toHaveText('Recovery key at hand, or the drive is not encrypted')
    await page.keyboard.press('PageUp')
    await expect(heading).toHaveText('Work saved, copy made')
    await page.keyboard.press('PageDown')
    await main.click()
    await expect(heading).toHaveText('Read the system’s error log')
    await main.click()
    await expect(heading).toHaveText('Battery below a quarter')
    await main.click()
    // What makes the machine safe cannot be left out.
    await expect(heading).toHaveText('Shut it down fully')
    await expect(step.getByRole('button', { name: 'Leave this step out' })).toBeDisabled()
    await main.click()
    await expect(heading).toHaveText('Pull every cable')
    await main.click()
    await expect(heading).toHaveText('Strap on, mat out')
    await step.getByRole('button', { name: 'Leave this step out' }).click()
    await expect(step.getByRole('button', { name: 'Leave it out', exact: true })).toBeDisabled()
    await step.getByLabel('Why is it left out?').fill('Strap is broken, touched metal')
    await step.getByRole('button', { name: 'Leave it out', exact: true }).click()

    await expect(heading).toHaveText('Screws out, each onto the map')
    await page.getByRole('tab', { name: /^Screws/ }).click()
    const map = page.getByRole('button', { name: /^Place a screw/ })
    await map.click({ position: { x: 30, y: 30 } })
    await page.getByLabel('Length, mm').fill('99')
    await expect(page.getByText('Up to 60 mm.')).toBeVisible()
    await page.getByLabel('Length, mm').fill('4')
    await map.click({ position: { x: 300, y: 30 } })
    await map.focus()
    await page.keyboard.press('ArrowDown')
    await page.keyboard.press('Enter')
    await expect(page.getByRole('button', { name: /^Screw 3, 4 mm/ })).toBeVisible()
    await page.getByLabel('Length, mm').fill('8')
    await page.getByRole('button', { name: 'Keep with Heron 15' }).click()
    await expect(page.getByText('Kept with Heron 15.')).toBeVisible()
    await saved(page)

    await page.reload()
    await page.getByRole('tab', { name: 'Steps' }).click()
    await expect(heading).toHaveText('Screws out, each onto the map')
    await main.click()
    await expect(heading).toHaveText('Cover off')
    await main.click()
    await expect(heading).toHaveText('Battery off')
    await main.click()
    await expect(heading).toHaveText('Discharge residual power')

    // The server goes away; the work goes on.
    await own.stop('SIGKILL')
    await main.click()
    await expect(page.getByTestId('save-state')).toHaveText(/Server away: kept here/)
    while (!/^Out of slot/.test((await heading.textContent()) ?? '')) await main.click()
    await expect(page.locator('[data-lit=true]')).toHaveCount(1)
    await main.click()
    await expect(slotButton(page, 'A')).toContainText('taken out')
    await expect(heading).toHaveText('Into slot A')
    await expect(step).toContainText('In at 25 to 30 degrees')
    await expect(step).toContainText('the lower one is filled first')
    await main.click()
    await expect(slotButton(page, 'A')).toContainText('16 GB')
    await own.start()
    await page.reload()
    await saved(page)
    await expect(slotButton(page, 'A')).toContainText('16 GB')
    await expect(heading).toHaveText('Every module fully seated')
    while (!/^First start/.test((await heading.textContent()) ?? '')) await main.click()
    await expect(step).toContainText('0.5 to 3 minutes are usual here')
    while (!/^Screws in/.test((await heading.textContent()) ?? '')) await main.click()

    await page.getByRole('tab', { name: /^Screws/ }).click()
    const backwards = page.getByRole('list', { name: 'Screws, backwards' })
    await expect(backwards.getByRole('listitem').first()).toContainText('8 mm')
    const questions = page.getByRole('list', { name: 'Screw questions' })
    await expect(questions).toContainText('3 holes still empty: 1, 2, and 3.')
    for (const box of await backwards.getByRole('checkbox').all()) await box.click()
    await expect(questions).toContainText('Is anything left on the tray?')
    await page.getByLabel('8 mm', { exact: true }).last().fill('1')
    await expect(questions).toContainText('1 screw of 8 mm left, though every hole is filled')
    await page.getByRole('button', { name: 'Nothing left' }).click()
    await expect(questions).toContainText('Every screw is back, and nothing is left.')

    await page.getByRole('tab', { name: 'Tray' }).click()
    await page.getByRole('button', { name: 'Fitted: on to Verify' }).click()
    await expect(page.getByText(/steps are neither done nor left out/)).toBeVisible()
    await page.getByRole('tab', { name: 'Steps' }).click()
    await expect(main).toBeVisible()
    while (await main.isVisible()) await main.click()
    await expect(page.getByRole('region', { name: 'All steps done' })).toBeVisible()
    await page.getByRole('button', { name: 'To the tray' }).click()
    const out = page.getByRole('region', { name: 'Came out' })
    await out.getByLabel(/^Serial number of/).fill('OLD-77')
    // Back to the customer, unless somebody chooses otherwise.
    await expect(out.getByLabel('Where it goes')).toHaveValue('customer')
    await out.getByLabel('Where it goes').selectOption({ label: 'to our shelf, used and untested' })

    await page.getByRole('link', { name: 'Labels to print' }).click()
    await expect(page.getByRole('img', { name: `Code that opens ${job.address}` })).toHaveCount(3)
    await expect(page.getByRole('region', { name: 'Module label' })).toContainText('OLD-77')
    await page.getByRole('link', { name: 'Back to the bench' }).click()
    await page.getByRole('tab', { name: 'Tray' }).click()
    await page.getByRole('button', { name: 'Fitted: on to Verify' }).click()
    await expect(page.getByRole('heading', { name: 'Verify' })).toBeVisible()
    await saved(page)

    const api = `${own.address}/api/v1`
    const file = await (await page.request.get(`${api}/jobs/${job.id}`)).json()
    expect(file.stage).toBe('verify')
    expect(file.fits).toHaveLength(1)
    const [fit] = file.fits
    expect(fit.ticks.STRAP_ON).toMatchObject({
      state: 'skipped',
      reason: 'Strap is broken, touched metal',
    })
    expect(fit.ticks.BATTERY_OFF.state).toBe('done')
    expect(fit.screws).toHaveLength(3)
    expect(fit.runningSince).toBeNull()
    const shelf = await (await page.request.get(`${api}/modules?shop=1`)).json()
    const came = shelf.filter((one: { fromJobId: string }) => one.fromJobId === job.id)
    expect(came).toHaveLength(1)
    expect(came[0]).toMatchObject({ serialNumber: 'OLD-77', condition: 'used', testedOn: null })
    expect(shelf.some((one: { price: number }) => one.price === 2600)).toBe(false)

    // The next one of this model starts with the map.
    const next = await newJob(page, own, 'Otto Vane', 'Heron 15', { A: '8GB 1Rx8' })
    await page.goto(`${next.address}/plan`)
    await tray
      .getByRole('button', { name: /^8 GB DDR4-3200.*€14/ })
      .first()
      .click()
    await slotButton(page, 'B').click()
    await page.getByRole('link', { name: 'Fit' }).click()
    await page.getByRole('tab', { name: /^Screws/ }).click()
    await page.getByRole('button', { name: 'Take it' }).click()
    await expect(page.getByRole('button', { name: /^Screw 3, 8 mm/ })).toBeVisible()
  } finally {
    await own.end()
  }
})

test('a plan that leaves everything as found has nothing to fit', async ({ page, app }) => {
  const job = await newJob(page, app, 'Per Alder', 'Heron 15', { A: '8GB 1Rx8' })
  await page.goto(`${job.address}/fit`)
  await expect(page.getByText('Nothing is to be fitted')).toBeVisible()
})
