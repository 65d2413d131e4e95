import type { SpeedPoint } from '@tembrix/core/judging/tune'
import {
  Chart,
  type ChartConfiguration,
  Legend,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
} from 'chart.js'
import { useCallback } from 'react'
import { tidy } from '../../../../base/format'
import { axis, ChartCanvas, type Ink } from '../../../../parts/chart'

Chart.register(Legend, LinearScale, LineController, LineElement, PointElement, Tooltip)

/** Latency against speed: it falls, and jumps like a cliff where the controller drops to half rate. */
export function SpeedChart({ picture }: { picture: readonly SpeedPoint[] }) {
  const config = useCallback(
    (ink: Ink): ChartConfiguration<'line'> => {
      const xy = (points: readonly SpeedPoint[]) =>
        points.map(({ dataRate, firstWordNs }) => ({ x: dataRate, y: firstWordNs }))
      const part = (label: string, points: readonly SpeedPoint[], dashed: boolean) => ({
        label,
        data: xy(points),
        borderColor: ink(dashed ? '--risk' : '--act'),
        backgroundColor: ink(dashed ? '--risk' : '--act'),
        borderDash: dashed ? [6, 4] : [],
        pointStyle: dashed ? ('triangle' as const) : ('circle' as const),
        pointRadius: 5,
      })
      const half = picture.filter(({ halfRate }) => halfRate)
      const whole = picture.filter(({ halfRate }) => !halfRate)
      // The cliff itself: from the last synchronous speed to the first at half rate.
      const cliff = half.length > 0 ? [...whole.slice(-1), ...half] : []
      const xs = axis(ink, 'MT/s')
      return {
        type: 'line',
        data: {
          datasets: [part('synchronous', whole, false), part('at half rate', cliff, true)],
        },
        options: {
          animation: false,
          maintainAspectRatio: false,
          scales: {
            x: {
              ...xs,
              type: 'linear',
              beginAtZero: false,
              ticks: { ...xs.ticks, callback: (value) => String(value) },
            },
            y: { ...axis(ink, 'latency, ns'), beginAtZero: true },
          },
          plugins: {
            legend: {
              display: half.length > 0,
              labels: { color: ink('--ink'), usePointStyle: true },
            },
            tooltip: {
              displayColors: false,
              callbacks: { label: ({ parsed }) => `${tidy(parsed.y ?? 0, 1)} ns` },
            },
          },
        },
      }
    },
    [picture],
  )
  return (
    <ChartCanvas
      config={config}
      label="Latency against speed; the table beneath holds its figures"
      height={220}
    />
  )
}
