import type { Page } from '@playwright/test'
import type { Application } from './application'
import { chanceOf } from './chance'
import { expect, newJob, saved, slotButton, test, toStep } from './fixtures'
import { jobOn, module } from './jobOn'

/** A laptop with 8 GB, to which 8 GB are planned beside, at its Verify step. */
async function secondModule(page: Page, app: Application, customer: string) {
  const job = await newJob(page, app, customer, 'Heron 15', { A: '8GB 1Rx8' })
  await page.goto(`${job.address}/plan`)
  await page
    .getByRole('region', { name: 'Tray' })
    .getByRole('button', { name: /^8 GB DDR4-3200 SO-DIMM, Larkfield.*€23/ })
    .click()
  await slotButton(page, 'B').click()
  await page.getByRole('link', { name: 'Fit' }).click()
  await page.getByRole('button', { name: 'It is here' }).click()
  await page.getByRole('link', { name: 'Verify' }).click()
  return job
}

/** A machine of a series that starts whichever of its slots is filled. */
async function startsWithAnySlot(page: Page, app: Application, jobId: string) {
  const api = `${app.address}/api/v1`
  const { machine } = await (await page.request.get(`${api}/jobs/${jobId}`)).json()
  const slots = machine.machine.slots.map((one: object) => ({ ...one, mustFill: false }))
  await page.request.patch(`${api}/machines/${machine.id}`, {
    data: { version: machine.version, machine: { ...machine.machine, slots } },
  })
  await page.reload()
}

/** The probe opened with a code of the job that is on the page. */
async function openedProbe(page: Page, app: Application): Promise<Page> {
  await page.getByRole('button', { name: 'Measure with the probe' }).click()
  const code = (await page.getByTestId('probe-code').textContent()) ?? ''
  expect(code).toMatch(/^\d{6}$/)
  const probe = await page.context().newPage()
  await probe.goto(`${app.address}/probe`)
  await probe.getByLabel('Code from the job').fill(code)
  await probe.keyboard.press('Enter')
  await expect(probe.getByRole('button', { name: 'Measure' })).toBeVisible()
  return probe
}

const AFTER = [
  'DeviceLocator,BankLabel,Capacity,Speed,ConfiguredClockSpeed,FormFactor,SMBIOSMemoryType,PartNumber',
  'A,BANK A,8589934592,2666,2666,12,26,found in it',
  'B,BANK B,8589934592,3200,2666,12,26,Larkfield L4-8-3200',
].join('\n')

/** Answers the trial proposed, once its cautions are read. */
async function answer(page: Page, outcome: string) {
  const outcomes = page.getByRole('group', { name: 'What came of it' })
  const made = page.getByRole('region', { name: 'Trials made' }).getByRole('listitem')
  await expect(outcomes).toBeVisible()
  const count = await made.count()
  const read = page.getByRole('button', { name: 'I have read these' })
  if (await read.isVisible()) await read.click()
  const spoken = outcomes.getByRole('button', { name: new RegExp(`^${outcome}`) })
  if (await spoken.isVisible()) await spoken.click()
  else await outcomes.getByLabel('Something else came of it').selectOption({ label: outcome })
  // What was seen counted as one already where there was none.
  await expect(made).not.toHaveCount(count)
}

/** The trial proposed, as it is written: what is in, what is done, and whether it is tested. */
interface Proposed {
  modules: number
  profile: boolean
  tested: boolean
}

/** Answers the trials proposed by what a machine would do, until the search ends; how many were made. */
async function answerUntil(page: Page, outcome: (trial: Proposed) => string, most = 40) {
  const verdict = page.getByRole('region', { name: 'Verdict' })
  const next = page.getByRole('region', { name: 'Next trial' })
  for (let trial = 0; trial < most; trial += 1) {
    await expect(next.or(verdict).first()).toBeVisible()
    if (await verdict.isVisible()) return trial
    const heading = (await next.getByRole('heading').first().textContent()) ?? ''
    const held = (await next.getByText(/^In it: /).textContent()) ?? ''
    await answer(
      page,
      outcome({
        modules: held.split(';')[0]?.split(':').slice(2).length ?? 0,
        profile: held.includes('memory profile on'),
        tested: /memory test|^Test it/.test(heading),
      }),
    )
  }
  throw new Error('the search does not end')
}

test('a second module is not seen: expected against seen, fault finder, seated again, measured', async ({
  page,
  app,
}) => {
  const job = await secondModule(page, app, 'Runa Thistle')

  await page.getByLabel('Memory in all, GB, seen').fill('8')
  const differences = page.getByRole('list', { name: 'Differences' })
  await expect(differences).toContainText('8 GB of 16 GB: exactly what is in A or B is missing.')
  // Only a slot that was seen empty leads to the fault finder.
  await expect(differences).toContainText('Look first whether every slot is seen')
  await expect(differences.getByRole('button', { name: 'Find the fault' })).toHaveCount(0)
  await page.getByLabel('Slot B, seen').fill('0')
  await page.getByLabel('Speed (or clock) shown, seen').fill('1333')
  await expect(differences).toContainText('B is shown empty; 8 GB sit there.')
  await expect(differences).toContainText('1333 is the clock: twice that is the speed, 2666 MT/s.')
  await page.getByLabel('CL, seen').fill('fast')
  await expect(page.getByLabel('CL, seen')).toHaveAttribute('aria-invalid', 'true')
  await page.getByLabel('CL, seen').fill('')

  await differences.getByRole('button', { name: 'Find the fault' }).first().click()
  const outcomes = page.getByRole('group', { name: 'What came of it' })
  // What was seen is the first trial already.
  await expect(page.getByRole('region', { name: 'Trials made' })).toContainText(
    'A: the old 8 GB, B: the new 8 GB; started: Starts without B',
  )
  const next = page.getByRole('region', { name: 'Next trial' })
  await expect(next).toContainText('It was seen once only')
  // It is seen twice, not oftener, then a hand goes in.
  await answer(page, 'Starts without B')
  await expect(page.getByRole('region', { name: 'Trials made' }).getByRole('listitem')).toHaveCount(
    2,
  )
  await expect(next).toContainText('Every module out and in again')
  await expect(next).toContainText('It may be all that is needed')
  // A hand goes in: nothing is noted before the cautions are read, and they stay read.
  await expect(outcomes.getByRole('button', { name: /^Passed/ })).toBeDisabled()
  await page.getByRole('button', { name: 'I have read these' }).click()
  await expect(outcomes.getByRole('button', { name: /^Passed/ })).toContainText(
    'then the module in B was not fully seated',
  )
  await expect(page.locator('[data-lit=true]')).toHaveCount(2)
  await saved(page)
  await page.reload()
  await page.getByRole('tab', { name: /^Fault/ }).click()
  const verdict = page.getByRole('region', { name: 'Verdict' })
  await answer(page, 'Passed')
  await expect(next).toContainText('a few more passes as it stands tell a cure from luck')
  await page.getByRole('button', { name: /^Stop here/ }).click()
  const stopped = page.getByRole('region', { name: 'Stopped' })
  await expect(stopped).toContainText('It seems to be put right: the module in B')
  await expect(stopped).toContainText('It has passed too seldom since')
  await stopped.getByRole('button', { name: 'Go on looking' }).click()
  await answerUntil(page, () => 'Passed')
  await expect(verdict).toContainText('Put right')
  await expect(verdict).toContainText('Since every module was seated again')
  await expect(verdict).toContainText('The module in B was not fully seated.')

  await page.getByRole('tab', { name: /^Seen/ }).click()
  await page.getByText('From a system report or the setup of the machine as it is now').click()
  await page.getByLabel('Paste it').fill('nothing like a report')
  await page.getByRole('button', { name: 'Fill in' }).click()
  await expect(page.getByText('Nothing of that could be read.')).toBeVisible()
  await page.getByLabel('Paste it').fill(AFTER)
  await page.getByRole('button', { name: 'Fill in' }).click()
  await expect(page.getByLabel('Memory in all, GB, seen')).toHaveValue('16')
  await expect(differences).toContainText('What was looked at is as expected.')
  await expect(
    page.getByText(/Before it is handed over: .*the soak test, as planned/),
  ).toBeVisible()
  await page.getByLabel('Why the channels cannot be told').fill('not shown anywhere on it')
  const stability = page.getByRole('region', { name: 'Soak test' })
  await expect(stability).toContainText('Planned: 3 full passes of the memory test')
  await expect(stability).toContainText('a fault that is seen in two passes of three')
  await stability.getByRole('button', { name: 'Note it' }).click()
  await expect(stability.getByText('Whole passes.')).toBeVisible()
  await stability.getByLabel('Passes').last().fill('4')
  await stability.getByLabel('Hours').fill('6,5')
  await stability.getByRole('button', { name: 'Note it' }).click()
  await expect(stability).toContainText('4 passes in 6.5 h, 0 errors')
  await expect(stability).toContainText('Made so far: 4 passes that count')
  await expect(page.getByRole('link', { name: 'Verify' }).getByLabel('done')).toBeVisible()
  await page.getByRole('button', { name: 'Verified: ready to hand over' }).click()
  await saved(page)
  const file = await (await page.request.get(`${app.address}/api/v1/jobs/${job.id}`)).json()
  expect(file.stage).toBe('handover')
  await expect(page.getByRole('heading', { name: 'Hand over', exact: true })).toBeVisible()

  await toStep(page, 'Verify').click()
  await page.getByRole('tab', { name: 'Measured' }).click()
  await expect(page.getByText(/at once: a gain is of all of them together/)).toBeVisible()
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(page.getByText('Name the test.')).toBeVisible()
  await page.getByLabel('A further test').fill('Copy')
  await page.getByLabel('It gives').selectOption({ label: 'copy bandwidth' })
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  const copy = page.getByRole('region', { name: 'Copy' })
  await copy.getByLabel('After', { exact: true }).fill('31.5 31.2 -3')
  await expect(copy.getByText('Run 3, -3, must be a number greater than 0.')).toBeVisible()
  await copy.getByLabel('After', { exact: true }).fill('31.5 31.2 30.9 31.4')
  await expect(copy).toContainText('At least 2 channels at work')
  await copy.getByLabel('Before', { exact: true }).fill('16.1 15.9')
  await expect(copy.locator('[data-verdict=too-few]')).toContainText('Three on each side at least')
  await copy.getByLabel('Before', { exact: true }).fill('16.1 15.9 16.0 16.2')
  await expect(copy.locator('[data-verdict=gain]')).toContainText('A gain: +')
  await expect(page.getByRole('img', { name: /^Tests by configuration/ })).toBeVisible()
  await page.getByText('As a table').click()
  await expect(page.getByRole('row', { name: /^Copy, after/ })).toContainText('194')

  await page.getByLabel('A further test').fill('Letters')
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  const letters = page.getByRole('region', { name: 'Letters' })
  await letters.getByLabel('After', { exact: true }).fill('100 103 98 101')
  await letters.getByLabel('Before', { exact: true }).fill('99 102 100 98')
  await expect(letters.locator('[data-verdict=cannot-tell]')).toContainText('Not significant')
  await saved(page)

  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Runs as CSV' }).click(),
  ])
  expect(download.suggestedFilename()).toBe(`job-${job.number}-runs.csv`)
  await page.reload()
  await page.getByRole('tab', { name: 'Measured' }).click()
  await expect(copy.locator('[data-verdict=gain]')).toBeVisible()

  // The probe, in its short form, on a window of a telephone's size, with the keyboard alone.
  await page.getByRole('button', { name: 'Measure with the probe' }).click()
  const code = (await page.getByTestId('probe-code').textContent()) ?? ''
  const probe = await page.context().newPage()
  await probe.setViewportSize({ width: 390, height: 800 })
  await probe.goto(`${app.address}/probe`)
  await expect(probe.getByLabel('Code from the job')).toBeFocused()
  await probe.keyboard.type(code === '000000' ? '000001' : '000000')
  await probe.keyboard.press('Enter')
  await expect(probe.getByRole('alert')).toContainText('There is no such code.')
  await probe.keyboard.press('ControlOrMeta+a')
  await probe.keyboard.type(code)
  await probe.keyboard.press('Enter')
  await expect(probe.getByText(`Job ${job.number}`)).toBeVisible()
  for (const label of ['Measured', 'Length']) {
    await probe.keyboard.press('Tab')
    await expect(probe.getByLabel(label)).toBeFocused()
  }
  await probe.keyboard.press('s')
  await probe.keyboard.press('Tab')
  await probe.keyboard.press('Enter')
  await expect(probe.getByRole('heading', { name: `Sent to job ${job.number}` })).toBeVisible()
  await probe.close()
  const probed = page.getByRole('region', { name: 'Probe: copy bandwidth' })
  await expect(probed).toContainText('3 runs, in the browser')
  // With arrays this small it may have been the cache: nothing is said of channels.
  await expect(probed).toContainText('16 MB only, partly in the cache')
  await expect(probed).not.toContainText('at work')
  await expect(page.getByRole('region', { name: 'Probe: latency' })).toContainText(
    'ns, lower is better',
  )
})

test('the probe is reached from elsewhere over plain HTTP, where nothing else is served', async ({
  page,
  app,
  context,
}) => {
  const job = await secondModule(page, app, 'Tamsin Vale')
  await page.getByRole('tab', { name: 'Measured' }).click()
  await page.getByRole('button', { name: 'Measure with the probe' }).click()
  const code = (await page.getByTestId('probe-code').textContent()) ?? ''
  await page.getByRole('button', { name: 'Let machines in the shop’s network reach it' }).click()
  const shown = page.getByRole('region', { name: 'Probe' })
  await expect(shown.getByRole('img', { name: /^Square code of http/ })).toBeVisible()
  const text = (await shown.textContent()) ?? ''
  const [, port = ''] = /http:\/\/127\.0\.0\.1:(\d+)\/probe/.exec(text) ?? []
  const outside = `http://bench.test:${port}`

  const probe = await context.newPage()
  await probe.goto(`${outside}/probe`)
  expect(await probe.evaluate(() => isSecureContext)).toBe(false)
  for (const path of ['/', '/jobs', '/api/v1/jobs', `/api/v1/jobs/${job.id}`, '/api/v1/shop']) {
    const { status } = await probe.evaluate(async (asked) => {
      const answer = await fetch(asked)
      return { status: answer.status }
    }, path)
    expect([path, status]).toEqual([path, path === '/' ? 200 : 404])
  }
  await probe.getByLabel('Code from the job').fill(code)
  await probe.getByRole('button', { name: 'Open' }).click()
  await probe.getByLabel('Length').selectOption('short')
  await probe.getByRole('button', { name: 'Measure' }).click()
  await expect(probe.getByRole('heading', { name: /^Sent to job/ })).toBeVisible()
  await probe.close()
  await expect(page.getByRole('region', { name: 'Probe: copy bandwidth' })).toContainText('3 runs')
  // The code has done its work; the next one shows the address again, and it can be switched off.
  await page.getByRole('button', { name: 'Measure with the probe' }).click()
  await page.getByRole('button', { name: 'Switch it off' }).click()
  await expect(
    page.getByRole('button', { name: 'Let machines in the shop’s network reach it' }),
  ).toBeVisible()
})

test('a probe that is stopped, in the background or cut off midway loses nothing and sends nothing by halves', async ({
  page,
  app,
}) => {
  const job = await secondModule(page, app, 'Isolde Marrow')
  await page.getByRole('tab', { name: 'Measured' }).click()
  const probe = await openedProbe(page, app)
  const measurements = async () =>
    (await (await page.request.get(`${app.address}/api/v1/jobs/${job.id}`)).json()).measurements

  await probe.getByRole('button', { name: 'Measure' }).click()
  await expect(probe.getByText('Measuring, 2', { exact: false })).toBeVisible()
  await probe.getByRole('button', { name: 'Stop' }).click()
  await expect(probe.getByRole('alert')).toContainText('Stopped. Nothing was sent.')
  expect(await measurements()).toEqual([])

  await probe.getByRole('button', { name: 'Measure' }).click()
  await expect(probe.getByText('Measuring, ', { exact: false })).toBeVisible()
  await probe.evaluate(() => {
    Object.defineProperty(document, 'visibilityState', { value: 'hidden', configurable: true })
    document.dispatchEvent(new Event('visibilitychange'))
  })
  await expect(probe.getByRole('alert')).toContainText('The page was in the background')
  expect(await measurements()).toEqual([])

  // The server goes away while it measures: what was measured waits on the page.
  await probe.getByLabel('Measured').selectOption('before')
  await probe.getByLabel('Length').selectOption('short')
  await app.stop('SIGKILL')
  await probe.getByRole('button', { name: 'Measure' }).click()
  await expect(probe.getByRole('heading', { name: 'Measured, but not sent' })).toBeVisible()
  await expect(probe.getByRole('alert')).toContainText('The server does not answer.')
  await app.start()
  await probe.getByRole('button', { name: 'Send again' }).click()
  await expect(probe.getByRole('heading', { name: `Sent to job ${job.number}` })).toBeVisible()
  const stored = await measurements()
  expect(stored.map(({ test: name }: { test: string }) => name).sort()).toEqual([
    'Probe: copy bandwidth',
    'Probe: latency',
    'Probe: read bandwidth',
    'Probe: write bandwidth',
  ])
  expect(new Set(stored.map((one: { configuration: string }) => one.configuration))).toEqual(
    new Set(['before']),
  )
  await probe.close()
})

test('two changes measured one by one: what each does, and in the chart', async ({ page, app }) => {
  await secondModule(page, app, 'Bryn Tolley')
  await page.getByRole('tab', { name: 'Measured' }).click()
  await page.getByRole('button', { name: 'Tell two changes apart' }).click()
  await page.getByLabel('First change').fill('')
  await expect(page.getByText('Name the first change.')).toBeVisible()
  await page.getByLabel('First change').fill('quicker modules')
  await expect(page.getByText('a gain cannot be told apart between them')).toBeHidden()
  await page.getByLabel('A further test').fill('Pattern laid out')
  await page.getByLabel('It gives').selectOption({ label: 'a time, lower is better' })
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  const layout = page.getByRole('region', { name: 'Pattern laid out' })
  const runs = {
    Before: '40.1 40.4 39.8',
    'Only quicker modules': '40.0 40.3 39.9',
    'Only 2 instead of 1': '30.2 30.0 29.9',
    After: '29.8 30.1 30.0',
  }
  for (const [label, text] of Object.entries(runs)) {
    await layout.getByLabel(label, { exact: true }).fill(text)
  }
  await expect(layout.locator('[data-verdict=gain]')).toContainText('A gain: +33')
  const effects = layout.getByRole('table', { name: 'Effects' })
  await expect(effects.getByRole('row', { name: /^quicker modules/ })).toContainText('cannot tell')
  await expect(effects.getByRole('row', { name: /^2 instead of 1/ })).toContainText('sure')
  await expect(effects.getByRole('row', { name: /^each with the other/ })).toContainText(
    'cannot tell',
  )
  await page.getByText('As a table').click()
  await expect(page.getByRole('row', { name: /^Pattern laid out, only 2/ })).toContainText('133')
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Chart as PNG' }).click(),
  ])
  expect(download.suggestedFilename()).toBe('before-and-after.png')
  await saved(page)
  await page.reload()
  await page.getByRole('tab', { name: 'Measured' }).click()
  await expect(effects.getByRole('row', { name: /^2 instead of 1/ })).toContainText('sure')
})

test('a simulated machine stands in: started, read out, measured before and after', async ({
  page,
  app,
}) => {
  await secondModule(page, app, 'Cosmo Wick')
  await page.getByText('On a simulated machine, to try this out').click()
  await page.getByRole('button', { name: 'A sound one' }).click()
  await page.getByRole('button', { name: 'Start it and read it out' }).click()
  await expect(page.getByText(/^Passed\. The memory trained for 0\.9 min/)).toBeVisible()
  await expect(page.getByLabel('Memory in all, GB, seen')).toHaveValue('15.9')
  await expect(page.getByLabel('Slot B, seen')).toHaveValue('8')
  await expect(page.getByLabel('CL, seen')).not.toHaveValue('')
  await expect(page.getByRole('list', { name: 'Differences' })).toContainText(
    'What was looked at is as expected.',
  )
  // One that keeps memory back and lists slots it has not: nothing that the fault finder is for.
  await page.getByRole('button', { name: 'Remove it' }).click()
  await page.getByRole('button', { name: /^One that keeps memory/ }).click()
  await page.getByRole('button', { name: 'Start it and read it out' }).click()
  await expect(page.getByLabel('Memory in all, GB, seen')).toHaveValue('12')
  await page.getByLabel('Slot A, seen').fill('8')
  await page.getByLabel('Slot B, seen').fill('8')
  const reserved = page.getByRole('list', { name: 'Differences' })
  await expect(reserved).toContainText('12 GB of 16 GB can be used, though every slot is seen.')
  await expect(reserved.getByRole('button', { name: 'Find the fault' })).toHaveCount(0)
  await page.getByRole('button', { name: 'Remove it' }).click()
  await page.getByRole('button', { name: 'A sound one' }).click()
  await page.getByRole('button', { name: 'Start it and read it out' }).click()
  await expect(page.getByLabel('Memory in all, GB, seen')).toHaveValue('15.9')

  await page.getByRole('tab', { name: 'Measured' }).click()
  await page.getByRole('button', { name: 'Measure it as it was' }).click()
  await page.getByRole('button', { name: 'Measure it as planned' }).click()
  const copy = page.getByRole('region', { name: 'Simulated: copy' })
  await expect(copy.locator('[data-verdict=gain]')).toContainText('A gain')
  await expect(copy).toContainText('At least 2 channels at work')
  const frames = page.getByRole('region', { name: 'Simulated: frames' })
  await expect(frames.locator('[data-verdict=gain]').first()).toBeVisible()
  await expect(frames.getByRole('img', { name: /frame times over the newest log/ })).toBeVisible()
  await expect(frames.getByRole('img', { name: /distribution/ })).toBeVisible()
  await page.getByRole('tab', { name: /^Seen/ }).click()
  await expect(page.getByText('by bandwidth: at least 2')).toBeVisible()
  await saved(page)
})

test('a bandwidth that did not rise tells of a channel only where the test has shown more elsewhere', async ({
  page,
  app,
}) => {
  await secondModule(page, app, 'Fenna Oakes')
  const measure = async (test: string) => {
    await page.getByRole('tab', { name: 'Measured' }).click()
    await page.getByLabel('A further test').fill(test)
    await page.getByLabel('It gives').selectOption({ label: 'copy bandwidth' })
    await page.getByRole('button', { name: 'Add', exact: true }).click()
    const one = page.getByRole('region', { name: test, exact: true })
    await one.getByLabel('After', { exact: true }).fill('12.0 12.2 11.9')
    await expect(one).toContainText('Says nothing of channels')
    await one.getByLabel('Before', { exact: true }).fill('12.1 11.9 12.0')
    await page.getByRole('tab', { name: /^Seen/ }).click()
  }
  // Nobody knows what this one can reach: it may be its own ceiling.
  await measure('A browser’s copy')
  await expect(page.getByText('by bandwidth:')).toBeHidden()
  // This one reached twice as much on another machine of the shop, which has two channels.
  await measure('Copy bandwidth')
  await expect(page.getByText('by bandwidth: as before')).toBeVisible()
  const differences = page.getByRole('list', { name: 'Differences' })
  await expect(differences).toContainText('1 channel in use instead of 2.')
  // What the system itself shows counts for more.
  await page.getByLabel('Channels in use, seen').fill('2')
  await expect(differences).toContainText('What was looked at is as expected.')
  await saved(page)
})

test('two sessions a side settle what one could not; conditions and busy sessions are kept apart', async ({
  page,
  app,
}) => {
  await secondModule(page, app, 'Odile Marsh')
  await page.getByRole('tab', { name: 'Measured' }).click()
  await page.getByLabel('A further test').fill('Map drawn')
  await page.getByLabel('It gives').selectOption({ label: 'a time, lower is better' })
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  const map = page.getByRole('region', { name: 'Map drawn' })
  const verdict = map.locator('[data-verdict]')
  await map.getByLabel('After', { exact: true }).pressSequentially('1:18, 1:18, 1:18.5')
  await map.getByLabel('Before', { exact: true }).fill('1:20 1:21 1:22.5')
  await expect(verdict).toContainText('Not significant')
  await expect(verdict).toContainText('start the machine afresh for each')
  await expect(verdict).toContainText('Only one session on a side')
  for (const [side, runs] of [
    ['Before', '81.5 81 82'],
    ['After', '77.5 78 78.2'],
  ]) {
    await map.getByRole('button', { name: `A further session, ${side}` }).click()
    await map.getByLabel(`${side}, session 2`, { exact: true }).fill(runs as string)
  }
  await expect(verdict).toContainText('A gain: +')
  await expect(verdict).toContainText('6 runs in 2 sessions and 6 runs in 2 sessions')
  const tally = page.getByRole('region', { name: 'All tests' })
  await expect(tally).toContainText('1 test compared: 1 gain')

  // A third session under other conditions is not compared, and says why.
  await map.getByRole('button', { name: 'A further session, After' }).click()
  await map.getByLabel('After, session 3', { exact: true }).fill('60 60.5 60.2')
  const after = map.getByRole('region', { name: 'Sessions, After' })
  const before = map.getByRole('region', { name: 'Sessions, Before' })
  await before.getByText('Conditions not noted').first().click()
  await before.getByLabel('Power mode').first().fill('battery')
  await after.getByText('Conditions not noted').last().click()
  await after.getByLabel('Power mode').last().fill('mains')
  await expect(before.getByText('not counted: power mode differs')).toHaveCount(1)
  await after.getByLabel('Something else was busy: do not count it').last().check()
  await expect(after.getByText('not counted: something else was busy')).toBeVisible()
  await expect(verdict).toContainText('A gain: +')

  // What it stands for is set beside the forecast.
  await map.getByLabel('What Map drawn stands for').selectOption({ label: 'Photos' })
  await expect(map).toContainText('stands for photos')
  await saved(page)
  await page.reload()
  await page.getByRole('tab', { name: 'Measured' }).click()
  await expect(map).toContainText('stands for photos')
})

test('a log of frame times is read, its column chosen and remembered; bad logs say why', async ({
  page,
  app,
}) => {
  await secondModule(page, app, 'Ansel Rook')
  await page.getByRole('tab', { name: 'Measured' }).click()
  const frames = page.getByRole('region', { name: 'From a file' })
  const open = (name: string, text: string) =>
    page
      .getByLabel('Log of frame times')
      .setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) })

  await open('empty.csv', '')
  await expect(frames.getByRole('alert')).toContainText('The log is empty.')

  await open('one.csv', 'FrameTime\n16.7\n')
  await expect(frames.getByText('This column holds no two frame times above 0.')).toBeVisible()
  await open('worse.csv', 'FrameTime\n-4\nInfinity\nn/a\n')
  await expect(frames).toContainText('0 frames of 3 rows; 3 left out (lines 2, 3, and 4).')
  await open('mixed.csv', 'FrameTime\n16.7\n0,02 s\n18\n')
  await expect(frames.getByText('1 figure came with another unit')).toBeVisible()
  await open('cut.csv', 'At,FrameTime\n1,16.7\n2,16.6\n3')
  await expect(frames.getByText('The last line is cut off and left out')).toBeVisible()

  const rows = Array.from({ length: 1000 }, (_, at) => `${at};${at === 500 ? 110 : 10};n/a`)
  await open('run.csv', ['Frame;Length;Rest', 'x;;', ...rows].join('\n'))
  // By what its figures are: the first column counts, the last holds none.
  await expect(frames.getByLabel('Column of frame times')).toHaveValue('Length')
  await expect(frames).toContainText('Its first figures: 10 · 10 · 10')
  await expect(frames).toContainText(
    'Too short for the slowest 0.1 %: of 1000 frames that is 1 frame.',
  )
  await expect(frames).toContainText('1000 frames of 1001 rows, 10.1 s; 1 left out (line 2).')
  await frames.getByLabel('What was run').fill('Gallery turned')
  await frames.getByRole('button', { name: 'Add as a run: 99 frames/s' }).click()
  const gallery = page.getByRole('region', { name: 'Gallery turned' })
  await expect(gallery.getByRole('row', { name: /^Average rate/ })).toContainText('99')
  await expect(gallery.getByRole('row', { name: /^Stutters a minute/ })).toContainText('5.9')
  await expect(gallery.getByText('1 log', { exact: true })).toBeVisible()

  await open('run2.csv', ['Frame;Length;Rest', ...rows].join('\n'))
  await expect(frames.getByLabel('Column of frame times')).toHaveValue('Length')
  await expect(frames.getByLabel('What was run')).toHaveValue('Gallery turned')
  await frames.getByRole('button', { name: /^Add as a run/ }).click()
  await gallery.getByText('2 logs', { exact: true }).click()
  await gallery.getByRole('button', { name: 'Remove run2.csv, after' }).click()
  await expect(gallery.getByText('1 log', { exact: true })).toBeVisible()

  const held = Array.from({ length: 3000 }, (_, at) => (at % 60 === 9 ? 33.33 : 16.67))
  await open('held.csv', ['took', ...held].join('\n'))
  await expect(frames).toContainText('Frames were held to 60 a second, 50 times they took several')
  await frames.getByLabel('Leave out at the beginning, s').fill('10')
  await expect(frames).not.toContainText('3000 frames of 3000 rows, 50.8 s')
  // The grips on the chart do the same: by key, a tenth of a second at a time.
  await frames.getByLabel('Leave out at the beginning, s').fill('')
  const first = frames.getByRole('slider', { name: 'First second that counts' })
  await expect(frames).toContainText('3000 frames of 3000 rows, 50.8 s')
  await first.press('ArrowRight')
  await first.press('PageUp')
  await expect(frames.getByLabel('Leave out at the beginning, s')).toHaveValue('1.1')
  await expect(frames.getByText('1.1 s to 50.8 s of 50.8 s count.')).toBeVisible()
  await expect(first).toBeFocused()

  await open('words.csv', 'a,ms\nx,y,z\nx,y,z\n')
  await expect(frames.getByRole('alert')).toContainText('more columns than its headings')
  await open('stray.csv', 'a,ms\n1,16,7\n2,17,1\n3,16,2\n')
  const commas = frames.getByRole('group', { name: /^Where are the decimal commas in stray/ })
  await expect(commas.getByRole('button')).toHaveText([
    'a 1 · ms 16.7',
    'a 1.16 · ms 7',
    /^Neither/,
  ])
  await commas.getByRole('button', { name: 'a 1 · ms 16.7' }).click()
  await expect(frames).toContainText('Its first figures: 16.7 · 17.1 · 16.2')
  await expect(frames.getByRole('button', { name: 'Add as a run: 60 frames/s' })).toBeVisible()

  await open('scores.csv', 'Name,Points\na,4100\nb,4150\nc,\nd,4080\n')
  await frames.getByLabel('It holds').selectOption({ label: 'scores, one a run; higher is better' })
  await frames.getByLabel('Column of runs').selectOption('Points')
  await expect(frames).toContainText('3 figures of 4 rows; 1 left out (line 4).')
  await frames.getByRole('button', { name: 'Add 3 runs' }).click()
  await expect(page.getByRole('region', { name: 'Points' })).toContainText('4100 4150 4080')
})

/** Opens Verify of a desktop whose two modules are replaced by two that run by a profile. */
async function openSwiftTower(page: Page, app: Application, customer: string) {
  const profile = { kind: 'profile', dataRate: 6000, cl: 36, trcd: 36, trp: 36, tras: 96 }
  const standard = { kind: 'standard', dataRate: 4800, cl: 40, trcd: 40, trp: 40, tras: 77 }
  const plain = module({ article: 'Plain-16' })
  const swift = module({ speeds: [standard, profile], article: 'Swift-16' })
  const tower = { Kind: 'desktop', Generation: 'DDR5', Slots: '4' }
  const found = { A2: plain, B2: plain }
  const planned = { A2: swift, B2: swift }
  const kind = /^Desktop, 4 slots, DDR5/
  const address = await jobOn(page, app, customer, tower, kind, found, planned)
  const api = `${app.address}/api/v1`
  const job = await (await page.request.get(`${api}/jobs/${address.split('/').at(-1)}`)).json()
  const [plan] = job.plans
  await page.request.patch(`${api}/plans/${plan.id}`, {
    data: { version: plan.version, profile: true },
  })
  await page.goto(`${address}/verify`)
}

test('a fault hidden in the simulated machine is found, by the shop’s own table of causes', async ({
  page,
  app,
}) => {
  await openSwiftTower(page, app, 'Griet Hollow')
  await page.getByRole('tab', { name: /^Fault/ }).click()
  const suspects = page.getByRole('region', { name: 'Suspects' })
  await expect(suspects.getByRole('listitem').first()).toContainText('was not fully seated')
  await page.getByRole('button', { name: 'How often each cause is met' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('A bad slot, each').fill('-1')
  await dialog.getByRole('button', { name: 'Save for the shop' }).click()
  await expect(dialog.getByText('Must be greater than 0.')).toBeVisible()
  await expect(dialog.getByRole('alert')).toContainText('1 field needs correcting')
  await dialog.getByLabel('A bad slot, each').fill('900')
  await dialog.getByRole('button', { name: 'Save for the shop' }).click()
  await expect(dialog).toBeHidden()
  await expect(suspects.getByRole('listitem').first()).toContainText(/^Slot .* is bad/)
  await page.getByRole('button', { name: 'How often each cause is met' }).click()
  await dialog.getByRole('button', { name: 'The starting table' }).click()
  await dialog.getByRole('button', { name: 'Save for the shop' }).click()
  await expect(suspects.getByRole('listitem').first()).toContainText('was not fully seated')

  await page.getByText('On a simulated machine, to try this out').click()
  const next = page.getByRole('region', { name: 'Next trial' })
  const make = page.getByRole('button', { name: 'Make the trial on it' })
  const made = page.getByRole('region', { name: 'Trials made' }).getByRole('listitem')
  const verdict = page.getByRole('region', { name: 'Verdict' })
  async function makeTrials(most: number) {
    for (let trial = 1; trial <= most; trial += 1) {
      // What comes next is worked out beside the page.
      await expect(make.or(verdict).first()).toBeVisible()
      if (await verdict.isVisible()) break
      await make.click()
      await expect(made).toHaveCount(trial)
    }
    await expect(verdict).toBeVisible()
  }

  await page.getByRole('button', { name: 'A sound one' }).click()
  await make.click()
  await expect(made).toHaveCount(1)
  await expect(next).toContainText('until it has, nothing is touched')
  await page.getByRole('button', { name: 'Take trial 1 back' }).click()
  await makeTrials(20)
  await expect(verdict).toContainText('The fault has not shown again')
  await page.getByRole('button', { name: 'Start again' }).click()
  await page.getByRole('button', { name: 'Remove it' }).click()

  await page.getByRole('button', { name: 'One with a hidden fault' }).click()
  await page.getByRole('button', { name: 'What is hidden in it?' }).click()
  const hidden = ((await page.getByText(/^Hidden: /).textContent()) ?? '').replace(
    /^Hidden: (.*)\.$/,
    '$1',
  )
  await makeTrials(30)
  // Two modules that each do well alone may be too many, or not get on: that stays open.
  const named = verdict.filter({ hasText: new RegExp(hidden, 'i') })
  await expect(named.or(verdict.filter({ hasText: 'not proven' }))).toBeVisible()
})

test('one simulated machine goes through the job: found, fitted, will not start, led to its fault', async ({
  page,
  app,
}) => {
  await secondModule(page, app, 'Tansy Rowe')
  await page.getByRole('link', { name: 'Identify' }).click()
  await expect(page.getByRole('heading', { name: 'Identify' })).toBeVisible()
  await page.getByText('On a simulated machine, to try this out').click()
  await page.getByRole('button', { name: 'One that will not start' }).click()
  await page.getByRole('button', { name: 'Start it as found and read it out' }).click()
  await expect(page.getByText(/^Passed\./)).toBeVisible()
  await expect(page.getByRole('region', { name: 'Read' })).toContainText('simulated report')

  await page.getByRole('link', { name: 'Fit' }).click()
  await page.getByRole('button', { name: 'Start it and read it out' }).click()
  await expect(page.getByText(/It does not start\..*Nothing can be read out\./)).toBeVisible()

  await page.getByRole('link', { name: 'Verify' }).click()
  await page.getByRole('tab', { name: 'Measured' }).click()
  await page.getByRole('button', { name: 'Measure it as it was' }).click()
  await expect(page.getByText('Measured before: passed.')).toBeVisible()
  await page.getByRole('button', { name: 'Measure it as planned' }).click()
  await expect(page.getByText('Nothing to measure: it does not start.')).toBeVisible()
  await page.getByRole('button', { name: 'Find its fault' }).click()
  await expect(page.getByRole('tab', { name: /^Fault/ })).toHaveAttribute('aria-selected', 'true')
  await expect(page.getByRole('region', { name: 'Next trial' })).toContainText(
    'It was seen once only',
  )
  await page.getByRole('button', { name: 'Make the trial on it' }).click()
  await expect(page.getByRole('region', { name: 'Trials made' }).getByRole('listitem')).toHaveCount(
    2,
  )
  await saved(page)
})

test('trials of the technician’s own, to a module that is named for the supplier', async ({
  page,
  app,
}) => {
  await secondModule(page, app, 'Ottilie Grange')
  await page.getByRole('tab', { name: /^Fault/ }).click()
  const made = page.getByRole('region', { name: 'Trials made' })
  const own = page.getByRole('group', { name: 'My own trial' })
  const outcomes = page.getByRole('group', { name: 'What came of it' })

  async function tryOut(slots: { A: RegExp; B: RegExp }, outcome: string, nth: number) {
    await page.getByLabel('Another trial').selectOption({ label: 'my own: I put them otherwise' })
    for (const [id, module] of Object.entries(slots)) {
      const select = own.getByLabel(`In ${id}`)
      const label = (await select.getByRole('option').allTextContents()).find((one) =>
        module.test(one),
      )
      await select.selectOption({ label: label ?? '' })
    }
    await own.getByLabel('What stays is seated again too').click()
    const read = page.getByRole('button', { name: 'I have read these' })
    if (await read.isVisible()) await read.click()
    const spoken = outcomes.getByRole('button', { name: new RegExp(`^${outcome}`) })
    if (await spoken.isVisible()) await spoken.click()
    else await outcomes.getByLabel('Something else came of it').selectOption({ label: outcome })
    await expect(made.getByRole('listitem')).toHaveCount(nth)
  }

  const [first, second, empty] = [/the old 8 GB/, /the new 8 GB/, /^empty/]
  await page.getByLabel('Another trial').selectOption({ label: 'my own: I put them otherwise' })
  await own.getByLabel('In A').selectOption({ label: 'empty' })
  await own.getByLabel('In B').selectOption({ label: 'empty' })
  await expect(page.getByText('Put a module in at least.')).toBeVisible()
  await page.getByLabel('Another trial').selectOption('0')
  await tryOut({ A: first, B: second }, 'It does not start', 1)
  await tryOut({ A: second, B: empty }, 'It does not start', 2)
  await tryOut({ A: first, B: empty }, 'Passed', 3)
  const verdict = page.getByRole('region', { name: 'Verdict' })
  await expect(verdict).toBeHidden()
  // Put in once more it fails again: it was not its seat.
  await tryOut({ A: second, B: empty }, 'It does not start', 4)
  for (let trial = 5; trial < 16 && !(await verdict.isVisible()); trial += 2) {
    await tryOut({ A: first, B: empty }, 'Passed', trial)
    if (await verdict.isVisible()) break
    await tryOut({ A: second, B: empty }, 'It does not start', trial + 1)
  }
  await expect(verdict).toContainText('The new 8 GB is bad')
  const note = verdict.getByRole('region', { name: 'For the supplier' })
  await expect(note).toContainText('Returned as faulty: 8 GB')
  await expect(note).toContainText(
    /With it, in B: it does not start and in A: it does not start \(\d+ times\)\./,
  )
  await expect(note).toContainText('Another module works in A.')
  await expect(note).toContainText(/Without it the machine passed \(\d+ trials\)\./)
  await saved(page)
})

test('a machine that does not start is led to “not the memory”, through a wrong answer taken back', async ({
  page,
  app,
}) => {
  const { id } = await secondModule(page, app, 'Edda Fallow')
  await startsWithAnySlot(page, app, id)
  await page.getByRole('link', { name: 'Fit' }).click()
  await page.getByRole('button', { name: 'It does not start' }).click()
  const made = page.getByRole('region', { name: 'Trials made' })
  await expect(made).toContainText('A: the old 8 GB, B: the new 8 GB; started: It does not start')
  await expect(page.getByRole('region', { name: 'Next trial' })).toContainText('Try next')

  await answer(page, 'Passed')
  await made.getByRole('button', { name: 'Trial 2: not sure' }).click()
  await expect(made).toContainText('Passed, not sure')
  await made.getByRole('button', { name: 'Take trial 2 back' }).click()
  await expect(made.getByRole('listitem')).toHaveCount(1)

  const verdict = page.getByRole('region', { name: 'Verdict' })
  await page.getByText('Not sure, several slots, beeps or lights').click()
  await page.getByLabel('What beeps or lights say').fill('three long beeps')
  for (let trial = 0; trial < 25 && !(await verdict.isVisible()); trial += 1) {
    await answer(page, 'It does not start')
  }
  await expect(made).toContainText('(three long beeps)')
  await expect(made).toContainText('every contact cleaned')
  await expect(verdict).toContainText('It is not the memory')
  await expect(verdict).not.toContainText('is bad')
  await saved(page)
  await page.reload()
  await expect(verdict).toContainText('It is not the memory')
})

test('a machine that fails now and then is told from its memory', async ({ page, app }) => {
  const { id } = await secondModule(page, app, 'Merrick Sloe')
  await startsWithAnySlot(page, app, id)
  await page.reload()
  await page.getByRole('tab', { name: /^Fault/ }).click()
  await page.getByLabel('When does the trouble come?').selectOption('from cold too')
  // Whatever is in: two of three times it does not start.
  let trial = 0
  await answerUntil(page, () => {
    trial += 1
    return trial % 3 === 0 ? 'Passed' : 'It does not start'
  })
  const verdict = page.getByRole('region', { name: 'Verdict' })
  await expect(verdict).toContainText('It is not the memory')
  await expect(verdict).toContainText('It comes and goes')
  await expect(verdict).not.toContainText('is bad')
})

test('a profile that gives errors with both modules in is named, not the pair', async ({
  page,
  app,
}) => {
  await openSwiftTower(page, app, 'Gerda Hollis')
  await page.getByRole('tab', { name: /^Fault/ }).click()
  await expect(page.getByRole('region', { name: 'Suspects' })).toBeVisible()
  await answer(page, 'Errors under test')
  await answerUntil(page, ({ modules, profile, tested }) =>
    tested && profile && modules > 1 ? 'Errors under test' : 'Passed',
  )
  const verdict = page.getByRole('region', { name: 'Verdict' })
  await expect(verdict).toContainText('The memory profile is not stable')
  await expect(verdict).not.toContainText('do not work together')
})

test('a sound machine after one complaint ends: nothing, and what cannot be excluded', async ({
  page,
  app,
}) => {
  await secondModule(page, app, 'Perrin Holt')
  await page.getByRole('tab', { name: /^Fault/ }).click()
  await answer(page, 'It does not start')
  const starts = await answerUntil(page, () => 'Passed')
  expect(starts).toBe(7)
  const verdict = page.getByRole('region', { name: 'Verdict' })
  await expect(verdict).toContainText('The fault has not shown again')
  await expect(verdict).toContainText('a fault that shows in fewer than one trial of three')

  await page.getByRole('button', { name: 'Start again' }).click()
  await answer(page, 'Errors under test')
  const tests = await answerUntil(page, ({ tested }) => {
    expect(tested).toBe(true)
    return 'Passed'
  })
  expect(tests).toBeLessThanOrEqual(8)
  await expect(verdict).toContainText('Nothing is named.')
})

test('a result unlike the others is set aside, asked about, and counted on the shop’s word', async ({
  page,
  app,
}) => {
  const { id } = await secondModule(page, app, 'Sunniva Crane')
  const api = `${app.address}/api/v1`
  const job = await (await page.request.get(`${api}/jobs/${id}`)).json()
  const uses = [{ use: 'office', level: 'usual', weight: 1, together: null }]
  const sizing = { ...job.sizing, uses }
  await page.request.patch(`${api}/jobs/${id}`, { data: { version: job.version, sizing } })
  for (const [configuration, middle] of [
    ['before', 100],
    ['after', 50],
  ] as const) {
    const runs = [middle, middle * 1.01, middle * 0.99]
    const test = { test: 'Packing', work: 'office', better: 'higher', configuration, runs }
    await page.request.post(`${api}/measurements`, { data: { jobId: id, ...test } })
  }
  await page.goto(`${app.address}/settings`)
  const part = page.getByRole('region', { name: 'Learning from results' })
  const aside = part.getByRole('list', { name: 'Results set aside' })
  await expect(aside).toContainText('measured 50 % slower, unlike the others')
  await page.goto(`${app.address}/jobs/${id}/plan`)
  const gain = page.getByRole('region', { name: 'Expected gain' })
  await expect(gain).toContainText(/Moved by (no|\d+) results? of this shop, 1 set aside\./)
  await gain.getByRole('link', { name: 'Settings' }).click()
  await aside.getByRole('button', { name: 'Leave it out' }).click()
  await expect(aside).toContainText('left out')
  await aside.getByRole('button', { name: 'Ask again' }).click()
  await aside.getByRole('button', { name: 'Count it' }).click()
  await expect(part).toContainText(/\d results? of this shop count/)
  await part.getByRole('button', { name: 'Begin again: no result so far counts' }).click()
  await expect(part).toContainText('No result counts yet.')
  await part.getByRole('button', { name: 'Count all results again' }).click()
  await expect(part).toContainText(/\d results? of this shop count/)
  await part.getByRole('checkbox').click()
  await expect(aside).toBeHidden()
})

test('stutter logs without a difference are called no gain and no loss', async ({ page, app }) => {
  await secondModule(page, app, 'Wenna Pell')
  await page.getByRole('tab', { name: 'Measured' }).click()
  const frames = page.getByRole('region', { name: 'From a file' })
  const chance = chanceOf(77)
  for (let log = 0; log < 8; log += 1) {
    // As quick on either side; one frame of 120 stutters by 40 to 160 ms.
    const pace = 10 * (1 + 0.02 * (chance() - 0.5))
    const rows = Array.from({ length: 3000 }, () =>
      (chance() < 1 / 120 ? 40 + 120 * chance() : pace * (0.9 + 0.2 * chance())).toFixed(2),
    )
    await page.getByLabel('Log of frame times').setInputFiles({
      name: `walk${log}.csv`,
      mimeType: 'text/csv',
      buffer: Buffer.from(['took', ...rows].join('\n')),
    })
    await frames.getByLabel('What was run').fill('Orchard walk')
    await frames.getByLabel('The machine was').selectOption(log < 4 ? 'before' : 'after')
    const since = frames.getByLabel('Since the log before')
    if (await since.isVisible())
      await since.selectOption({ value: log === 2 || log === 6 ? 'afresh' : 'on' })
    await frames.getByRole('button', { name: /^Add as a run/ }).click()
    await expect(frames.getByRole('button', { name: /^Add as a run/ })).toBeHidden()
  }
  const walk = page.getByRole('region', { name: 'Orchard walk' }).first()
  await expect(walk.locator('[data-verdict]').first()).toBeVisible()
  await expect(page.locator('[data-verdict=gain], [data-verdict=loss]')).toHaveCount(0)
})
