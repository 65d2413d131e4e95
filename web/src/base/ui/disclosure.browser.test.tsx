import { expect, test, vi } from 'vitest'
import { render } from 'vitest-browser-react'
import { Disclosure } from '.'

const folded = (open: boolean, onOpen = (_: boolean) => {}) => (
  <Disclosure summary="More" open={open} onOpen={onOpen}>
    <input aria-label="Inside" />
  </Disclosure>
)

test('what is inside is made when it is opened, and keeps what was typed while it is folded', async () => {
  const onOpen = vi.fn()
  const screen = await render(folded(false, onOpen))
  expect(document.querySelector('input')).toBeNull()
  await screen.getByText('More').click()
  await screen.getByLabelText('Inside').fill('typed')
  expect(onOpen).toHaveBeenLastCalledWith(true)
  await screen.getByText('More').click()
  await expect.element(screen.getByLabelText('Inside')).not.toBeVisible()
  await screen.getByText('More').click()
  await expect.element(screen.getByLabelText('Inside')).toHaveValue('typed')
})

test('a reason opens it, and its going does not close it under the hand', async () => {
  const screen = await render(folded(false))
  await screen.rerender(folded(true))
  await expect.element(screen.getByLabelText('Inside')).toBeVisible()
  await screen.rerender(folded(false))
  await expect.element(screen.getByLabelText('Inside')).toBeVisible()
})
