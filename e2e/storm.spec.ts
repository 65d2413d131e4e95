import type { Page, Route } from '@playwright/test'
import { type Application, startApplication } from './application'
import { chanceOf } from './chance'
import { expect, openJob, test } from './fixtures'

/** Lets a write through, or not, or not its answer, or late, or twice. */
async function toss(route: Route, chance: () => number): Promise<void> {
  const method = route.request().method()
  const fate = chance()
  const wait = chance() * 400
  if (method === 'GET' || fate < 0.35) return route.continue()
  if (fate < 0.5) return route.abort()
  const answer = await route.fetch().catch(() => null)
  if (fate < 0.7 || !answer) return route.abort()
  if (fate < 0.85) {
    await new Promise((later) => setTimeout(later, wait))
    return route.fulfill({ response: answer })
  }
  const second = await route.fetch().catch(() => null)
  return route.fulfill({ response: second ?? answer })
}

const fieldsOf = (page: Page) => ({
  uses: page.getByLabel('What it is used for'),
  complaint: page.getByLabel('What is wrong, in the customer’s words'),
  phone: page.getByLabel('Phone'),
})

/** How long one thing pressed may take before what can be pressed is looked at again. */
const MOMENT = { timeout: 3000 }

/** Opens what a screen asks; news of other screens may settle it in between. False where nothing is asked. */
async function openAsked(page: Page): Promise<boolean> {
  const state = page.getByTestId('save-state')
  if (await page.getByRole('dialog').isVisible()) return true
  if (await state.isDisabled()) return false
  await state.click(MOMENT)
  await expect(page.getByRole('dialog')).toBeVisible(MOMENT)
  return true
}

/** What a screen has been told that it has not been able to store. */
async function heldBy(page: Page): Promise<string> {
  const dialog = page.getByRole('dialog')
  let said = ''
  await expect(async () => {
    said = ''
    if (!(await openAsked(page))) return
    said = (await dialog.textContent(MOMENT)) ?? ''
    await dialog.getByRole('button', { name: 'Close' }).click(MOMENT)
  }).toPass()
  return said
}

/** Settles each question for what this screen entered. */
async function insist(page: Page): Promise<void> {
  const state = page.getByTestId('save-state')
  const answer = page.getByRole('dialog').getByRole('button', {
    name: /Keep what I entered|Try again/,
  })
  await expect(async () => {
    await expect(state).toHaveText(/All saved|choose|not accepted/, MOMENT)
    if (await openAsked(page)) {
      await answer.first().click(MOMENT)
      await page.keyboard.press('Escape')
    }
    await expect(page.getByRole('dialog')).toBeHidden(MOMENT)
    await expect(state).toHaveText('All saved', MOMENT)
  }).toPass()
}

async function storm(page: Page, own: Application, others: Page[], seed: number): Promise<void> {
  const chance = chanceOf(seed)
  const id = await openJob(page, own, 'Varga', 'intake')
  const pages = [page, ...others]
  for (const one of others) {
    await one.goto(`${own.address}/jobs/${id}/intake`)
    await expect(fieldsOf(one).uses).toBeVisible()
  }
  for (const one of pages) await one.route('**/api/v1/**', (route) => toss(route, chance))
  const words: string[] = []
  for (let turn = 0; turn < 24; turn += 1) {
    const at = Math.floor(chance() * pages.length)
    const one = pages[at] as Page
    const fields = fieldsOf(one)
    const word = `w${seed}x${turn}`
    const field = chance() < 0.5 ? fields.uses : fields.complaint
    await field.focus()
    await one.keyboard.press('Control+End')
    await one.keyboard.insertText(` ${word}`)
    words.push(word)
    if (chance() < 0.15) await one.reload()
  }
  for (const one of pages) {
    await one.unrouteAll({ behavior: 'wait' })
    await expect(one.getByTestId('save-state')).toHaveText(/All saved|choose|not accepted/)
  }

  const api = `${own.address}/api/v1/jobs/${id}`
  const stored = async () => (await page.request.get(api)).json()
  const { uses, complaint } = await stored()
  const held = (await Promise.all(pages.map(heldBy))).join('\n')
  const lost = words.filter((word) => !`${uses} ${complaint} ${held}`.includes(word))
  expect(lost, 'words neither stored nor shown as in conflict').toEqual([])

  for (const one of pages) await insist(one)
  const after = await stored()
  for (const one of pages) {
    await expect(fieldsOf(one).uses).toHaveValue(after.uses)
    await expect(fieldsOf(one).complaint).toHaveValue(after.complaint)
  }
}

for (const [seed, screens] of [
  [1, 2],
  [2, 3],
  [3, 3],
] as const) {
  test(`a storm over ${screens} screens (${seed}): every word is stored or shown, and all agree`, async ({
    page,
    browser,
  }) => {
    const own = await startApplication()
    const contexts = await Promise.all(
      Array.from({ length: screens - 1 }, () =>
        browser.newContext({ viewport: { width: 1280, height: 800 } }),
      ),
    )
    try {
      const others = await Promise.all(contexts.map((context) => context.newPage()))
      await storm(page, own, others, seed)
    } finally {
      for (const context of contexts) await context.close()
      await own.end()
    }
  })
}
