import type { Configuration, Tested } from '@tembrix/core/bench/measure'
import type { TwoChanges } from '@tembrix/core/things/records'
import {
  BarController,
  BarElement,
  CategoryScale,
  Chart,
  type ChartConfiguration,
  LinearScale,
  type Plugin,
  Tooltip,
} from 'chart.js'
import { Download } from 'lucide-react'
import { useCallback, useMemo, useRef } from 'react'
import { tidy } from '../../../../base/format'
import { type Column, DataTable } from '../../../../base/table'
import { Button, Disclosure } from '../../../../base/ui'
import { axis, ChartCanvas, type Ink, savePng } from '../../../../parts/chart'
import { configurationsOf } from '../../../../parts/configurations/configurations'

Chart.register(BarController, BarElement, CategoryScale, LinearScale, Tooltip)

type Compared = Tested<unknown>

interface Props {
  /** Tests that have a before. */
  tested: readonly Compared[]
  changes: TwoChanges | null
}

const FILLS: Record<Configuration, string> = {
  before: '--rule',
  first: '--ch-soft-1',
  second: '--ch-soft-2',
  after: '--act',
}

/** Height of a bar and of the name above each test’s bars, and of what surrounds them all, px. */
const ROW = 26
const AROUND = 40

/** A line of the chart: the name of a test (no configuration), or a bar of it. */
interface Row {
  one: Compared
  bar: { configuration: Configuration; label: string; share: number } | null
}

/** Each test’s bars by configuration, in per cent of before, to scale from zero, with the interval of the ratio. */
export function RunsChart({ tested, changes }: Props) {
  const chart = useRef<Chart | null>(null)
  const rows = useMemo(() => rowsOf(tested, changes), [tested, changes])
  const config = useCallback((ink: Ink) => barsOf(ink, rows), [rows])
  return (
    <figure>
      <ChartCanvas
        config={config}
        chart={chart}
        height={AROUND + ROW * rows.length}
        label="Tests by configuration, in per cent of before; the table beneath holds the same"
      />
      <div className="flex flex-wrap items-center justify-between gap-x-3">
        <figcaption className="text-sm text-ink-2">
          Per cent of before; longer is better. The stroke is the 95 % interval.
        </figcaption>
        <Button look="quiet" onClick={() => savePng(chart.current, 'before-and-after.png')}>
          <Download size={17} aria-hidden /> Chart as PNG
        </Button>
      </div>
      <Disclosure summary={<span className="text-sm">As a table</span>}>
        <DataTable name="Runs" rows={barsIn(rows)} columns={FIGURES} keyOf={keyOf} dense />
      </Disclosure>
    </figure>
  )
}

function rowsOf(tested: readonly Compared[], changes: TwoChanges | null): Row[] {
  return tested.flatMap((one) => {
    const bars = configurationsOf(changes).flatMap(({ value: configuration, label }) => {
      const share = shareOf(one, configuration)
      return share === null ? [] : [{ one, bar: { configuration, label, share } }]
    })
    return [{ one, bar: null }, ...bars]
  })
}

interface Bar {
  one: Compared
  bar: NonNullable<Row['bar']>
}

const barsIn = (rows: readonly Row[]): Bar[] =>
  rows.flatMap(({ one, bar }) => (bar ? [{ one, bar }] : []))

const keyOf = ({ one, bar }: Bar): string => `${one.test} ${bar.configuration}`

const FIGURES: readonly Column<Bar>[] = [
  {
    id: 'test',
    name: 'Test',
    sortBy: ({ one, bar }) => `${one.test}, ${bar.label}`,
    cell: ({ one, bar }) => `${one.test}, ${bar.label}`,
  },
  {
    id: 'mean',
    name: 'Mean',
    figures: true,
    cell: ({ one, bar }) => `${tidy(meanOf(one, bar.configuration) ?? 0)} ${one.unit}`,
  },
  {
    id: 'share',
    name: 'Of before',
    figures: true,
    sortBy: ({ bar }) => bar.share,
    cell: ({ bar }) => `${tidy(bar.share, 1)} %`,
  },
  {
    id: 'interval',
    name: '95 % interval',
    figures: true,
    cell: ({ one, bar }) => {
      const interval = intervalOf(one, bar.configuration)
      return interval ? `${tidy(interval.low, 1)} to ${tidy(interval.high, 1)}` : '–'
    },
  },
]

function meanOf({ against, sides }: Compared, configuration: Configuration): number | null {
  if (configuration !== 'before') return against[configuration]?.after.mean ?? null
  return sides.before ? (Object.values(against)[0]?.before.mean ?? null) : null
}

/** Before is the whole; of others the ratio, and nothing where they were not measured. */
function shareOf(one: Compared, configuration: Configuration): number | null {
  if (configuration === 'before') return meanOf(one, 'before') === null ? null : 100
  const compared = one.against[configuration]
  return compared && compared.before.count > 0 && compared.after.count > 0
    ? 100 * compared.ratio
    : null
}

/** The 95 % interval in per cent of before; null for before itself, and where there are too few runs. */
function intervalOf({ against }: Compared, configuration: Configuration) {
  const compared = against[configuration]
  if (!compared || !Number.isFinite(compared.high)) return null
  return { low: 100 * compared.low, high: 100 * compared.high }
}

/** How far beyond its bar an interval may stretch the chart. */
const STRETCH = 1.5

function barsOf(ink: Ink, rows: readonly Row[]): ChartConfiguration<'bar'> {
  const shares = axis(ink, '')
  const ends = rows.map(({ one, bar }) => {
    const high = bar ? (intervalOf(one, bar.configuration)?.high ?? bar.share) : 0
    return Math.min(high, STRETCH * (bar?.share ?? 0))
  })
  return {
    type: 'bar',
    data: {
      labels: rows.map(({ one, bar }) => (bar ? `${one.test}, ${bar.label}` : '')),
      datasets: [
        {
          data: rows.map(({ bar }) => bar?.share ?? null),
          backgroundColor: rows.map(({ bar }) => ink(bar ? FILLS[bar.configuration] : '--sheet')),
          barPercentage: 0.92,
          categoryPercentage: 1,
        },
      ],
    },
    options: {
      indexAxis: 'y',
      animation: false,
      maintainAspectRatio: false,
      scales: {
        x: {
          ...shares,
          suggestedMax: Math.max(100, ...ends),
          title: { display: false },
          ticks: { ...shares.ticks, callback: (at) => `${at} %` },
        },
        y: { display: false },
      },
      plugins: {
        legend: { display: false },
        tooltip: {
          displayColors: false,
          callbacks: {
            label: ({ dataIndex }) => {
              const { one, bar } = rows[dataIndex] as Row
              if (!bar) return ''
              const { runs = [] } = one.sides[bar.configuration] ?? {}
              return `${figureOf(one, bar.configuration)}, ${runs.length} runs`
            },
          },
        },
      },
    },
    plugins: [writing(ink, rows)],
  }
}

const figureOf = (one: Compared, configuration: Configuration) =>
  `${tidy(meanOf(one, configuration) ?? 0)} ${one.unit}`

/** Writes each test’s name above its bars and each figure on its bar, and draws the intervals, to scale. */
function writing(ink: Ink, rows: readonly Row[]): Plugin<'bar'> {
  return {
    id: 'writing',
    afterDatasetsDraw: (chart) => {
      const { ctx, scales } = chart
      const { x, y } = scales
      if (!x || !y) return
      const zero = x.getPixelForValue(0)
      ctx.save()
      ctx.textBaseline = 'middle'
      ctx.lineWidth = 2
      rows.forEach(({ one, bar }, at) => {
        const middle = y.getPixelForValue(at)
        if (!bar) {
          ctx.font = '600 13px "Archivo Variable", sans-serif'
          ctx.fillStyle = ink('--ink')
          ctx.fillText(one.test, zero, middle + 3)
          return
        }
        const { configuration, label, share } = bar
        const { low, high } = intervalOf(one, configuration) ?? { low: share, high: share }
        if (high > low) {
          ctx.strokeStyle = ink('--ink')
          stroke(ctx, middle, x.getPixelForValue(low), x.getPixelForValue(high))
        }
        ctx.font = '12px "Archivo Variable", sans-serif'
        const text = `${label} ${figureOf(one, configuration)}`
        const inside =
          ctx.measureText(text).width <= x.getPixelForValue(Math.min(share, low)) - zero - 12
        ctx.fillStyle = ink(inside && configuration === 'after' ? '--act-ink' : '--ink')
        ctx.fillText(
          text,
          inside ? zero + 6 : x.getPixelForValue(Math.max(share, high)) + 6,
          middle,
        )
      })
      ctx.restore()
    },
  }
}

function stroke(ctx: CanvasRenderingContext2D, y: number, low: number, high: number): void {
  ctx.beginPath()
  ctx.moveTo(low, y)
  ctx.lineTo(high, y)
  for (const x of [low, high]) {
    ctx.moveTo(x, y - 5)
    ctx.lineTo(x, y + 5)
  }
  ctx.stroke()
}
