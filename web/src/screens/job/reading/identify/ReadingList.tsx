import type { Part, Problem, Reading } from '@tembrix/core/reading/inputs'
import { Trash2 } from 'lucide-react'
import { ago } from '../../../../base/format'
import { Disclosure, IconButton } from '../../../../base/ui'
import { FORMAT_NAMES, PROBLEMS, placeOf } from '../../../../parts/facts'
import { readingOf, useJob } from '../../base/file'
import { useIdentify } from './useIdentify'
import { summaryOf } from './words'

/** What has been read on this job, each as it came. */
export function ReadingList() {
  const { file } = useJob()
  const { drop } = useIdentify()
  if (file.readings.length === 0) return null
  return (
    <ul aria-label="Readings" className="flex flex-col">
      {file.readings.map((record) => {
        const reading = readingOf(record)
        return (
          <li key={record.id} className="border-t border-rule py-1 text-sm">
            <div className="flex items-start gap-2">
              <Disclosure
                className="min-w-0 flex-1"
                summary={
                  <>
                    <b className="font-semibold">{record.name}</b> · {summaryOf(reading)}
                    <span className="text-ink-2">
                      {' '}
                      {record.by}
                      {record.createdAt ? ` ${ago(record.createdAt)}` : ''}
                    </span>
                  </>
                }
              >
                <Source text={record.text} reading={reading} />
              </Disclosure>
              <IconButton
                label={`Remove the reading ${record.name}`}
                onClick={() => drop(record)}
                look="remove"
              >
                <Trash2 size={15} aria-hidden />
              </IconButton>
            </div>
            <ProblemList problems={reading.problems} />
          </li>
        )
      })}
    </ul>
  )
}

const SHOWN = 4

function ProblemList({ problems }: { problems: readonly Problem[] }) {
  if (problems.length === 0) return null
  return (
    <ul className="text-risk">
      {problems.slice(0, SHOWN).map(({ code, where }, at) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: problems have no name and keep their order
        <li key={at}>
          {where ? `${placeOf(where)}: ` : ''}
          {PROBLEMS[code]}
        </li>
      ))}
      {problems.length > SHOWN && (
        <li>and {problems.length - SHOWN} more, shown in the text at their lines.</li>
      )}
    </ul>
  )
}

const LINES = 400

/** The text with what each part was taken for, and what was not understood at its line. */
function Source({ text, reading }: { text: string | null; reading: Reading }) {
  if (text === null) return <p className="text-ink-2">Bytes; kept as they came.</p>
  const lines = text.split(/\r*\n|\r/)
  const faults = new Map<number, string[]>()
  for (const { code, where } of reading.problems) {
    if (!where || !('line' in where)) continue
    faults.set(where.line, [...(faults.get(where.line) ?? []), PROBLEMS[code]])
  }
  const partAt = (line: number): Part | undefined =>
    reading.parts.find(({ from, to }) => line >= from && line <= to)
  return (
    <ol className="max-h-72 overflow-auto bg-sheet-2 p-2 font-mono text-[0.8rem]">
      {lines.slice(0, LINES).map((line, at) => {
        const part = partAt(at + 1)
        const begins = part?.from === at + 1
        const unread = !part || part.format === 'unknown'
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: lines are their numbers
          <li key={at}>
            {begins && (
              <span className="mt-1 block font-sans text-[0.8rem] font-semibold text-ink-2">
                {unread ? 'not read' : `read as ${FORMAT_NAMES[part.format]}`}
              </span>
            )}
            <span className={`flex gap-2 whitespace-pre ${unread ? 'text-ink-2' : ''}`}>
              <span
                className={`w-9 shrink-0 border-r-2 pr-1 text-right text-ink-2 ${unread ? 'border-transparent' : 'border-act'}`}
              >
                {at + 1}
              </span>
              {line}
            </span>
            {faults.get(at + 1)?.map((fault) => (
              <span key={fault} className="block pl-11 font-sans font-medium text-risk">
                ↑ {fault}
              </span>
            ))}
          </li>
        )
      })}
      {lines.length > LINES && <li>… {lines.length - LINES} more lines</li>}
    </ol>
  )
}
