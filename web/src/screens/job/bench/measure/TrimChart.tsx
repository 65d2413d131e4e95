import type { Trim } from '@tembrix/core/bench/measure'
import {
  Chart,
  type ChartConfiguration,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
} from 'chart.js'
import { Slider } from 'radix-ui'
import { useCallback, useEffect, useState } from 'react'
import { tidy } from '../../../../base/format'
import { ChartCanvas, type Ink } from '../../../../parts/chart'
import type { Overview } from '../../../../parts/frameLog'

Chart.register(LinearScale, LineController, LineElement, PointElement)

interface Props {
  whole: Overview
  trim: Trim
  onTrim: (trim: Trim) => void
  className?: string
}

/** A step of the grips, a tenth of a second, and the least that stays between them, in steps. */
const STEP = 0.1
const LEAST = 5

/** The whole log with two grips: what lies outside them is left out. */
export function TrimChart({ whole, trim, onTrim, className = '' }: Props) {
  const { line, seconds } = whole
  const [kept, setKept] = useState<[number, number]>([0, seconds])
  useEffect(() => setKept([trim.begin, seconds - trim.end]), [trim, seconds])
  const config = useCallback((ink: Ink) => overview(ink, line), [line])
  const [from, to] = kept
  const share = (at: number) => `${(100 * Math.min(1, Math.max(0, at / seconds))).toFixed(2)}%`
  return (
    <figure className={className}>
      <div className="relative border border-rule bg-sheet">
        <ChartCanvas
          config={config}
          height={88}
          label="The whole log: the longest frame of each moment"
        />
        <div
          className="pointer-events-none absolute inset-y-0 left-0 bg-sheet-2/80"
          style={{ width: share(from) }}
        />
        <div
          className="pointer-events-none absolute inset-y-0 right-0 bg-sheet-2/80"
          style={{ width: share(seconds - to) }}
        />
        <Slider.Root
          min={0}
          max={seconds}
          step={STEP}
          minStepsBetweenThumbs={LEAST}
          value={kept}
          onValueChange={([begin = 0, end = seconds]) => setKept([begin, end])}
          onValueCommit={([begin = 0, end = seconds]) =>
            onTrim({ begin: rounded(begin), end: rounded(Math.max(0, seconds - end)) })
          }
          className="absolute inset-0 flex touch-none items-center select-none"
        >
          <Slider.Track className="h-full w-full">
            <Slider.Range className="absolute h-full" />
          </Slider.Track>
          {(['First second that counts', 'Last second that counts'] as const).map((label) => (
            <Slider.Thumb
              key={label}
              aria-label={label}
              className="block h-[88px] w-2.5 cursor-ew-resize rounded-sm border border-ink bg-act focus-visible:outline-3 focus-visible:outline-offset-2 focus-visible:outline-act"
            />
          ))}
        </Slider.Root>
      </div>
      <figcaption className="text-sm text-ink-2">
        {tidy(from, 1)} s to {tidy(to, 1)} s of {tidy(seconds, 1)} s count. Drag the grips inwards
        to leave out loading and menus.
      </figcaption>
    </figure>
  )
}

const rounded = (at: number) => Math.round(at * 10) / 10

function overview(ink: Ink, line: readonly number[]): ChartConfiguration<'line'> {
  return {
    type: 'line',
    data: {
      datasets: [
        {
          data: line.map((y, at) => ({ x: at, y })),
          borderColor: ink('--act'),
          borderWidth: 1.5,
          pointRadius: 0,
        },
      ],
    },
    options: {
      animation: false,
      maintainAspectRatio: false,
      parsing: false,
      events: [],
      scales: {
        x: { type: 'linear', display: false, min: 0, max: line.length - 1 },
        y: { display: false, beginAtZero: true },
      },
      plugins: { legend: { display: false }, tooltip: { enabled: false } },
    },
  }
}
