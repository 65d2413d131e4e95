import { Chart, type ChartConfiguration, type ChartType } from 'chart.js'
import { type RefObject, useEffect, useRef, useState } from 'react'

/** Colours by token, as they are in the theme of the moment. */
export type Ink = (token: string) => string

const ink: Ink = (token) =>
  getComputedStyle(document.documentElement).getPropertyValue(token).trim()

interface Props<T extends ChartType> {
  /** Makes the chart; a stable function, since a new one draws it again. */
  config: (ink: Ink) => ChartConfiguration<T>
  /** What it shows, and where the same stands in figures. */
  label: string
  height: number
  chart?: RefObject<Chart | null>
}

/** A chart on a canvas, drawn again when the theme changes. */
export function ChartCanvas<T extends ChartType>({ config, label, height, chart }: Props<T>) {
  const canvas = useRef<HTMLCanvasElement>(null)
  const theme = useThemeName()

  // biome-ignore lint/correctness/useExhaustiveDependencies: the theme gives the colours
  useEffect(() => {
    if (!canvas.current) return
    const drawn = new Chart(canvas.current, config(ink))
    if (chart) chart.current = drawn as unknown as Chart
    return () => {
      if (chart) chart.current = null
      drawn.destroy()
    }
  }, [config, theme, chart])

  return (
    <div className="relative min-w-0 overflow-hidden" style={{ height }}>
      <canvas ref={canvas} role="img" aria-label={label} />
    </div>
  )
}

function useThemeName(): string | undefined {
  const [name, setName] = useState(document.documentElement.dataset.theme)
  useEffect(() => {
    const root = document.documentElement
    const watching = new MutationObserver(() => setName(root.dataset.theme))
    watching.observe(root, { attributeFilter: ['data-theme'] })
    return () => watching.disconnect()
  }, [])
  return name
}
