import '../../base/styles/index.css'
import { STARTING_MACHINES } from '@tembrix/core/things/machines'
import type { Module } from '@tembrix/core/things/model'
import type { Assignment, ModuleRecord } from '@tembrix/core/things/records'
import { useState } from 'react'
import { expect, test } from 'vitest'
import { page, userEvent } from 'vitest/browser'
import { render } from 'vitest-browser-react'
import { Board } from './Board'
import { Desk } from './Desk'
import { Tray } from './Tray'

const found = STARTING_MACHINES.find(({ id }) => id === 'desktop-4')
if (!found) throw new Error('there is no desktop to start from')
const { machine } = found

const module = (article: string, capacityGiB: number, changes: Partial<Module> = {}): Module => ({
  article,
  generation: 'DDR5',
  formFactor: 'DIMM',
  buffering: 'unbuffered',
  ecc: false,
  capacityGiB,
  ranks: 1,
  deviceWidth: 8,
  voltages: [1.1],
  speeds: [{ kind: 'standard', dataRate: 5600, cl: 46, trcd: 46, trp: 46, tras: 90 }],
  kit: null,
  ...changes,
})

const record = (id: string, of: Module): ModuleRecord =>
  ({ id, module: of, source: 'customer', price: null, note: '', serialNumber: '' }) as ModuleRecord

const RECORDS = [
  record('small', module('small', 8)),
  record('large', module('large', 32)),
  record('old', module('old', 16, { generation: 'DDR4' })),
]
const PIECES = new Map(RECORDS.map((one) => [one.id, one]))
const [A1 = '', A2 = '', B1 = ''] = machine.slots.map(({ id }) => id)

/** A board with a tray, as a screen has them, that keeps what the hand did. */
function Bench({ start = {}, follows = false }: { start?: Assignment; follows?: boolean }) {
  const [assignment, setAssignment] = useState(start)
  return (
    <Desk
      machine={machine}
      assignment={assignment}
      pieces={PIECES}
      onAssignment={follows ? null : setAssignment}
      className="flex h-dvh flex-col"
    >
      <div className="h-96">
        <Board findings={[]} before={start} />
      </div>
      <Tray groups={[{ title: 'At hand', records: RECORDS, none: 'Nothing.' }]} />
    </Desk>
  )
}

const slot = (id: string) => page.getByRole('button', { name: new RegExp(`^Slot ${id},`) })
const focus = (id: string) => (slot(id).element() as HTMLElement).focus()
/** The key that puts what is held there, shown while something is. */
const key = (id: string) => slot(id).getByText(/^key \d$/)
const tray = page.getByRole('region', { name: 'Tray' })
const small = { moduleId: 'small', unit: 0 }

test('a module is lifted, put and taken out by keys alone', async () => {
  await render(<Bench start={{ [A1]: small }} />)
  focus(A1)
  await userEvent.keyboard('{Enter}')
  await expect.element(key(B1)).toBeVisible()
  await userEvent.keyboard('3')
  await expect.element(slot(B1)).toHaveTextContent('8 GB')
  await expect.element(slot(A1)).toHaveTextContent('taken out')
  focus(B1)
  await userEvent.keyboard('{Delete}')
  await expect.element(slot(B1)).not.toHaveTextContent('8 GB')
})

test('a module that is let go with Escape stays where it was', async () => {
  await render(<Bench start={{ [A1]: small }} />)
  focus(A1)
  await userEvent.keyboard('{Enter}')
  await expect.element(key(B1)).toBeVisible()
  await userEvent.keyboard('{Escape}')
  await expect.element(key(B1)).not.toBeVisible()
  await userEvent.keyboard('3')
  await expect.element(slot(A1)).toHaveTextContent('8 GB')
})

test('a module of the tray is pressed, then its slot', async () => {
  await render(<Bench start={{ [A2]: small }} />)
  await tray.getByRole('button', { name: /^32 GB/ }).click()
  await slot(A2).click()
  await expect.element(slot(A2)).toHaveTextContent('32 GB')
})

test('a module is dragged into a slot, and back onto the tray', async () => {
  await render(<Bench start={{ [A1]: small }} />)
  await userEvent.dragAndDrop(slot(A1), slot(B1), { steps: 12 })
  await expect.element(slot(B1)).toHaveTextContent('8 GB')
  await userEvent.dragAndDrop(slot(B1), tray, { steps: 12 })
  await expect.element(slot(B1)).not.toHaveTextContent('8 GB')
})

test('what does not fit is shown on demand only, and says so', async () => {
  await render(<Bench />)
  const old = tray.getByRole('button', { name: /^16 GB.*does not fit/ })
  await expect.element(old).not.toBeInTheDocument()
  await tray.getByRole('button', { name: /1 more does not fit/ }).click()
  await expect.element(old).toBeVisible()
})

test('a board that only follows lets nothing be lifted', async () => {
  await render(<Bench start={{ [A1]: small }} follows />)
  focus(A1)
  await userEvent.keyboard('{Enter}')
  await userEvent.hover(tray)
  expect(document.querySelector('[data-holding]')).toBeNull()
})

test('a board under the hand shows that something is held', async () => {
  await render(<Bench start={{ [A1]: small }} />)
  focus(A1)
  await userEvent.keyboard('{Enter}')
  await expect.poll(() => document.querySelector('[data-holding]')).not.toBeNull()
})
