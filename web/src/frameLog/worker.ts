import { frameFigures, logHead, readColumn, scaleOf } from '@tembrix/core/measure'
import type { Asked, FromReader } from './messages'

const say = (message: FromReader) => postMessage(message)

const BINS = 40
const STRETCHES = 240

/** The longest frame of each stretch, so that no stutter is lost to the drawing. */
function lineOf(times: Float64Array): number[] {
  const count = Math.min(STRETCHES, times.length)
  return Array.from({ length: count }, (_, at) => {
    const from = Math.floor((at * times.length) / count)
    const to = Math.floor(((at + 1) * times.length) / count)
    let longest = 0
    for (let n = from; n < to; n += 1) longest = Math.max(longest, times[n] as number)
    return longest
  })
}

/** Counts of frame times up to what all but a thousandth stay below. */
function histogram(times: Float64Array): { bins: number[]; topMs: number } {
  const sorted = times.slice().sort()
  const topMs = (sorted[Math.floor(sorted.length * 0.999)] ?? 1) * 1.1
  const bins = new Array<number>(BINS).fill(0)
  for (const time of times) {
    const at = Math.min(BINS - 1, Math.floor((time / topMs) * BINS))
    bins[at] = (bins[at] as number) + 1
  }
  return { bins, topMs }
}

addEventListener('message', ({ data }: MessageEvent<Asked>) => {
  try {
    const head = logHead(data.text)
    if (!head) throw new Error('the log is empty')
    const { values, bad, badLines, rows } = readColumn(
      data.text,
      head,
      data.heading,
      scaleOf(data.unit),
      (share) => say({ kind: 'progress', share: share * 0.8 }),
    )
    const figures = frameFigures(values)
    say({
      kind: 'done',
      analysed: {
        figures,
        rows,
        bad,
        badLines,
        ...histogram(values),
        line: lineOf(values),
        first: [...values.subarray(0, 1000)],
      },
    })
  } catch (error) {
    say({ kind: 'failed', why: error instanceof Error ? error.message : String(error) })
  }
})
