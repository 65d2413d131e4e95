/** A worker's word on how far it is, between its question and its answer. */
export interface WorkDone {
  done: number
}

interface Asked {
  /** Ends the worker; its answer is then never given. */
  signal?: AbortSignal | undefined
  onProgress?: (done: number) => void
}

/**
 * Asks a worker one thing and ends it once it answered. A message with `done` alone is progress. @throws where the
 * worker failed, or `AbortError` where it is not wanted any more.
 */
export function inWorker<Question, Answer>(
  start: () => Worker,
  question: Question,
  { signal, onProgress }: Asked = {},
): Promise<Answer> {
  const worker = start()
  return new Promise<Answer>((resolve, reject) => {
    const stop = () => reject(new DOMException('Cancelled', 'AbortError'))
    if (signal?.aborted) stop()
    signal?.addEventListener('abort', stop, { once: true })
    worker.onmessage = ({ data }: MessageEvent<Answer | WorkDone>) => {
      if (isProgress(data)) onProgress?.(data.done)
      else resolve(data)
    }
    worker.onerror = ({ message }) => reject(new Error(message))
    worker.postMessage(question)
  }).finally(() => worker.terminate())
}

const isProgress = (data: unknown): data is WorkDone =>
  typeof data === 'object' && data !== null && 'done' in data && Object.keys(data).length === 1
