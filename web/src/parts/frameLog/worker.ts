import { analyseFrames, columnReader, overviewOf, trimmed } from '@tembrix/core/bench/measure'
import { type Analysed, type FrameLogRequest, type FromReader, MOST_RUNS } from './messages'
import { textChunks } from './textChunks'

const say = (message: FromReader) => postMessage(message)

async function analyse({ file, head, column, trim }: FrameLogRequest): Promise<Analysed> {
  const reader = columnReader(head, column.heading, column.unit)
  for await (const { text, share } of textChunks(file)) {
    reader.take(text)
    say({ kind: 'progress', share: 0.9 * share })
  }
  const { values, ...about } = reader.end()
  return {
    ...about,
    count: values.length,
    first: [...values.subarray(0, MOST_RUNS)],
    whole: column.unit === null ? null : overviewOf(values),
    frames: column.unit === null ? null : analyseFrames(trimmed(values, trim)),
  }
}

addEventListener('message', async ({ data }: MessageEvent<FrameLogRequest>) => {
  try {
    say({ kind: 'done', analysed: await analyse(data) })
  } catch (error) {
    say({ kind: 'failed', why: error instanceof Error ? error.message : String(error) })
  }
})
