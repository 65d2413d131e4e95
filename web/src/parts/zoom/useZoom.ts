import { select } from 'd3-selection'
import { type D3ZoomEvent, type ZoomBehavior, zoom, zoomIdentity } from 'd3-zoom'
import { useEffect, useRef, useState } from 'react'

/** As near as it goes. */
const NEAREST = 6
/** One press on nearer or further. */
const FACTOR = 1.5
/** A press that moves no further than this is a press and moves nothing, px. */
const STILL = 6

/**
 * A picture that is zoomed and moved within its frame: by wheel with Ctrl, by two fingers, by dragging it, and by
 * what the buttons call. What has the class `pin` is not moved with.
 */
export function useZoom() {
  const frame = useRef<HTMLDivElement>(null)
  const behaviour = useRef<ZoomBehavior<HTMLDivElement, unknown> | null>(null)
  const [transform, setTransform] = useState(zoomIdentity)

  useEffect(() => {
    const element = frame.current
    if (!element) return
    const { clientWidth, clientHeight } = element
    const moving = zoom<HTMLDivElement, unknown>()
      .scaleExtent([1, NEAREST])
      .translateExtent([
        [0, 0],
        [clientWidth, clientHeight],
      ])
      .clickDistance(STILL)
      .filter(
        (event) =>
          !event.button &&
          !(event.target as Element).closest('.pin') &&
          (event.type !== 'wheel' || event.ctrlKey),
      )
      .on('zoom', ({ transform }: D3ZoomEvent<HTMLDivElement, unknown>) => setTransform(transform))
    behaviour.current = moving
    const chosen = select(element)
    chosen.call(moving).on('dblclick.zoom', null)
    const watch = new ResizeObserver(() => {
      moving.translateExtent([
        [0, 0],
        [element.clientWidth, element.clientHeight],
      ])
    })
    watch.observe(element)
    return () => {
      watch.disconnect()
      chosen.on('.zoom', null)
    }
  }, [])

  const by = (factor: number) => () => {
    if (frame.current) behaviour.current?.scaleBy(select(frame.current), factor)
  }
  const whole = () => {
    if (frame.current) behaviour.current?.transform(select(frame.current), zoomIdentity)
  }
  const { k, x, y } = transform
  return {
    frame,
    /** The style of what is zoomed. */
    style: { transform: `translate(${x}px, ${y}px) scale(${k})`, transformOrigin: '0 0' },
    /** How much larger it is drawn than it is. */
    scale: k,
    nearer: by(FACTOR),
    further: by(1 / FACTOR),
    whole,
  }
}
