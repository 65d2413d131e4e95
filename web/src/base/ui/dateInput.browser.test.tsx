import { useState } from 'react'
import { expect, test } from 'vitest'
import { userEvent } from 'vitest/browser'
import { render } from 'vitest-browser-react'
import '../styles/index.css'
import { DateInput, Field } from '.'

let kept: string

function Due({ start }: { start: string }) {
  const [due, setDue] = useState(start)
  kept = due
  return (
    <Field label="Due">
      {(control) => <DateInput {...control} value={due} onValue={setDue} />}
    </Field>
  )
}

test('a day is typed as people write one, and stands as the shop writes it', async () => {
  const screen = await render(<Due start="2026-11-28" />)
  const field = screen.getByLabelText('Due')
  await expect.element(field).toHaveValue('28 Nov 2026')
  await field.fill('1.12.2026')
  expect(kept).toBe('2026-12-01')
  await userEvent.tab()
  await expect.element(field).toHaveValue('1 Dec 2026')
})

test('what is no day stays as it was typed, for the check to refuse', async () => {
  const screen = await render(<Due start="" />)
  const field = screen.getByLabelText('Due')
  await field.fill('tomorrow')
  await userEvent.tab()
  expect(kept).toBe('tomorrow')
  await expect.element(field).toHaveValue('tomorrow')
  await field.fill('')
  expect(kept).toBe('')
})

test('a day is picked from its month, by pointer or by keys', async () => {
  const screen = await render(<Due start="2026-11-28" />)
  await screen.getByRole('button', { name: 'Pick a day' }).click()
  await screen.getByRole('button', { name: /November 30th, 2026/ }).click()
  await expect.element(screen.getByLabelText('Due')).toHaveValue('30 Nov 2026')
  await screen.getByRole('button', { name: 'Pick a day' }).click()
  await expect.element(screen.getByRole('button', { name: /November 30th, 2026/ })).toHaveFocus()
  await userEvent.keyboard('{ArrowRight}{Enter}')
  await expect.element(screen.getByLabelText('Due')).toHaveValue('1 Dec 2026')
})
