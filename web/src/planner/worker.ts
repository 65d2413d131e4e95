import { type PlanRequest, plan } from '@tembrix/core/plan'
import type { FromPlanner } from './messages'

const say = (message: FromPlanner) => postMessage(message)

addEventListener('message', ({ data }: MessageEvent<PlanRequest>) => {
  let last = 0
  try {
    const answer = plan(data, (share) => {
      if (share - last < 0.01) return
      last = share
      say({ kind: 'progress', share })
    })
    say({ kind: 'answer', answer })
  } catch (error) {
    say({ kind: 'failed', why: String(error) })
  }
})
