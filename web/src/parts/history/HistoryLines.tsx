import type { HistoryLine } from '@tembrix/core/things/records'
import { type ReactNode, useState } from 'react'
import { ago, type NameOf, plural } from '../../base/format'
import { Button } from '../../base/ui'
import { changesIn } from './changes'
import { sentence } from './words'

interface Props {
  lines: readonly HistoryLine[]
  /** What a record that a line speaks of is called. */
  nameOf?: NameOf
  /** What stands beneath the last change. */
  last?: (line: HistoryLine) => ReactNode
}

/** The most changes of one write that are shown before they are asked for. */
const AT_ONCE = 6

/** What was written, newest first: what to what, by whom and when. */
export function HistoryLines({ lines, nameOf = () => undefined, last }: Props) {
  return (
    <ol aria-label="History" className="flex flex-col gap-1 text-sm">
      {lines.map((line, at) => (
        <li key={line.id} className="flex justify-between gap-3">
          <span className="min-w-0">
            {sentence(line)}
            <Changes changes={[...new Set(changesIn(line, nameOf))]} />
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

function Changes({ changes }: { changes: readonly string[] }) {
  const [all, setAll] = useState(false)
  const shown = all ? changes : changes.slice(0, AT_ONCE)
  const more = changes.length - shown.length
  return (
    <>
      {shown.map((change) => (
        <span key={change} className="block break-words text-ink-2">
          {change}
        </span>
      ))}
      {more > 0 && (
        <Button look="quiet" className="-ml-3.5 block text-sm" onClick={() => setAll(true)}>
          {plural(more, 'more change')}
        </Button>
      )}
    </>
  )
}
