import { expect, test } from './fixtures'
import { jobOn, module } from './jobOn'
import { stepCard, stepDone, untilStep } from './stepCard'

test('a laptop with a screwed module: its caution first, no latch and no push', async ({
  page,
  app,
}) => {
  const camm = { formFactor: 'CAMM2', capacityGiB: 32, ranks: 2 }
  const address = await jobOn(
    page,
    app,
    'Sunniva Roke',
    { Kind: 'laptop', Generation: 'LPDDR5X' },
    /^Laptop with LPCAMM2/,
    { M1: module({ ...camm, generation: 'LPDDR5X', voltages: [1.05], article: 'Flat-32' }) },
    {
      M1: module({
        ...camm,
        generation: 'LPDDR5X',
        voltages: [1.05],
        article: 'Flat-64',
        capacityGiB: 64,
      }),
    },
  )
  await page.goto(`${address}/fit`)
  const before = await untilStep(page, /^Out of slot M1/)
  expect(before).toContain('This module is screwed down')
  expect(before).toContain('A swollen battery stops the work')
  expect(before.indexOf('This module is screwed down')).toBeLessThan(
    before.indexOf('Shut it down fully'),
  )
  expect(before.indexOf('Battery off')).toBeLessThan(before.indexOf('Discharge residual power'))
  await expect(stepCard(page)).toContainText('Lift it straight up off its guide pins')
  await expect(stepCard(page)).toContainText('torque screwdriver')
  await stepDone(page).click()
  // No latches to open on the way.
  await expect(stepCard(page).getByRole('heading')).toHaveText('Into slot M1')
  await expect(stepCard(page)).toContainText('nothing is pushed and nothing clicks')
  await expect(stepCard(page)).not.toContainText('latch')
})

test('an all-in-one is asked how it opens, and its display’s caution stands until it is', async ({
  page,
  app,
}) => {
  const small = { formFactor: 'SODIMM', generation: 'DDR4', voltages: [1.2], capacityGiB: 8 }
  const speeds = [{ kind: 'standard', dataRate: 3200, cl: 22, trcd: 22, trp: 22, tras: 52 }]
  const address = await jobOn(
    page,
    app,
    'Aurel Finnigan',
    { Kind: 'all-in-one', Slots: '2' },
    /^All-in-one, 2 SO-DIMM slots/,
    { A: module({ ...small, speeds }) },
    { A: module({ ...small, speeds, article: 'Sixteen', capacityGiB: 16 }) },
  )
  await page.goto(`${address}/fit`)
  const list = page.getByRole('button', { name: /as a list|at a time/ })
  const asked = page.getByRole('region', { name: 'Hatch or display' })
  await expect(asked).toBeVisible()
  await list.click()
  await expect(page.getByRole('button', { name: 'The slots are behind the display' })).toBeVisible()
  await expect(page.getByRole('button', { name: /^Loosen the display/ })).toBeVisible()
  await asked.getByRole('button', { name: 'A hatch' }).click()
  await expect(asked).toBeHidden()
  await expect(page.getByRole('button', { name: 'The slots are behind the display' })).toBeHidden()
  await expect(page.getByRole('button', { name: /^Hatch off/ })).toBeVisible()
  await list.click()
  const before = await untilStep(page, /^Hatch off/)
  expect(before[0]).toBe('The maker’s instructions come first')
  expect(before).toContain('The power supply stays shut')
  expect(before.indexOf('Pull every cable')).toBeGreaterThan(before.indexOf('Shut it down fully'))
})

test('a trial on a running desktop: cautions, then off, unplugged and discharged before a hand goes in', async ({
  page,
  app,
}) => {
  const address = await jobOn(
    page,
    app,
    'Ragna Tellmann',
    { Kind: 'desktop', Generation: 'DDR5', Slots: '4' },
    /^Desktop, 4 slots, DDR5/,
    { A2: module({}), B2: module({}) },
    {},
  )
  await page.goto(`${address}/verify`)
  await page.getByRole('tab', { name: 'Fault' }).click()
  const trial = page.getByRole('region', { name: 'Next trial' })
  await expect(trial).toContainText('What does it do as it stands?')
  await trial.getByRole('button', { name: /^It does not start/ }).click()
  await expect(trial).toContainText('Try next')
  // Nothing is touched before it was seen twice.
  await trial.getByRole('button', { name: /^It does not start/ }).click()
  await expect(page.getByRole('region', { name: 'Trials made' }).getByRole('listitem')).toHaveCount(
    2,
  )
  // Nothing was fitted just before: seating all again is a trial of the technician's own.
  await page.getByLabel('Another trial').selectOption('own')
  await trial.getByLabel('What stays is seated again too').click()
  const cautions = trial.getByRole('region', { name: 'Cautions' })
  await expect(cautions).toContainText('Read these first')
  await expect(cautions).toContainText('These modules are fed while the machine is plugged in')
  await expect(cautions).toContainText('The power supply stays shut')
  const outcomes = trial.getByRole('group', { name: 'What came of it' })
  await expect(outcomes.getByRole('button').first()).toBeDisabled()
  const steps = trial.getByRole('list', { name: 'Steps of the trial' }).getByRole('listitem')
  await expect(steps).toContainText([
    'Switch it off by its button',
    'Pull every cable',
    'Discharge residual power',
    'Strap on',
    'Side panel off',
    'Out and in again: A2 and B2',
    'Every module fully seated',
    'Strap off',
    'Cables back',
    'First start',
    'Look at the setup',
  ])
  await cautions.getByRole('button', { name: 'I have read these' }).click()
  await expect(cautions).toContainText('Cautions, read')
  await outcomes.getByRole('button', { name: /^It does not start/ }).click()
  // What was opened stays open; it is made safe again all the same.
  await page.getByLabel('Another trial').selectOption({ index: 0 })
  await expect(trial.getByText('I have read these')).toBeHidden()
  await expect(steps.first()).toContainText('Switch it off by its button')
})

test('a dead laptop whose battery is disabled in the setup: cut off another way, and never its system', async ({
  page,
  app,
}) => {
  const small = { formFactor: 'SODIMM', generation: 'DDR4', voltages: [1.2], capacityGiB: 8 }
  const speeds = [{ kind: 'standard', dataRate: 3200, cl: 22, trcd: 22, trp: 22, tras: 52 }]
  const address = await jobOn(
    page,
    app,
    'Ilka Brandvold',
    { Kind: 'laptop', Generation: 'DDR4', Slots: '2' },
    /^Laptop, 2 slots, DDR4/,
    { A: module({ ...small, speeds }) },
    { A: module({ ...small, speeds, article: 'Sixteen', capacityGiB: 16 }) },
  )
  await page.goto(`${address}/verify`)
  await page.getByRole('tab', { name: 'Fault' }).click()
  const trial = page.getByRole('region', { name: 'Next trial' })
  await trial.getByRole('button', { name: /^It does not start/ }).click()
  await expect(trial).toContainText('Try next')
  await trial.getByRole('button', { name: /^It does not start/ }).click()
  await page.goto(`${address}/fit`)
  await page.getByText('Ways of working, notes, photos').click()
  await page.getByLabel('The battery').selectOption('setup')
  await page.goto(`${address}/verify?tab=fault`)
  await page.getByRole('tab', { name: 'Fault' }).click()
  await page.getByLabel('Another trial').selectOption('own')
  await trial.getByLabel('What stays is seated again too').click()
  const steps = trial.getByRole('list', { name: 'Steps of the trial' })
  await expect(steps).toContainText('Cut the battery off another way')
  await expect(steps).toContainText('a reset hole')
  await expect(steps).not.toContainText('Disable the battery in the setup')
  await expect(steps).toContainText('First start, into the setup')
  await expect(steps).not.toContainText('Now the customer’s system')
})
