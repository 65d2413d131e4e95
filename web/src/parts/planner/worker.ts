import { POLICIES, plan } from '@tembrix/core/judging/plan'
import type { ByPolicy, FromPlanner, ToPlanner } from './messages'

const say = (message: FromPlanner) => postMessage(message)

addEventListener('message', ({ data: { request: data, listed } }: MessageEvent<ToPlanner>) => {
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
    const onList = listed && plan({ ...data, need: { ...data.need, listed: [...listed] } }).options
    say({ kind: 'all', byPolicy: Object.fromEntries(each) as ByPolicy, listed: onList })
  } catch (error) {
    say({ kind: 'failed', why: String(error) })
  }
})
