import type { Page } from '@playwright/test'
import { expect } from './fixtures'

/** The step at hand. */
export const stepCard = (page: Page) => page.getByRole('region', { name: /^Step \d+/ })
/** Its main button. */
export const stepDone = (page: Page) =>
  stepCard(page).getByRole('button', { name: /^(Done|I have read this)$/ })

/** Goes on until a step is shown, and answers every heading on the way. */
export async function untilStep(page: Page, title: RegExp): Promise<string[]> {
  const seen: string[] = []
  for (;;) {
    const heading = (await stepCard(page).getByRole('heading').textContent()) ?? ''
    seen.push(heading)
    if (title.test(heading)) return seen
    await stepDone(page).click()
    await expect(stepCard(page).getByRole('heading')).not.toHaveText(heading)
  }
}
