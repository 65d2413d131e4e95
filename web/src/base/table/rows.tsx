// biome-ignore-all lint/a11y/noRedundantRoles: drawn as cards its parts are no table to the browser any more
// biome-ignore-all lint/a11y/useSemanticElements: the same
import type { KeyboardEvent, ReactNode, RefObject } from 'react'

/** Rows of a table to be drawn, all of them or those in sight. */
export interface RowsProps {
  count: number
  /** What a row is known by from one drawing to the next. */
  keyAt: (at: number) => string | number
  draw: (at: number, measure?: (row: HTMLElement | null) => void) => ReactNode
  /** What a row is taken to be high until it is drawn, px. */
  height: number
  /** Whether they are drawn as cards. */
  narrow: boolean
  /** What they scroll in. */
  scroller: RefObject<HTMLElement | null>
}

/** Every row, as is quickest where there are few. */
export function AllRows({ count, draw, narrow, scroller }: RowsProps) {
  const go = (at: number) => {
    rowAt(scroller, at)?.scrollIntoView({ block: 'nearest' })
    focusRow(scroller, at)
  }
  return (
    <RowGroup count={count} narrow={narrow} go={go}>
      {Array.from({ length: count }, (_, at) => draw(at))}
    </RowGroup>
  )
}

interface GroupProps {
  count: number
  narrow: boolean
  /** Puts the focus on a row. */
  go: (at: number) => void
  children: ReactNode
}

/** Rows gone through by arrow keys. */
export function RowGroup({ count, narrow, go, children }: GroupProps) {
  function keyed(event: KeyboardEvent) {
    const row = (event.target as HTMLElement).closest<HTMLElement>('[data-index]')
    if (!row || (event.target as HTMLElement).closest('input, select, textarea')) return
    const at = Number(row.dataset.index)
    const to = {
      ArrowDown: at + 1,
      ArrowUp: at - 1,
      PageDown: at + 10,
      PageUp: at - 10,
      Home: 0,
      End: count - 1,
    }[event.key]
    if (to === undefined) return
    event.preventDefault()
    go(Math.max(0, Math.min(count - 1, to)))
  }

  return (
    <tbody role="rowgroup" className={narrow ? 'block' : ''} onKeyDown={keyed}>
      {children}
    </tbody>
  )
}

const rowAt = (scroller: RowsProps['scroller'], at: number) =>
  scroller.current?.querySelector<HTMLElement>(`[data-index="${at}"]`)

/** Puts the focus on what a row leads to; false where it is not drawn. */
export function focusRow(scroller: RowsProps['scroller'], at: number): boolean {
  const row = rowAt(scroller, at)
  row?.querySelector<HTMLElement>('a, button')?.focus({ preventScroll: true })
  return row !== null && row !== undefined
}
