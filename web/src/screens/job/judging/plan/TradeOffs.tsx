import type { PlanOption } from '@tembrix/core/judging/plan'
import {
  Chart,
  type ChartConfiguration,
  type ChartDataset,
  LinearScale,
  PointElement,
  ScatterController,
  Tooltip,
} from 'chart.js'
import { useCallback, useRef } from 'react'
import { capacity, latency, list, money, speed } from '../../../../base/format'
import { modeWord } from '../../../../parts/board'
import { axis, ChartCanvas, type Ink } from '../../../../parts/chart'

Chart.register(LinearScale, PointElement, ScatterController, Tooltip)

interface Props {
  options: readonly PlanOption[]
  current: PlanOption | undefined
  onChoose: (option: PlanOption) => void
}

/** A shape for each way memory lies on the channels, so that colour is never the only sign. */
const SHAPES = {
  single: 'triangle',
  dual: 'circle',
  triple: 'star',
  quad: 'rect',
  flex: 'crossRot',
} as const
type Shape = (typeof SHAPES)[keyof typeof SHAPES] | 'rectRot'

function shapeOf(mode: string | null): Shape {
  return mode !== null && mode in SHAPES ? SHAPES[mode as keyof typeof SHAPES] : 'rectRot'
}

/** Cost against usable capacity; a press on a point puts that plan on the board. */
export function TradeOffs({ options, current, onChoose }: Props) {
  const chosen = useRef(onChoose)
  chosen.current = onChoose
  const config = useCallback(
    (ink: Ink): ChartConfiguration<'scatter'> => {
      const costs = axis(ink, 'to buy')
      return {
        type: 'scatter',
        data: { datasets: [dataset(options, current, ink)] },
        options: {
          animation: false,
          maintainAspectRatio: false,
          layout: { padding: { right: 8, top: 8 } },
          scales: {
            x: { ...costs, ticks: { ...costs.ticks, callback: (value) => money(Number(value)) } },
            y: axis(ink, 'usable GB'),
          },
          plugins: {
            legend: { display: false },
            tooltip: {
              displayColors: false,
              callbacks: { label: ({ dataIndex }) => tip(options[dataIndex] as PlanOption) },
            },
          },
          onClick: (_event, elements) => {
            const option = options[elements[0]?.index ?? -1]
            if (option) chosen.current(option)
          },
        },
      }
    },
    [options, current],
  )

  const modes = [...new Set(options.map(({ evaluation }) => evaluation.mode))]
  return (
    <figure>
      <ChartCanvas
        config={config}
        height={208}
        label="Cost against usable capacity; the table beneath holds the same"
      />
      <figcaption className="mb-1 text-sm text-ink-2">
        {list(modes.map((mode) => `${SIGNS[shapeOf(mode)]} ${modeWord(mode)}`))}; the gold one is on
        the board
      </figcaption>
    </figure>
  )
}

const SIGNS: Record<Shape, string> = {
  triangle: '▲',
  circle: '●',
  star: '✳',
  rect: '■',
  crossRot: '✕',
  rectRot: '◆',
}

function dataset(
  options: readonly PlanOption[],
  current: PlanOption | undefined,
  ink: Ink,
): ChartDataset<'scatter'> {
  const by = <T,>(yes: T, no: T) => options.map((one) => (one === current ? yes : no))
  return {
    data: options.map(({ cost, usableGiB }) => ({ x: cost, y: usableGiB })),
    pointStyle: options.map(({ evaluation }) => shapeOf(evaluation.mode)),
    pointRadius: by(8, 5),
    pointHoverRadius: 9,
    pointHitRadius: 10,
    backgroundColor: by(ink('--gold-line'), ink('--act')),
    borderColor: by(ink('--ink'), ink('--act')),
    borderWidth: by(2, 1.5),
  }
}

function tip({ cost, usableGiB, evaluation: { mode, run }, firstWordNs }: PlanOption): string {
  return `${money(cost)}: ${capacity(usableGiB)}, ${modeWord(mode)}, ${speed(run?.dataRate)}, ${latency(firstWordNs)}`
}
