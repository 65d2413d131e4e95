import type { Week } from '@tembrix/core/things/records'
import { WEEKDAYS } from '../../base/format'

/** When the shop is open, days alike together. */
export function hoursWords(hours: Week | null): string {
  if (!hours) return 'Not said yet: the week cannot be planned against them.'
  const runs: { from: number; to: number; text: string }[] = []
  for (const [at, day] of hours.entries()) {
    const text = day ? `${day.from} to ${day.to}` : 'closed'
    const last = runs.at(-1)
    if (last?.text === text) last.to = at
    else runs.push({ from: at, to: at, text })
  }
  return runs
    .map(({ from, to, text }) => {
      const days = from === to ? WEEKDAYS[from] : `${WEEKDAYS[from]} to ${WEEKDAYS[to]}`
      return `${days} ${text}`
    })
    .join('; ')
}
