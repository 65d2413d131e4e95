import { type PlanRequest, POLICIES, plan } from '@tembrix/core/plan'
import type { ByPolicy, FromPlanner } from './messages'

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
    const each = POLICIES.map((policy) => [
      policy,
      policy === data.policy ? answer.options : plan({ ...data, policy }).options,
    ])
    say({ kind: 'all', byPolicy: Object.fromEntries(each) as ByPolicy })
  } catch (error) {
    say({ kind: 'failed', why: String(error) })
  }
})
