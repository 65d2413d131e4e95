import { type Application, startApplication } from './application'
import { expect, openJob, saved, test } from './fixtures'

// A page of its own server, kept in the browser.
test.use({ serviceWorkers: 'allow' })

async function withOwnServer(work: (own: Application) => Promise<void>): Promise<void> {
  const own = await startApplication()
  try {
    await work(own)
  } finally {
    await own.end()
  }
}

const PICTURE = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAIAAAACCAIAAAD91JpzAAAACXBIWXMAAAPoAAAD6AG1e1JrAAAAEUlEQVQImWPocFHqcFFigFAAG64DuQ9Z4SsAAAAASUVORK5CYII=',
  'base64',
)

test('the page opens without the server, shows what it read, and goes on from it', async ({
  page,
}) => {
  await withOwnServer(async (own) => {
    const id = await openJob(page, own, 'Varga', 'intake')
    await page.evaluate(async () => {
      const { active } = await navigator.serviceWorker.ready
      if (active?.state === 'activated') return
      await new Promise<void>((done) => {
        active?.addEventListener('statechange', () => active.state === 'activated' && done())
      })
    })
    // What is read from now on goes through it.
    await page.reload()
    await expect(page.getByLabel('Phone')).toBeVisible()
    await saved(page)

    await own.stop('SIGKILL')
    await page.reload()
    const state = page.getByTestId('save-state')
    await expect(state).toHaveText('Server away: shown as last read')
    await page.getByLabel('Phone').fill('0555 777')
    await expect(state).toHaveText('Server away: kept here, sent later')
    await page.getByText('History', { exact: true }).waitFor()
    await page.reload()
    await expect(page.getByLabel('Phone')).toHaveValue('0555 777')
    // Another step is a chunk of its own, and is there as well.
    await page.getByRole('link', { name: 'Size' }).click()
    await expect(page.getByRole('heading', { name: 'Size', exact: true })).toBeVisible()

    await own.start()
    await saved(page)
    const job = await (await page.request.get(`${own.address}/api/v1/jobs/${id}`)).json()
    expect(job.customer.phone).toBe('0555 777')
  })
})

test('a photo taken while the server is away is shown, kept over a reload, and stored once', async ({
  page,
}) => {
  await withOwnServer(async (own) => {
    const id = await openJob(page, own, 'Varga', 'identify')
    await page.evaluate(async () => void (await navigator.serviceWorker.ready))
    await page.reload()
    await expect(page.getByLabel('Files to read')).toBeAttached()
    await own.stop('SIGKILL')
    await page
      .getByLabel('Files to read')
      .setInputFiles({ name: 'underside.png', mimeType: 'image/png', buffer: PICTURE })
    const photo = page.getByRole('img', { name: 'underside.png' })
    const isShown = () => photo.evaluate((img: HTMLImageElement) => img.naturalWidth > 0)
    await expect.poll(isShown).toBe(true)
    await page.reload()
    await expect.poll(isShown).toBe(true)

    // The first answer is lost on its way, so it is sent twice.
    let lost = false
    await page.route('**/api/v1/photos?*', async (route) => {
      if (lost) return route.continue()
      const answer = await route.fetch().catch(() => null)
      lost = answer !== null
      await route.abort()
    })
    await own.start()
    await saved(page)
    expect(lost).toBe(true)
    const { photos } = await (await page.request.get(`${own.address}/api/v1/jobs/${id}`)).json()
    expect(photos).toMatchObject([{ caption: 'underside.png', width: 2 }])
    await expect(photo).toHaveAttribute('src', /picture$/)
    await expect.poll(isShown).toBe(true)
  })
})
