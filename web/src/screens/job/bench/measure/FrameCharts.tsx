import {
  CONFIGURATIONS,
  type Configuration,
  FRAME_EDGES,
  type Logged,
} from '@tembrix/core/bench/measure'
import type { FrameLog, TwoChanges } from '@tembrix/core/things/records'
import {
  Chart,
  type ChartConfiguration,
  type ChartDataset,
  Filler,
  Legend,
  LinearScale,
  LineController,
  LineElement,
  LogarithmicScale,
  PointElement,
  Tooltip,
} from 'chart.js'
import { Download } from 'lucide-react'
import { useCallback, useRef } from 'react'
import { tidy } from '../../../../base/format'
import { Button } from '../../../../base/ui'
import { axis, ChartCanvas, type Ink, savePng } from '../../../../parts/chart'
import { configurationsOf } from '../../../../parts/configurations/configurations'

Chart.register(
  Filler,
  Legend,
  LinearScale,
  LineController,
  LineElement,
  LogarithmicScale,
  PointElement,
  Tooltip,
)

/** Told apart by dashes and width as well as by colour. */
const STROKES: Record<Configuration, { ink: string; dash: number[]; width: number }> = {
  before: { ink: '--rule-2', dash: [], width: 1.5 },
  first: { ink: '--ch-1', dash: [6, 3], width: 1.5 },
  second: { ink: '--ch-2', dash: [2, 3], width: 1.5 },
  after: { ink: '--act', dash: [], width: 2.5 },
}

interface Props {
  logged: Logged<FrameLog>
  changes: TwoChanges | null
}

/** Frame times as they came, of the newest log of each configuration, and how often a frame took how long. */
export function FrameCharts({ logged, changes }: Props) {
  const { test } = logged
  const lineChart = useRef<Chart | null>(null)
  const distributionChart = useRef<Chart | null>(null)
  const line = useCallback((ink: Ink) => lineOf(ink, logged, changes), [logged, changes])
  const distribution = useCallback(
    (ink: Ink) => distributionOf(ink, logged, changes),
    [logged, changes],
  )
  const save = (chart: Chart | null, what: string) => savePng(chart, `${test} ${what}.png`)
  return (
    <>
      <figure className="mt-2">
        <ChartCanvas
          config={line}
          chart={lineChart}
          height={190}
          label={`${test}: frame times over the newest log of each configuration`}
        />
        <figcaption className="flex items-center justify-between text-sm text-ink-2">
          The longest frame of each moment, newest logs.
          <PngButton what="frame times" onPress={() => save(lineChart.current, 'frame times')} />
        </figcaption>
      </figure>
      <figure>
        <ChartCanvas
          config={distribution}
          chart={distributionChart}
          height={190}
          label={`${test}: distribution of frame times; the table beneath holds its figures`}
        />
        <figcaption className="flex items-center justify-between text-sm text-ink-2">
          How often a frame took how long, all logs.
          <PngButton
            what="distribution"
            onPress={() => save(distributionChart.current, 'distribution')}
          />
        </figcaption>
      </figure>
    </>
  )
}

function PngButton({ what, onPress }: { what: string; onPress: () => void }) {
  return (
    <Button look="quiet" aria-label={`Chart of ${what} as PNG`} onClick={onPress}>
      <Download size={17} aria-hidden /> PNG
    </Button>
  )
}

type Point = { x: number; y: number }

function drawn(ink: Ink, configuration: Configuration, label: string, data: Point[]) {
  const { ink: colour, dash, width } = STROKES[configuration]
  const set: ChartDataset<'line', Point[]> = {
    label,
    data,
    borderColor: ink(colour),
    borderDash: dash,
    borderWidth: width,
    pointRadius: 0,
    // What comes later in time lies above.
    order: -CONFIGURATIONS.indexOf(configuration),
    pointHitRadius: 6,
  }
  return set
}

const legendOf = (ink: Ink) => ({
  labels: { color: ink('--ink'), boxHeight: 0, boxWidth: 28 },
})

function lineOf(
  ink: Ink,
  { logs }: Logged<FrameLog>,
  changes: TwoChanges | null,
): ChartConfiguration<'line', Point[]> {
  const datasets = configurationsOf(changes).flatMap(({ value, label }) => {
    const log = logs[value]?.at(-1)
    if (!log) return []
    const step = log.figures.seconds / log.line.length
    const points = log.line.map((y, at) => ({ x: (at + 0.5) * step, y }))
    return [drawn(ink, value, label, points)]
  })
  return {
    type: 'line',
    data: { datasets },
    options: {
      animation: false,
      maintainAspectRatio: false,
      parsing: false,
      scales: { x: { type: 'linear', ...axis(ink, 's') }, y: axis(ink, 'ms a frame') },
      plugins: {
        legend: legendOf(ink),
        tooltip: {
          callbacks: {
            title: ([item]) => `at ${tidy(item?.parsed.x ?? 0, 1)} s`,
            label: ({ dataset, parsed }) => `${dataset.label}: ${tidy(parsed.y ?? 0, 1)} ms`,
          },
        },
      },
    },
  }
}

/** Where the axis of frame times is marked, ms. */
const MARKS = [1, 2, 3, 4, 5, 6, 8, 10, 12, 16, 20, 25, 33, 50, 66, 100, 200, 500, 1000]

function distributionOf(
  ink: Ink,
  { logs }: Logged<FrameLog>,
  changes: TwoChanges | null,
): ChartConfiguration<'line', Point[]> {
  const pooled = configurationsOf(changes).flatMap(({ value, label }) => {
    const own = logs[value]
    if (!own) return []
    const bins = FRAME_EDGES.map((_, at) => own.reduce((sum, log) => sum + (log.bins[at] ?? 0), 0))
    const all = bins.reduce((sum, count) => sum + count, 0)
    return [{ value, label, shares: bins.map((count) => (100 * count) / all) }]
  })
  const filled = FRAME_EDGES.map((_, at) => pooled.some(({ shares }) => (shares[at] ?? 0) > 0))
  const from = Math.max(0, filled.indexOf(true) - 1)
  const to = Math.min(FRAME_EDGES.length - 1, filled.lastIndexOf(true) + 1)
  const edge = (at: number) => FRAME_EDGES[at] as number
  const times = axis(ink, 'ms a frame')
  const datasets = pooled.map(({ value, label, shares }) => ({
    ...drawn(
      ink,
      value,
      label,
      shares.slice(from, to + 1).map((y, at) => ({ x: edge(from + at), y })),
    ),
    stepped: 'before' as const,
    fill: value === 'before' ? 'origin' : false,
    backgroundColor: ink('--sheet-2'),
  }))
  return {
    type: 'line',
    data: { datasets },
    options: {
      animation: false,
      maintainAspectRatio: false,
      parsing: false,
      scales: {
        x: {
          type: 'logarithmic',
          title: times.title,
          grid: times.grid,
          min: edge(from),
          max: edge(to),
          ticks: { ...times.ticks, callback: (at) => `${at}` },
          afterBuildTicks: (scale) => {
            scale.ticks = MARKS.filter((mark) => mark >= edge(from) && mark <= edge(to)).map(
              (value) => ({ value }),
            )
          },
        },
        y: axis(ink, '% of frames'),
      },
      plugins: {
        legend: legendOf(ink),
        tooltip: {
          callbacks: {
            title: ([item]) => `from ${tidy(item?.parsed.x ?? 0, 1)} ms`,
            label: ({ dataset, parsed }) => `${dataset.label}: ${tidy(parsed.y ?? 0, 2)} %`,
          },
        },
      },
    },
  }
}
