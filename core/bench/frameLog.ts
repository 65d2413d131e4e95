// Reads the log named last, one way or the other, and says how long it took and how much memory there was.
import { closeSync, openSync, readFileSync, readSync } from 'node:fs'
import { dsvFormat } from 'd3-dsv'
import { analyseFrames, columnReader, logHead } from '../src/bench/measure'

const STRETCH = 2 ** 20

/** As the page’s worker does: stretch by stretch, one column kept, worked through. */
function analysed(path: string): number {
  const file = openSync(path, 'r')
  const bytes = Buffer.alloc(STRETCH)
  const decoder = new TextDecoder()
  let reader: ReturnType<typeof columnReader> | undefined
  for (let read = readSync(file, bytes); read > 0; read = readSync(file, bytes)) {
    const text = decoder.decode(bytes.subarray(0, read), { stream: true })
    if (!reader) {
      const head = logHead(text)
      if (!head) throw new Error('no head')
      reader = columnReader(head, 'FrameTime (ms)', 'ms')
    }
    reader.take(text)
  }
  closeSync(file)
  const frames = reader && analyseFrames(reader.end().values)
  return frames?.figures.frames ?? 0
}

/** Merely parsed, by the same library. */
const parsed = (path: string) => dsvFormat(',').parseRows(readFileSync(path, 'utf8')).length

const [how, path] = process.argv.slice(-2) as ['analysed' | 'parsed', string]
const before = process.resourceUsage().maxRSS
const begun = performance.now()
const rows = { analysed, parsed }[how](path)
const ms = performance.now() - begun
const peak = process.resourceUsage().maxRSS
console.log(JSON.stringify({ rows, ms, peakMB: peak / 1024, moreMB: (peak - before) / 1024 }))
