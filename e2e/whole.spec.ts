import type { Locator, Page } from '@playwright/test'
import { expect, inShort, saved, test } from './fixtures'

/** How a person gets at what is on the screen. */
interface Hand {
  press: (target: Locator) => Promise<void>
  type: (field: Locator, text: string) => Promise<void>
}

/** By Tab to it, by arrows within tabs and choices, by Enter or the space bar: no pointer at all. */
function keyboard(page: Page): Hand {
  /** The key that leads on to it: an arrow where what has the focus is one of the same tabs or choices; none once it is there. */
  const keyTo = (target: Locator) =>
    target.evaluate((one) => {
      const now = document.activeElement
      if (one === now) return null
      const isChoice = one instanceof HTMLInputElement && one.type === 'radio'
      const isBeside = isChoice
        ? now instanceof HTMLInputElement && now.type === 'radio' && now.name === one.name
        : one.closest('[role=tablist], [role=radiogroup]')?.contains(now)
      return isBeside ? 'ArrowRight' : 'Tab'
    })
  async function reach(target: Locator): Promise<void> {
    await expect(target).toBeVisible()
    for (let at = 0; at < 250; at += 1) {
      const key = await keyTo(target)
      if (key === null) return
      await page.keyboard.press(key)
    }
    throw new Error(`not reached by keys: ${target}`)
  }
  return {
    async press(target) {
      await reach(target)
      const how = await target.evaluate((one) => one.getAttribute('role') ?? one.localName)
      await page.keyboard.press(how === 'input' ? 'Space' : 'Enter')
    },
    async type(field, text) {
      await reach(field)
      await page.keyboard.press('Control+A')
      await page.keyboard.type(text)
    },
  }
}

const touch: Hand = {
  press: (target) => target.tap(),
  type: async (field, text) => {
    await field.tap()
    await field.fill(text)
  },
}

const pointer: Hand = {
  press: (target) => target.click(),
  type: (field, text) => field.fill(text),
}

/** From a customer at the counter to what is seen once the module is in. */
async function wholeJob(page: Page, address: string, { press, type }: Hand, name: string) {
  const button = (name: string | RegExp) => page.getByRole('button', { name })
  await page.goto(address)
  await press(button('New job'))
  await type(page.getByLabel('Name'), name)
  await type(page.getByLabel(/What is wrong/), 'Too slow')
  await press(page.getByRole('radio', { name: /Laptop, 2 slots/ }))
  await press(button('Start the job'))

  await expect(page.getByRole('heading', { name: 'Identify' })).toBeVisible()
  if (await inShort(page).isVisible()) await press(button('Open the board'))
  await press(button('Add a module'))
  const dialog = page.getByRole('dialog')
  await press(dialog.getByRole('button', { name: '8', exact: true }))
  await press(dialog.getByRole('button', { name: 'Add', exact: true }))
  await expect(dialog).toBeHidden()
  await press(page.getByRole('link', { name: 'On to Size' }))
  await press(page.getByRole('link', { name: 'On to Plan' }))

  await press(page.getByRole('tab', { name: 'Trade-offs' }))
  await type(page.getByLabel('At least, GB usable'), '16')
  const cheapest = page
    .getByRole('list', { name: 'Picks' })
    .getByRole('button', { name: /Lowest cost/ })
  await press(cheapest)
  await expect(cheapest).toHaveAttribute('aria-pressed', 'true')
  await press(page.getByRole('tab', { name: 'This plan' }))
  await press(page.getByRole('link', { name: 'On to Quote' }))

  await press(button('Quote the plan on the board'))
  await press(
    page.getByRole('region', { name: 'Approval' }).getByRole('button', { name: 'Approved' }),
  )
  await press(page.getByRole('link', { name: 'On to Fit' }))

  const step = page.getByRole('region', { name: /^Step \d+/ })
  const done = step.getByRole('button', { name: /^(Done|I have read this)$/ })
  const over = page.getByRole('region', { name: 'All steps done' })
  await expect(done).toBeVisible()
  // Of what a supplier sells, nothing was ordered: it was bought on the way.
  const here = button('It is here')
  for (let left = await here.count(); left > 0; left -= 1) {
    await press(here.first())
    await expect(here).toHaveCount(left - 1)
  }
  for (let at = 0; at < 60 && !(await over.isVisible()); at += 1) {
    const title = await step.getByRole('heading').textContent()
    await press(done)
    await expect(step.getByRole('heading').or(over).first()).not.toHaveText(title ?? '')
  }
  await press(button('To the tray'))
  await press(button('Fitted: on to Verify'))

  await expect(page.getByRole('heading', { name: 'Verify' })).toBeVisible()
  await type(page.getByLabel('Memory in all, GB, seen'), '8')
  await expect(page.getByRole('list', { name: 'Differences' })).toContainText(/8 GB of \d+ GB/)
  await saved(page)
}

test('a whole job by keyboard alone', async ({ page, app }) => {
  test.setTimeout(240_000)
  await wholeJob(page, app.address, keyboard(page), 'Thora Keys')
})

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })
  test('a whole job by touch', async ({ page, app }) => {
    test.setTimeout(240_000)
    await wholeJob(page, app.address, touch, 'Thumb Ellery')
  })
})

test.describe('at twice the size', () => {
  test.use({ viewport: { width: 640, height: 400 }, deviceScaleFactor: 2 })
  test('a whole job', async ({ page, app }) => {
    test.setTimeout(240_000)
    await wholeJob(page, app.address, pointer, 'Lens Varrow')
  })
})
