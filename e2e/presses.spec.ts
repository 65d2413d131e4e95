import type { Locator, Page } from '@playwright/test'
import { expect, saved, slotButton, test } from './fixtures'

/** What a usual upgrade may ask of a hand: presses, and letters typed besides names. */
const PRESSES = 40
const LETTERS = 80

const REPORT = `# what the system says
Memory Device
   Size: 8192 MB
   Form Factor: SODIMM
   Locator: ChannelA-DIMM0
   Type: DDR4
   Speed: 3200 MT/s
   Serial Number: 7C2D11AA
   Part Number: Larkfield L4-8-3200
   Configured Clock Speed: 3200 MT/s

Memory Device
   Size: No Module Installed
   Locator: ChannelB-DIMM0
`

/** A hand that counts what it does. */
function counting(page: Page) {
  const count = { presses: 0, letters: 0 }
  return {
    count,
    press: async (target: Locator) => {
      count.presses += 1
      await target.click()
    },
    type: async (field: Locator, text: string, isName = false) => {
      count.presses += 1
      if (!isName) count.letters += text.length
      await field.fill(text)
    },
    /** Into what has the focus: the two keys of pasting are one press. */
    paste: async (field: Locator, text: string) => {
      count.presses += 1
      await field.focus()
      await page.evaluate((typed) => {
        const clipboardData = new DataTransfer()
        clipboardData.setData('text/plain', typed)
        const event = { clipboardData, bubbles: true, cancelable: true }
        document.activeElement?.dispatchEvent(new ClipboardEvent('paste', event))
      }, text)
    },
  }
}

test('a walk-in laptop goes from the counter to collected in few presses and letters', async ({
  page,
  app,
}) => {
  const { press, type, paste, count } = counting(page)
  const button = (name: string | RegExp) => page.getByRole('button', { name, exact: true })
  const step = (name: string) => page.getByRole('link', { name })

  await page.goto(app.address)
  await press(button('New job'))
  await type(page.getByLabel('Name'), 'Nell Quick', true)
  await type(page.getByLabel(/What is wrong/), 'Too slow')
  await press(page.getByRole('radio', { name: /^Laptop, 2 slots/ }))
  await press(button('Start the job'))
  await paste(page.getByRole('textbox', { name: /Paste, drop/ }), REPORT)
  await press(step('On to Size'))
  await press(step('On to Plan'))
  const kit = page
    .getByRole('region', { name: 'Tray' })
    .getByRole('button', { name: /W4S-16-3200/ })
  for (const [at, name] of ['A', 'B'].entries()) {
    await press(kit.nth(at))
    await press(slotButton(page, name))
    await expect(slotButton(page, name)).toContainText('16 GB')
  }
  await press(step('On to Quote'))
  await press(button('Quote the plan on the board'))
  await press(
    page.getByRole('region', { name: 'Approval' }).getByRole('button', { name: 'Approved' }),
  )
  await press(step('On to Fit'))

  await press(button('All steps as a list'))
  const steps = page.getByRole('progressbar', { name: 'Steps done' })
  const read = async () => Number(await steps.getAttribute('value'))
  const all = Number(await steps.getAttribute('max'))
  for (let done = await read(); done < all; done = await read()) {
    await press(page.getByRole('button', { name: /^I have (read|done) / }))
    await expect(steps).not.toHaveAttribute('value', String(done))
  }
  await press(page.getByRole('tab', { name: 'Tray' }))
  await expect(page.getByLabel(/Serial number of A/)).toHaveValue(/^WD-7713-/)
  await press(button('Fitted: on to Verify'))
  await type(page.getByLabel('Memory in all, GB, seen'), '32')
  await saved(page)
  await press(
    page.getByRole('navigation', { name: 'Steps' }).getByRole('link', { name: 'Hand over' }),
  )
  await type(page.getByPlaceholder('Why it is handed over').first(), 'shows 32 GB')
  await type(page.getByPlaceholder('Why it is handed over').nth(1), 'no time')
  await press(button('Received'))
  await press(button('Signed'))
  await press(button('Collected'))
  await saved(page)
  await page.goto(app.address)
  await expect(page.getByRole('table', { name: 'The day' })).toBeVisible()
  await expect(page.getByRole('row', { name: /Nell Quick/ })).toHaveCount(0)
  expect(count.presses).toBeLessThanOrEqual(PRESSES)
  expect(count.letters).toBeLessThanOrEqual(LETTERS)
})
