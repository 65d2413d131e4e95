import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import type { Locator, Page } from '@playwright/test'
import type { Application } from './application'
import { expect, test } from './fixtures'

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')

/** What of a page breaks the rules asked for, with the places. */
async function violationsOf(page: Page, rules: string[]): Promise<string[]> {
  return page.evaluate(async (asked) => {
    // @ts-expect-error: brought into the page before
    const { violations } = await window.axe.run({ runOnly: asked })
    return violations.map(
      ({ id, nodes }: { id: string; nodes: { html: string }[] }) =>
        `${id}: ${nodes.map(({ html }) => html.slice(0, 160)).join(' | ')}`,
    )
  }, rules)
}

/**
 * What does not fit: the page wider than the screen, what stands out of its own box or frame, a choice that is cut
 * short, and a skip link to be seen where nobody asked for it.
 */
async function cutOff(page: Page): Promise<string[]> {
  return page.evaluate(() => {
    const { scrollWidth, clientWidth } = document.documentElement
    const wider = scrollWidth > clientWidth ? [`page: ${scrollWidth - clientWidth} px wider`] : []
    const scrolls = (one: Element | null): boolean =>
      one !== null && (getComputedStyle(one).overflowX !== 'visible' || scrolls(one.parentElement))
    const out = [...document.querySelectorAll('main *, header *, nav *, section *')].filter(
      (one) =>
        one instanceof HTMLElement &&
        one.clientWidth > 1 &&
        one.scrollWidth > one.clientWidth + 1 &&
        !scrolls(one),
    )
    const framed = (one: Element) => Number.parseFloat(getComputedStyle(one).borderTopWidth) > 0
    const higher = [
      ...document.querySelectorAll('main label, main button, main a, dialog label'),
    ].filter(
      (one) =>
        framed(one) &&
        getComputedStyle(one).overflowY === 'visible' &&
        one.scrollHeight > one.clientHeight + 2,
    )
    const pen = document.createElement('canvas').getContext('2d') as CanvasRenderingContext2D
    const ARROW = 16
    const unread = [...document.querySelectorAll('select')].filter((one) => {
      const { fontWeight, fontSize, fontFamily, paddingLeft, paddingRight } = getComputedStyle(one)
      pen.font = `${fontWeight} ${fontSize} ${fontFamily}`
      const words = pen.measureText(one.selectedOptions[0]?.text ?? '').width
      const room =
        one.clientWidth - Number.parseFloat(paddingLeft) - Number.parseFloat(paddingRight)
      return one.checkVisibility() && words > room - ARROW + 1
    })
    const skip = document.querySelector('a[href="#work"]')
    const seen = skip && skip.getBoundingClientRect().bottom > 0 ? [skip] : []
    const board = document.querySelector('section[aria-label=Board]')
    const beyond =
      innerWidth >= 1280 && board && board.scrollWidth > board.clientWidth ? ['the board'] : []
    return [
      ...wider,
      ...beyond,
      ...[...out, ...higher, ...unread, ...seen].map((one) => one.outerHTML.slice(0, 160)),
    ]
  })
}

/**
 * What is pressed and is less than 44 px high or wide. A link within a sentence is as high as its line.
 */
async function tooSmall(page: Page): Promise<string[]> {
  return page.evaluate(() =>
    [...document.querySelectorAll('a, button, summary, select, input, textarea, [role=tab]')]
      .filter((one) => getComputedStyle(one).display !== 'inline')
      .filter((one) => one.checkVisibility())
      .map((one) => (one.matches('label input') ? (one.closest('label') as Element) : one))
      .filter((one) => {
        const { width, height } = one.getBoundingClientRect()
        return width > 1 && height > 1 && (width < 43.5 || height < 43.5)
      })
      .map((one) => one.outerHTML.slice(0, 160)),
  )
}

/** Each with what there is to see of it once it is all there. */
interface Screen {
  at: string
  shows: (page: Page) => Locator
  /** What is done on it first. */
  does?: (page: Page) => Promise<unknown>
}

const heading = (name: string) => (page: Page) => page.getByRole('heading', { name, exact: true })
const rows = (page: Page) => page.getByRole('row').nth(1)
const slots = (page: Page) => page.getByRole('button', { name: /^Slot / }).first()

const SHOP: Screen[] = [
  { at: '/', shows: rows },
  { at: '/jobs/new', shows: heading('New job') },
  { at: '/machines', shows: (page) => page.getByRole('link', { name: 'Heron 15' }) },
  {
    at: '/machines',
    does: (page) => page.getByRole('link', { name: 'Heron 15' }).click(),
    shows: heading('Heron 15'),
  },
  { at: '/reference', shows: heading('How long it takes') },
  { at: '/shelf', shows: rows },
  {
    at: '/shelf',
    does: (page) => page.getByRole('button', { name: 'Put on the shelf' }).click(),
    shows: (page) => page.getByRole('dialog'),
  },
  { at: '/orders', shows: heading('To order') },
  {
    at: '/orders',
    does: async (page) => {
      // Another test may have unpacked it.
      await page.getByRole('checkbox', { name: /^Delivered/ }).check()
      await page.getByRole('link', { name: '1', exact: true }).click()
    },
    shows: (page) => page.getByRole('region', { name: 'Lines' }),
  },
  { at: '/?show=week', shows: (page) => page.getByRole('columnheader').first() },
  { at: '/probe', shows: heading('Memory probe') },
  {
    at: '/shelf',
    does: (page) => page.getByRole('tab', { name: 'Suppliers’ offers' }).click(),
    shows: rows,
  },
  { at: '/backups', shows: heading('No backup yet') },
  { at: '/settings', shows: heading('Buying policy') },
  { at: '/what-if', shows: heading('Known to the shop') },
  {
    at: '/what-if',
    does: async (page) => {
      await page.getByRole('button', { name: /^Desktop, 4 slots/ }).click()
      await page.getByRole('button', { name: 'Put in 16 GB' }).click()
    },
    shows: slots,
  },
]

const JOBS: Screen[] = [
  { at: 'Adair/intake', shows: heading('Intake') },
  {
    at: 'Adair/intake',
    does: (page) => page.getByRole('button', { name: 'Open the board' }).click(),
    shows: heading('The customer’s modules'),
  },
  {
    at: 'Castell/intake',
    does: (page) => page.getByRole('button', { name: 'Write to the customer' }).click(),
    shows: heading('Written before'),
  },
  { at: 'WR-03/plan', shows: (page) => page.getByRole('region', { name: 'Follows another job' }) },
  { at: 'Ashby/identify', shows: heading('The machine’s record') },
  { at: 'Lindgard/size', shows: heading('What it is used for') },
  { at: 'Wren/plan', shows: heading('Expected gain') },
  {
    at: 'Wren/plan',
    does: (page) => page.getByRole('tab', { name: 'Trade-offs' }).click(),
    shows: (page) => page.getByRole('list', { name: 'Picks' }),
  },
  { at: 'Aldwin/quote', shows: heading('The customer agrees') },
  { at: 'Adair/quote', shows: heading('Quote') },
  { at: 'Aldwin/quote-sheet', shows: heading('Quote for more memory') },
  { at: 'Aldwin/sheet', shows: heading('Memory plan') },
  { at: 'Farrow/handover', shows: heading('Hand over') },
  { at: 'Farrow/report', shows: heading('Report on your computer') },
]

const BENCH: Screen[] = [
  { at: 'Adair/fit', shows: heading('The maker’s instructions come first') },
  {
    at: 'Adair/fit',
    does: (page) => page.getByRole('tab', { name: 'Tray' }).click(),
    shows: (page) => page.getByRole('tabpanel'),
  },
  {
    at: 'Varga/fit',
    does: async (page) => {
      await page.getByRole('tab', { name: /^Screws/ }).click()
      await page.getByRole('button', { name: /^Place a screw/ }).press('Enter')
    },
    shows: (page) => page.getByRole('tabpanel'),
  },
  { at: 'Adair/labels', shows: heading('Labels') },
  { at: 'Quince/verify', shows: heading('Soak test') },
  {
    at: 'Quince/verify',
    does: (page) => page.getByLabel('Memory in all, GB, seen').fill('16'),
    shows: (page) => page.getByRole('list', { name: 'Differences' }),
  },
  {
    at: 'Quince/verify',
    does: async (page) => {
      await page.getByRole('tab', { name: /^Fault/ }).click()
      const own = { label: 'my own: I put them otherwise' }
      await page.getByLabel('Another trial').selectOption(own)
    },
    shows: (page) => page.getByRole('region', { name: 'Suspects' }),
  },
  {
    at: 'Farrow/verify',
    does: (page) => page.getByRole('tab', { name: 'Measured' }).click(),
    shows: (page) => page.getByRole('region', { name: 'All tests' }),
  },
]

/** Opens an address of the shop, or a step of a customer's job. */
async function open(page: Page, app: Application, at: string): Promise<void> {
  const [customer, step] = at.split('/') as [string, string]
  let path = at
  if (customer) {
    const found = await page.request.get(`${app.address}/api/v1/jobs?search=${customer}`)
    const [job] = (await found.json()) as [{ id: string }]
    path = `/jobs/${job.id}/${step}`
  }
  if (page.url() !== app.address + path) await page.goto(app.address + path)
}

const DESK = { width: 1280, height: 800 }
/** A tablet, a phone, and the desk’s screen at twice the size. */
const NARROW = [
  { width: 768, height: 1024 },
  { width: 390, height: 844 },
  { width: 640, height: 400 },
]

for (const [where, screens] of [
  ['the shop', SHOP],
  ['jobs', JOBS],
  ['the bench', BENCH],
] as const) {
  test(`screens of ${where} meet the accessibility rules, in daylight and in the dark, and nothing is cut off or too small to press on a tablet, a phone or at twice the size`, async ({
    page,
    app,
  }) => {
    // Every screen at four sizes, three times looked through.
    test.setTimeout(300_000)
    for (const { at, does, shows } of screens) {
      await open(page, app, at)
      await does?.(page)
      await expect(shows(page)).toBeVisible()
      await expect(page.locator('main'), at).toHaveCount(1)
      expect(await cutOff(page), at).toEqual([])
      await page.evaluate(axe)
      expect(await violationsOf(page, ['wcag2a', 'wcag2aa']), at).toEqual([])
      // The theme changes colours and nothing else.
      await page.evaluate(() => {
        document.documentElement.dataset.theme = 'dark'
      })
      expect(await violationsOf(page, ['color-contrast']), `${at}, dark`).toEqual([])
      await page.evaluate(() => {
        document.documentElement.dataset.theme = 'light'
      })
      for (const size of NARROW) {
        await page.setViewportSize(size)
        await expect(shows(page)).toBeVisible()
        // The frame and its charts take their new size in a frame or two.
        await expect.poll(() => cutOff(page), `${at} at ${size.width}`).toEqual([])
        await expect.poll(() => tooSmall(page), `${at} at ${size.width}`).toEqual([])
      }
      expect(await violationsOf(page, ['wcag2a', 'wcag2aa']), `${at}, narrow`).toEqual([])
      await page.setViewportSize(DESK)
    }
  })
}
