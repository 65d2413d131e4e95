import type { HistoryLine } from '@tembrix/core/records'
import type { ReactNode } from 'react'
import { ago } from '../../base/format'
import { changesIn, sentence } from './words'

interface Props {
  lines: readonly HistoryLine[]
  /** What stands beneath the last change. */
  last?: (line: HistoryLine) => ReactNode
}

/** What was written, newest first: what to what, by whom and when. */
export function HistoryLines({ lines, last }: Props) {
  return (
    <ol aria-label="History" className="flex flex-col gap-1 text-sm">
      {lines.map((line, at) => (
        <li key={line.id} className="flex justify-between gap-3">
          <span>
            {sentence(line)}
            {changesIn(line).map((change) => (
              <span key={change} className="block text-ink-2">
                {change}
              </span>
            ))}
            {at === 0 && last?.(line)}
          </span>
          <span className="text-right whitespace-nowrap text-ink-2">
            {line.by && `${line.by}, `}
            {ago(line.at)}
          </span>
        </li>
      ))}
    </ol>
  )
}
