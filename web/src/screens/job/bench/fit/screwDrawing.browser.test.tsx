import type { ScrewPin } from '@tembrix/core/things/records'
import { useState } from 'react'
import { expect, test, vi } from 'vitest'
import { userEvent } from 'vitest/browser'
import { render } from 'vitest-browser-react'
import '../../../../base/styles/index.css'
import { ScrewDrawing } from './ScrewDrawing'

const pin = (id: string, x: number, y: number): ScrewPin => ({
  id,
  x,
  y,
  lengthMm: 5,
  head: 'cross',
  captive: false,
  under: 'nothing',
  leftOut: false,
})

let placed: ScrewPin[] = []

/** The drawing as a screen has it, 600 by 400 pixels, that keeps what the hand did. */
function Drawing({ start, closing = false }: { start: ScrewPin[]; closing?: boolean }) {
  const [pins, setPins] = useState(start)
  placed = pins
  return (
    <div style={{ width: 604 }}>
      <ScrewDrawing
        pins={pins}
        photoId={null}
        chosen={null}
        back={closing ? new Set() : null}
        onPlace={closing ? null : (x, y) => setPins([...pins, pin(`new ${pins.length}`, x, y)])}
        onPin={() => {}}
        onMove={(id, x, y) => setPins(pins.map((one) => (one.id === id ? { ...one, x, y } : one)))}
        onRemove={(id) => setPins(pins.filter((one) => one.id !== id))}
      />
    </div>
  )
}

const surface = /^Place a screw/

/** Presses, moves and lets go, as the hand does. */
async function dragBy(element: Element, dx: number, dy: number, button = 0): Promise<void> {
  const { left, top, width, height } = element.getBoundingClientRect()
  const [x, y] = [left + width / 2, top + height / 2]
  const fire = (to: EventTarget, type: string, at: number, Kind: typeof MouseEvent = MouseEvent) =>
    to.dispatchEvent(
      new Kind(type, {
        bubbles: true,
        cancelable: true,
        view: window,
        button,
        buttons: 1,
        clientX: x + dx * at,
        clientY: y + dy * at,
      }),
    )
  fire(element, 'pointerdown', 0, PointerEvent)
  fire(element, 'mousedown', 0)
  for (const at of [0.3, 0.6, 1]) {
    fire(document, 'mousemove', at)
    await new Promise(requestAnimationFrame)
  }
  fire(document, 'mouseup', 1)
  const under = document.elementFromPoint(x + dx, y + dy)
  if (under === element) fire(element, 'click', 1)
}

test('a press places a pin where it was made', async () => {
  const screen = await render(<Drawing start={[]} />)
  await screen.getByRole('button', { name: surface }).click({ position: { x: 150, y: 300 } })
  await vi.waitFor(() => expect(placed).toHaveLength(1))
  expect(placed[0]?.x).toBeCloseTo(0.25, 2)
  expect(placed[0]?.y).toBeCloseTo(0.75, 2)
})

test('a pin that is dragged goes there, and leaves none behind', async () => {
  const screen = await render(<Drawing start={[pin('a', 0.5, 0.5)]} />)
  await dragBy(screen.getByRole('button', { name: 'Screw 1,' }).element(), 120, -80)
  await vi.waitFor(() => expect(placed[0]?.x).toBeCloseTo(0.7, 2))
  expect(placed[0]?.y).toBeCloseTo(0.3, 2)
  expect(placed).toHaveLength(1)
})

test('the other button places nothing', async () => {
  const screen = await render(<Drawing start={[]} />)
  const drawing = screen.getByRole('button', { name: surface })
  await drawing.click({ button: 'right', position: { x: 100, y: 100 } })
  await drawing.click({ button: 'middle', position: { x: 120, y: 100 } })
  await drawing.click({ position: { x: 300, y: 200 } })
  await vi.waitFor(() => expect(placed).toHaveLength(1))
  expect(placed[0]?.x).toBeCloseTo(0.5, 2)
})

test('zoomed in, a pin is placed and dragged where the hand is, and moving the picture places none', async () => {
  const screen = await render(<Drawing start={[pin('a', 0.5, 0.5)]} />)
  const area = screen.getByRole('button', { name: surface }).element()
  const before = area.getBoundingClientRect().width
  await screen.getByRole('button', { name: 'Zoom in' }).click()
  await vi.waitFor(() => expect(area.getBoundingClientRect().width).toBeGreaterThan(before * 1.3))
  let last = 0
  let still = 0
  // A busy machine may leave out a frame of the zoom.
  await vi.waitFor(
    () => {
      const { width } = area.getBoundingClientRect()
      still = width === last ? still + 1 : 0
      last = width
      expect(still).toBeGreaterThan(5)
    },
    { timeout: 10_000 },
  )
  await dragBy(screen.getByRole('button', { name: 'Screw 1,' }).element(), 60, 0)
  await vi.waitFor(() => expect(placed[0]?.x).toBeCloseTo(0.5 + 60 / last, 2))
  await dragBy(area, 40, 40)
  expect(placed).toHaveLength(1)
})

test('keys place, move and remove; once screws go back nothing is moved', async () => {
  const screen = await render(<Drawing start={[]} />)
  screen.getByRole('button', { name: surface }).element().focus()
  await userEvent.keyboard('{ArrowRight}{Enter}')
  await vi.waitFor(() => expect(placed).toMatchObject([{ x: 0.52, y: 0.5 }]))
  screen.getByRole('button', { name: 'Screw 1,' }).element().focus()
  await userEvent.keyboard('{ArrowUp}')
  await vi.waitFor(() => expect(placed).toMatchObject([{ x: 0.52, y: 0.49 }]))
  await userEvent.keyboard('{Delete}')
  await vi.waitFor(() => expect(placed).toEqual([]))
  await screen.unmount()

  const closing = await render(<Drawing start={[pin('a', 0.5, 0.5)]} closing />)
  const back = closing.getByRole('button', { name: 'Screw 1,' }).element()
  await dragBy(back, 100, 0)
  back.focus()
  await userEvent.keyboard('{Delete}{ArrowLeft}')
  expect(placed).toEqual([pin('a', 0.5, 0.5)])
})
