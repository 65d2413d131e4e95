import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import type { Page } from '@playwright/test'
import { expect, openJob, test, withoutNews } from './fixtures'

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

test('screens meet the accessibility rules, in daylight and on the dark bench', async ({
  page,
  app,
}) => {
  await withoutNews(page)
  test.setTimeout(240_000)
  const screens = [
    () => page.goto(app.address),
    () => page.goto(`${app.address}/jobs/new`),
    () => openJob(page, app, 'Wren', 'plan'),
    () => openJob(page, app, 'Ashby', 'identify'),
    () => openJob(page, app, 'Adair', 'intake'),
    () => openJob(page, app, 'Lindgard', 'size'),
    async () => {
      await openJob(page, app, 'Wren', 'plan')
      await page.getByRole('tab', { name: 'Trade-offs' }).click()
      await expect(page.getByRole('list', { name: 'Picks' })).toBeVisible()
    },
    () => page.goto(`${app.address}/machines`),
    async () => {
      await page.goto(`${app.address}/machines`)
      await page.getByRole('link', { name: 'Heron 15' }).click()
    },
    () => page.goto(`${app.address}/reference`),
    () => openJob(page, app, 'Aldwin', 'quote'),
    () => openJob(page, app, 'Adair', 'quote'),
    async () => {
      const id = await openJob(page, app, 'Aldwin', 'quote')
      await page.goto(`${app.address}/jobs/${id}/quote-sheet`)
    },
    () => openJob(page, app, 'Adair', 'fit'),
    async () => {
      await openJob(page, app, 'Varga', 'fit')
      await page.getByRole('tab', { name: /^Screws/ }).click()
      await page.getByRole('button', { name: /^Place a screw/ }).press('Enter')
    },
    async () => {
      await openJob(page, app, 'Adair', 'fit')
      await page.getByRole('tab', { name: 'Tray' }).click()
    },
    async () => {
      const id = await openJob(page, app, 'Adair', 'fit')
      await page.goto(`${app.address}/jobs/${id}/labels`)
    },
    async () => {
      await openJob(page, app, 'Quince', 'verify')
      await page.getByLabel('Memory in all, GB, seen').fill('16')
    },
    async () => {
      await openJob(page, app, 'Quince', 'verify')
      await page.getByRole('tab', { name: /^Fault/ }).click()
      await page.getByLabel('Another trial').selectOption({ label: 'my own: I put them otherwise' })
    },
    async () => {
      await openJob(page, app, 'Farrow', 'verify')
      await page.getByRole('tab', { name: 'Measured' }).click()
    },
    () => page.goto(`${app.address}/shelf`),
    async () => {
      await page.goto(`${app.address}/shelf`)
      await page.getByRole('tab', { name: 'Suppliers’ offers' }).click()
    },
    async () => {
      await page.goto(`${app.address}/shelf`)
      await page.getByRole('button', { name: 'Put on the shelf' }).click()
    },
    () => page.goto(`${app.address}/probe`),
    () => page.goto(`${app.address}/what-if`),
    async () => {
      await page.goto(`${app.address}/what-if`)
      await page.getByRole('button', { name: /^Desktop, 4 slots/ }).click()
      await page.getByRole('button', { name: 'Put in 16 GB' }).click()
    },
  ]
  for (const open of screens) {
    await open()
    await expect(page.getByRole('heading').first()).toBeVisible()
    await page.waitForLoadState('networkidle')
    await page.evaluate(axe)
    expect(await violationsOf(page, ['wcag2a', 'wcag2aa']), page.url()).toEqual([])
    // The theme changes colours and nothing else.
    await page.evaluate(() => {
      document.documentElement.dataset.theme = 'dark'
    })
    expect(await violationsOf(page, ['color-contrast']), `${page.url()}, dark`).toEqual([])
  }
})

test('nothing is cut off sideways on a tablet', async ({ page, app }) => {
  await withoutNews(page)
  await page.setViewportSize({ width: 768, height: 1024 })
  for (const step of [
    'intake',
    'identify',
    'size',
    'plan',
    'quote',
    'fit',
    'verify',
    '/shelf',
    '/what-if',
    '/machines',
    '/reference',
    '/jobs/new',
    '/probe',
  ]) {
    if (step.startsWith('/')) await page.goto(app.address + step)
    else await openJob(page, app, 'Adair', step)
    await page.waitForLoadState('networkidle')
    const wider = await page.evaluate(
      () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
    )
    expect(wider, step).toBe(0)
  }
})
