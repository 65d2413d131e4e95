import type { Evaluation, Run } from '@tembrix/core/things/model'
import { exactRate } from '@tembrix/core/things/model'
import { Popover } from 'radix-ui'
import { memo } from 'react'
import { bandwidth, capacity, latency, speed, tidy } from '../../base/format'

interface Props {
  evaluation: Evaluation
  /** The situation to compare with. */
  before?: Evaluation | undefined
  cost?: Cost | undefined
}

export interface Cost {
  label: string
  figure: string
  why: string
}

const MODES: Record<string, string> = {
  single: 'single channel',
  dual: 'dual channel',
  triple: 'triple channel',
  quad: 'quad channel',
  flex: 'mixed',
}
export const modeWord = (mode: string | null) => (mode ? (MODES[mode] ?? mode) : '–')

/** The answer in figures, each with what it was and, on asking, why. */
export function EvaluationFigures({ evaluation, before, cost }: Props) {
  const { run, capacity: size, mode } = evaluation
  const was = before?.run
  return (
    <section aria-label="Figures" className="flex flex-wrap gap-x-1 bg-sheet px-1 py-1.5">
      <Figure
        name="Capacity"
        figure={capacity(evaluation.starts ? size.usableGiB : size.installedGiB)}
        was={before && capacity(before.capacity.usableGiB)}
        why={
          size.usableGiB === size.installedGiB
            ? `All ${capacity(size.installedGiB)} fitted can be used.`
            : `${capacity(size.installedGiB)} fitted, ${capacity(size.usableGiB)} usable.`
        }
      />
      <Figure
        name="Channels"
        figure={modeWord(mode)}
        was={before && modeWord(before.mode)}
        why={zoneWords(evaluation)}
      />
      <Figure
        name="Speed"
        figure={run ? speed(run.dataRate) : '–'}
        was={before && (was ? String(was.dataRate) : '–')}
        why={run ? rateWords(run) : 'The machine does not start.'}
      />
      <Figure
        name="Latency"
        figure={run ? latency(run.firstWordNs) : '–'}
        was={before && (was ? tidy(was.firstWordNs, 1) : '–')}
        why={run ? latencyWords(run) : 'The machine does not start.'}
      />
      <Figure
        name="Peak bandwidth"
        figure={run ? bandwidth(run.wholePeakGBs) : '–'}
        was={before && (was ? tidy(was.wholePeakGBs, 1) : '–')}
        why="The most it could stream through all of its memory, each stretch at its own peak. Real programs reach a part of it."
      />
      {cost && <Figure name={cost.label} figure={cost.figure} was={undefined} why={cost.why} />}
    </section>
  )
}

interface FigureProps {
  name: string
  figure: string
  was: string | undefined
  why: string
}

const Figure = memo(function Figure({ name, figure, was, why }: FigureProps) {
  return (
    <div className="min-w-24 grow">
      <Popover.Root>
        <Popover.Trigger className="min-h-11 w-full rounded-sm px-2 py-0.5 text-left hover:bg-sheet-2">
          <span className="block text-[0.8rem] leading-tight text-ink-2">
            {name}
            <span className="sr-only">, why?</span>
          </span>
          <span className="block text-xl leading-tight font-semibold whitespace-nowrap">
            {figure}
          </span>
          <span className="block text-[0.8rem] leading-tight text-ink-2">
            {was === undefined ? ' ' : `now ${was}`}
          </span>
        </Popover.Trigger>
        <Popover.Portal>
          <Popover.Content
            sideOffset={4}
            className="z-30 max-w-80 rounded-sm border-2 border-ink bg-sheet p-3 text-ink"
          >
            {why}
            <Popover.Arrow className="fill-ink" />
          </Popover.Content>
        </Popover.Portal>
      </Popover.Root>
    </div>
  )
})

function zoneWords({ zones }: Evaluation): string {
  if (zones.length === 0) return 'The machine does not start.'
  const parts = zones.map(
    ({ ways, gib, peakGBs }) =>
      `${capacity(gib)} over ${ways === 1 ? 'one channel' : `${ways} channels`}, at most ${bandwidth(peakGBs)}`,
  )
  return `${parts.join('; ')}.`
}

function rateWords({ dataRate, limitedBy, controllerRating, profile }: Run): string {
  const held = {
    modules: 'the slowest module',
    controller: `what the controller is rated for at this load, ${controllerRating} MT/s`,
    firmware: 'the firmware',
    setting: 'what is set by hand',
  }[limitedBy]
  return `Limited by ${held}.${profile ? ' The memory profile is on.' : ''} The clock is half of it: ${tidy(exactRate(dataRate) / 2, 0)} MHz.`
}

function latencyWords({ cl, trcd, trp, tras, dataRate, clocking }: Run): string {
  const half = clocking === 'half-rate' ? ', more because the controller runs at half rate' : ''
  return `CL ${cl} × 2000 ÷ ${tidy(exactRate(dataRate))} MT/s${half}. Timings ${cl}-${trcd}-${trp}-${tras}.`
}
