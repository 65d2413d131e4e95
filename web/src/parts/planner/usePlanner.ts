import type { Listed, PlanAnswer, PlanOption, PlanRequest } from '@tembrix/core/judging/plan'
import { useCallback, useEffect, useRef, useState } from 'react'
import type { ByPolicy, FromPlanner, ToPlanner } from './messages'

export interface Planning {
  /** The latest answer; while `share` is set it is of the request before. */
  answer: PlanAnswer | null
  /** The answers under every policy, to the same need; a little later than the answer. */
  byPolicy: ByPolicy | null
  /** The answers with nothing but what the maker’s list names; null where there is no list. */
  onList: readonly PlanOption[] | null
  /** How far the search has come, from 0 to 1; null when none is under way. */
  share: number | null
  failed: string | null
  cancel: () => void
}

/** Plans in a worker whenever the request changes; a search that nobody waits for any more is ended. */
export function usePlanner(request: PlanRequest, listed: readonly Listed[] | null): Planning {
  const [answer, setAnswer] = useState<PlanAnswer | null>(null)
  const [byPolicy, setByPolicy] = useState<ByPolicy | null>(null)
  const [onList, setOnList] = useState<readonly PlanOption[] | null>(null)
  const [share, setShare] = useState<number | null>(0)
  const [failed, setFailed] = useState<string | null>(null)
  const running = useRef<Worker | null>(null)

  const cancel = useCallback(() => {
    running.current?.terminate()
    running.current = null
    setShare(null)
  }, [])

  useEffect(() => {
    const worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' })
    running.current = worker
    setShare(0)
    setFailed(null)
    setByPolicy(null)
    worker.onmessage = ({ data }: MessageEvent<FromPlanner>) => {
      if (data.kind === 'progress') return setShare(data.share)
      if (data.kind === 'answer') {
        setAnswer(data.answer)
        return setShare(null)
      }
      if (data.kind === 'all') {
        setByPolicy(data.byPolicy)
        setOnList(data.listed)
      } else setFailed(data.why)
      setShare(null)
      worker.terminate()
    }
    worker.onerror = () => {
      setFailed('The planner could not be loaded.')
      setShare(null)
    }
    worker.postMessage({ request, listed } satisfies ToPlanner)
    return () => worker.terminate()
  }, [request, listed])

  return { answer, byPolicy, onList, share, failed, cancel }
}
