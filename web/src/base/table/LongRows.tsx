import { type Range, useVirtualizer } from '@tanstack/react-virtual'
import { focusRow, RowGroup, type RowsProps } from './rows'

/** The rows in sight and some beyond, however many there are. */
export function LongRows({ count, keyAt, draw, height, narrow, scroller }: RowsProps) {
  const virtual = useVirtualizer({
    count,
    getScrollElement: () => scroller.current,
    estimateSize: () => height,
    getItemKey: keyAt,
    rangeExtractor: inSteps,
  })
  const drawn = virtual.getVirtualItems()
  const above = drawn[0]?.start ?? 0
  const below = virtual.getTotalSize() - (drawn.at(-1)?.end ?? 0)

  /** One that is out of sight is drawn in the next frame or the one after. */
  function go(at: number): void {
    virtual.scrollToIndex(at)
    const focus = () => focusRow(scroller, at)
    if (focus()) return
    requestAnimationFrame(() => focus() || requestAnimationFrame(focus))
  }

  return (
    <RowGroup count={count} narrow={narrow} go={go}>
      <Space height={above} block={narrow} />
      {drawn.map(({ index }) => draw(index, virtual.measureElement))}
      <Space height={below} block={narrow} />
    </RowGroup>
  )
}

/** Rows drawn beyond those in sight, and how many come and go at once, so that most frames of a scroll draw nothing. */
const BEYOND = 12
const STEP = 8

function inSteps({ startIndex, endIndex, count }: Range): number[] {
  const from = Math.max(0, Math.floor(startIndex / STEP) * STEP - BEYOND)
  const to = Math.min(count, Math.ceil((endIndex + 1) / STEP) * STEP + BEYOND)
  return Array.from({ length: to - from }, (_, at) => from + at)
}

/** The room of rows that are not drawn. */
function Space({ height, block }: { height: number; block: boolean }) {
  return height > 0 ? <tr aria-hidden style={{ height }} className={block ? 'block' : ''} /> : null
}
