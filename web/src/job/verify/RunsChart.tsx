import {
  BarController,
  BarElement,
  CategoryScale,
  Chart,
  LinearScale,
  type Plugin,
  Tooltip,
} from 'chart.js'
import { Download } from 'lucide-react'
import { useEffect, useMemo, useRef } from 'react'
import { Button, tidy } from '../../ui'
import type { Tested } from './tested'

Chart.register(BarController, BarElement, CategoryScale, LinearScale, Tooltip)

const ink = (name: string) =>
  getComputedStyle(document.documentElement).getPropertyValue(name).trim()

/** Bars of each test before and after in per cent of before, to scale from zero, with the interval of the ratio. */
export function RunsChart({ tested }: { tested: readonly Tested[] }) {
  const canvas = useRef<HTMLCanvasElement>(null)
  const chart = useRef<Chart | null>(null)
  const compared = useMemo(() => tested.filter(({ comparison }) => comparison), [tested])

  useEffect(() => {
    if (!canvas.current) return
    chart.current = new Chart(canvas.current, {
      type: 'bar',
      data: {
        labels: compared.map(({ test }) => test),
        datasets: [
          { label: 'before', data: compared.map(() => 100), backgroundColor: ink('--rule') },
          {
            label: 'after',
            data: compared.map(({ comparison }) => 100 * (comparison?.ratio ?? 1)),
            backgroundColor: ink('--act'),
          },
        ],
      },
      options: {
        indexAxis: 'y',
        animation: false,
        maintainAspectRatio: false,
        scales: {
          x: {
            beginAtZero: true,
            title: { display: true, text: 'per cent of before', color: ink('--ink-2') },
            ticks: { color: ink('--ink-2') },
            grid: { color: ink('--rule') },
          },
          y: { ticks: { color: ink('--ink') }, grid: { display: false } },
        },
        plugins: {
          tooltip: {
            displayColors: false,
            callbacks: {
              label: ({ datasetIndex, dataIndex }) => {
                const one = compared[dataIndex]
                const side = datasetIndex === 0 ? 'before' : 'after'
                const { mean = 0, count = 0 } = one?.comparison?.[side] ?? {}
                return `${tidy(mean ?? 0)} ${one?.unit}, ${count} runs`
              },
            },
          },
        },
      },
      plugins: [intervals(compared)],
    })
    return () => chart.current?.destroy()
  }, [compared])

  function save() {
    const link = document.createElement('a')
    link.href = chart.current?.toBase64Image() ?? ''
    link.download = 'before-and-after.png'
    link.click()
  }

  return (
    <figure>
      <div className="relative" style={{ height: `${80 + compared.length * 56}px` }}>
        <canvas
          ref={canvas}
          role="img"
          aria-label="Tests before and after, in per cent of before; the table beneath holds the same"
        />
      </div>
      <figcaption className="text-sm text-ink-2">
        Upper bar before, lower bar after; longer is better. The stroke is the 95 % interval.
      </figcaption>
      <details>
        <summary className="flex min-h-9 cursor-pointer items-center text-sm">As a table</summary>
        <table className="w-full text-right text-sm">
          <thead className="text-ink-2">
            <tr>
              {['Test', 'before', 'after', 'of before', 'interval'].map((name) => (
                <th key={name} className={`font-normal ${name === 'Test' ? 'text-left' : ''}`}>
                  {name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {compared.map(({ test, unit, comparison }) => (
              <tr key={test} className="border-t border-rule">
                <td className="text-left">
                  {test}, {unit}
                </td>
                <td>{tidy(comparison?.before.mean ?? 0)}</td>
                <td>{tidy(comparison?.after.mean ?? 0)}</td>
                <td>{tidy(100 * (comparison?.ratio ?? 1), 1)} %</td>
                <td>
                  {comparison && Number.isFinite(comparison.high)
                    ? `${tidy(100 * comparison.low, 1)} to ${tidy(100 * comparison.high, 1)} %`
                    : '–'}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </details>
      <Button look="quiet" onClick={save}>
        <Download size={17} aria-hidden /> Chart as PNG
      </Button>
    </figure>
  )
}

/** Draws the interval of each ratio over its bar, to scale. */
function intervals(compared: readonly Tested[]): Plugin<'bar'> {
  return {
    id: 'intervals',
    afterDatasetsDraw: (chart) => {
      const { ctx, scales } = chart
      const scale = scales.x
      if (!scale) return
      ctx.save()
      ctx.strokeStyle = ink('--ink')
      ctx.lineWidth = 2
      compared.forEach(({ comparison }, at) => {
        const bar = chart.getDatasetMeta(1).data[at]
        if (!bar || !comparison || !Number.isFinite(comparison.high)) return
        const low = scale.getPixelForValue(100 * comparison.low)
        const high = scale.getPixelForValue(100 * comparison.high)
        ctx.beginPath()
        ctx.moveTo(low, bar.y)
        ctx.lineTo(high, bar.y)
        for (const x of [low, high]) {
          ctx.moveTo(x, bar.y - 5)
          ctx.lineTo(x, bar.y + 5)
        }
        ctx.stroke()
      })
      ctx.fillStyle = ink('--ink')
      ctx.font = '12px "Archivo Variable", sans-serif'
      ctx.textBaseline = 'middle'
      for (const [side, at] of [
        ['before', 0],
        ['after', 1],
      ] as const) {
        chart.getDatasetMeta(at).data.forEach((bar, n) => {
          const mean = compared[n]?.comparison?.[side].mean ?? 0
          ctx.fillStyle = at === 0 ? ink('--ink') : ink('--act-ink')
          ctx.fillText(`${tidy(mean)} ${compared[n]?.unit}`, scale.getPixelForValue(0) + 6, bar.y)
        })
      }
      ctx.restore()
    },
  }
}
