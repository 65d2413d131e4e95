import { fileURLToPath } from 'node:url'
import { chromium } from '@playwright/test'
import { startApplication } from './application'
import { launchOptions } from './browser'
import { withoutNews } from './fixtures'

const folder = fileURLToPath(new URL('../docs/screenshots', import.meta.url))

/** The main views: file name, job (by a word of its customer) or none, and the address within it. */
const VIEWS: {
  name: string
  job?: string
  path: string
  open?: string
  /** The row whose link is followed, by a word of it. */
  row?: string
  tab?: string
  /** Buttons by how they begin, one after the other. */
  press?: string[]
  /** A picture within the page to wait for, by how its name begins. */
  drawn?: string
  width?: number
  dark?: boolean
}[] = [
  { name: 'counter', path: '/' },
  { name: 'week', path: '/?show=week', dark: true },
  { name: 'customer', path: '/?search=doyley', open: 'Anselm Doyley' },
  { name: 'order', path: '/orders', row: 'part delivered' },
  { name: 'intake', job: 'Ashby', path: '/intake' },
  { name: 'identify', job: 'Ashby', path: '/identify' },
  { name: 'size', job: 'Varga', path: '/size' },
  { name: 'plan', job: 'Wren', path: '/plan' },
  { name: 'trade-offs', job: 'Aldwin', path: '/plan', tab: 'Trade-offs', drawn: 'Cost against' },
  { name: 'quote', job: 'Aldwin', path: '/quote' },
  { name: 'handover', job: 'Farrow', path: '/handover' },
  { name: 'verify', job: 'Quince', path: '/verify', tab: 'Fault' },
  { name: 'measured', job: 'Farrow', path: '/verify', tab: 'Measured', drawn: 'Tests by' },
  { name: 'fit', job: 'Adair', path: '/fit', press: Array(10).fill('(Done|I have read this)$') },
  {
    name: 'what-if',
    path: '/what-if',
    press: ['Desktop, 4 slots', 'Put in 16 GB', 'Put in 16 GB'],
  },
  { name: 'shelf', path: '/shelf' },
  { name: 'machine', path: '/machines', open: 'Heron 15' },
  { name: 'reference', path: '/reference' },
  { name: 'settings', path: '/settings' },
]

const app = await startApplication()
const browser = await chromium.launch(launchOptions)
for (const view of VIEWS) {
  const { name, job, path, open, row, tab, drawn, press = [], width = 1280, dark = false } = view
  const page = await browser.newPage({
    viewport: { width, height: width < 1000 ? 1024 : 800 },
    colorScheme: dark ? 'dark' : 'light',
  })
  await withoutNews(page)
  let base = app.address
  if (job) {
    const [found] = await (await page.request.get(`${base}/api/v1/jobs?search=${job}`)).json()
    base += `/jobs/${found.id}`
  }
  await page.goto(base + path, { waitUntil: 'networkidle' })
  if (open) {
    await page.getByRole('link', { name: open }).click()
    await page.getByRole('heading', { name: open, exact: true }).waitFor()
  }
  if (row) {
    await page
      .getByRole('row', { name: new RegExp(row) })
      .getByRole('link')
      .click()
    await page.getByRole('heading', { name: 'Unpack' }).waitFor()
  }
  if (tab) {
    await page.getByRole('tab', { name: tab }).click()
    await page.getByRole('tabpanel', { name: tab }).waitFor()
    await page.waitForLoadState('networkidle')
  }
  for (const begins of press) {
    await page
      .getByRole('button', { name: new RegExp(`^${begins}`) })
      .first()
      .click()
  }
  if (drawn) await page.getByRole('img', { name: new RegExp(`^${drawn}`) }).waitFor()
  await page.screenshot({ path: `${folder}/${name}.png` })
  await page.close()
}
await browser.close()
await app.end()
