import { beforeEach, expect, test, vi } from 'vitest'
import { page, userEvent } from 'vitest/browser'
import { render } from 'vitest-browser-react'
import '../styles/index.css'
import { type Column, DataTable } from '.'

interface Part {
  id: string
  name: string
  price: number | null
}

const COLUMNS: readonly Column<Part>[] = [
  {
    id: 'name',
    name: 'Name',
    fixed: true,
    narrow: 'head',
    sortBy: ({ name }) => name,
    cell: ({ id, name }) => <a href={`#${id}`}>{name}</a>,
  },
  {
    id: 'price',
    name: 'Price',
    figures: true,
    sortBy: ({ price }) => price,
    cell: ({ price }) => price ?? '–',
  },
  { id: 'note', name: 'Note', narrow: 'hidden', cell: ({ id }) => `note ${id}` },
]

const FEW: Part[] = [
  { id: 'b', name: 'kit 9', price: null },
  { id: 'a', name: 'Kit 10', price: 30 },
  { id: 'c', name: 'Adapter', price: 4 },
]

const many = (count: number): Part[] =>
  Array.from({ length: count }, (_, at) => ({ id: `p${at}`, name: `Part ${at}`, price: at }))

const table = (
  rows: readonly Part[],
  more: Partial<Parameters<typeof DataTable<Part>>[0]> = {},
) => (
  <div style={{ height: 400, display: 'flex', flexDirection: 'column' }}>
    <DataTable name="Parts" rows={rows} columns={COLUMNS} keyOf={({ id }) => id} {...more} />
  </div>
)

const drawn = () => document.querySelectorAll('tbody tr').length
const names = () => [...document.querySelectorAll('tbody a')].map((one) => one.textContent)

beforeEach(async () => {
  localStorage.clear()
  await page.viewport(1280, 800)
})

test('a heading sorts one way, the other, and back to how the rows came', async () => {
  const screen = await render(table(FEW))
  const name = screen.getByRole('button', { name: 'Name' })
  await name.click()
  await vi.waitFor(() => expect(names()).toEqual(['Adapter', 'kit 9', 'Kit 10']))
  await expect
    .element(screen.getByRole('columnheader', { name: 'Name' }))
    .toHaveAttribute('aria-sort', 'ascending')
  await name.click()
  await vi.waitFor(() => expect(names()).toEqual(['Kit 10', 'kit 9', 'Adapter']))
  await name.click()
  await vi.waitFor(() => expect(names()).toEqual(['kit 9', 'Kit 10', 'Adapter']))
  await expect
    .element(screen.getByRole('columnheader', { name: 'Name' }))
    .toHaveAttribute('aria-sort', 'none')
})

test('what has no figure comes last, whichever way it is sorted', async () => {
  const screen = await render(table(FEW))
  const price = screen.getByRole('button', { name: 'Price' })
  await price.click()
  await vi.waitFor(() => expect(names()).toEqual(['Adapter', 'Kit 10', 'kit 9']))
  await price.click()
  await vi.waitFor(() => expect(names()).toEqual(['Kit 10', 'Adapter', 'kit 9']))
})

test('while there is more to read, nothing is sorted by what happens to be here', async () => {
  const screen = await render(table(FEW, { more: true }))
  await expect.element(screen.getByText('the first 3')).toBeVisible()
  expect(screen.getByRole('button', { name: 'Name' }).elements()).toEqual([])
})

test('columns are left out, and stay so; what a row is cannot be', async () => {
  const first = await render(table(FEW))
  await first.getByRole('button', { name: 'Columns' }).click()
  expect(first.getByRole('checkbox', { name: 'Name' }).elements()).toEqual([])
  await first.getByRole('checkbox', { name: 'Price' }).click()
  await vi.waitFor(() =>
    expect(first.getByRole('columnheader', { name: 'Price' }).elements()).toEqual([]),
  )
  await first.unmount()
  const again = await render(table(FEW))
  await expect.element(again.getByRole('columnheader', { name: 'Note' })).toBeVisible()
  expect(again.getByRole('columnheader', { name: 'Price' }).elements()).toEqual([])
})

test('of twenty thousand rows only those in sight are drawn, and keys go through all of them', async () => {
  const screen = await render(table(many(20_000)))
  await vi.waitFor(() => expect(drawn()).toBeLessThan(60))
  await expect.element(screen.getByRole('table')).toHaveAttribute('aria-rowcount', '20001')
  screen.getByRole('link', { name: 'Part 0', exact: true }).element().focus()
  await userEvent.keyboard('{ArrowDown}{ArrowDown}')
  await vi.waitFor(() => expect(document.activeElement?.textContent).toBe('Part 2'))
  await userEvent.keyboard('{End}')
  await vi.waitFor(() => expect(document.activeElement?.textContent).toBe('Part 19999'))
  expect(drawn()).toBeLessThan(60)
  await userEvent.keyboard('{Home}')
  await vi.waitFor(() => expect(document.activeElement?.textContent).toBe('Part 0'))
})

test('of a few rows all are drawn, and keys bring into sight the one they go to', async () => {
  const screen = await render(table(many(60)))
  expect(drawn()).toBe(60)
  const box = (name: string) =>
    screen.getByRole(name === 'Name' ? 'columnheader' : 'row', { name }).element()
  const scroller = box('Name').closest('.overflow-auto') as Element
  const isInSight = (name: string) => {
    const row = box(name).getBoundingClientRect()
    const { bottom } = scroller.getBoundingClientRect()
    return row.top >= box('Name').getBoundingClientRect().bottom && row.bottom <= bottom
  }
  screen.getByRole('link', { name: 'Part 0', exact: true }).element().focus()
  await userEvent.keyboard('{End}')
  await vi.waitFor(() => expect(document.activeElement?.textContent).toBe('Part 59'))
  expect(isInSight('Part 59')).toBe(true)
  expect(isInSight('Part 20')).toBe(false)
  for (let at = 0; at < 5; at += 1) await userEvent.keyboard('{PageUp}')
  await vi.waitFor(() => expect(document.activeElement?.textContent).toBe('Part 9'))
  expect(isInSight('Part 9')).toBe(true)
})

test('a press on a row opens it; one on something of its own does not', async () => {
  const onOpen = vi.fn()
  const screen = await render(table(FEW, { onOpen }))
  await screen.getByText('note c').click()
  expect(onOpen).toHaveBeenCalledExactlyOnceWith(FEW[2])
  await screen.getByRole('link', { name: 'kit 9' }).click()
  expect(onOpen).toHaveBeenCalledTimes(1)
})

test('on a narrow screen a row is a card, still a row to a reader, without what there is none of', async () => {
  await page.viewport(390, 844)
  const screen = await render(table(FEW))
  const rows = screen.getByRole('row')
  await expect.element(rows.nth(1)).toHaveTextContent('Kit 10Price30')
  await expect.element(rows.nth(0)).toHaveTextContent('kit 9')
  expect(rows.nth(0).element().textContent).toBe('kit 9')
  expect(document.documentElement.scrollWidth).toBe(390)
})

test('where rows are cards, what they are sorted by is chosen', async () => {
  await page.viewport(390, 844)
  const screen = await render(table(FEW))
  const sort = screen.getByRole('combobox', { name: 'Sort by' })
  await sort.selectOptions('Price, falling')
  await vi.waitFor(() => expect(names()).toEqual(['Kit 10', 'Adapter', 'kit 9']))
  await sort.selectOptions('as they come')
  await vi.waitFor(() => expect(names()).toEqual(['kit 9', 'Kit 10', 'Adapter']))
})

test('a small table stays one on a narrow screen', async () => {
  await page.viewport(390, 844)
  const screen = await render(table(FEW, { dense: true }))
  await expect.element(screen.getByRole('columnheader', { name: 'Price' })).toBeVisible()
  expect(screen.getByRole('button', { name: 'Columns' }).elements()).toEqual([])
  expect(document.documentElement.scrollWidth).toBe(390)
})
