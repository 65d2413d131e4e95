import { FACTS, type HistoryLine } from '@tembrix/core/records'
import { useState } from 'react'
import { useHistoryQuery } from '../../../base/data'
import { ago, capital, list } from '../../../base/format'
import { Disclosure } from '../../../base/ui'
import { valueWords } from './historyWords'

const CALLED = new Map<HistoryLine['record'], string>([
  ...Object.values(FACTS).map(({ record, called }) => [record, called] as const),
  ['shop', 'the shop’s settings'],
  ['price-list', 'a price list'],
  ['list', 'a validated list'],
])

const FIELDS: Record<string, string> = {
  found: 'what was found',
  options: 'options',
  ticks: 'steps',
  trials: 'trials',
  seen: 'what was seen',
  runs: 'runs',
  screws: 'screw map',
  screwsBack: 'screws put back',
  screwsLeft: 'screws left',
  serials: 'serial numbers',
  removed: 'where old modules go',
  seconds: 'clock',
  runningSince: 'clock',
  finishedAt: 'end',
  fittedJobId: 'fitted',
  approval: 'approval',
  offered: 'offer',
  ended: 'end',
  document: 'what was offered',
  validUntil: 'valid until',
  depositPercent: 'deposit',
  placement: 'slots',
  profile: 'memory profile',
  dueOn: 'due date',
  serialNumber: 'serial number',
  rulings: 'what was settled',
  seats: 'slots',
  sources: 'sources',
  modelId: 'model',
  complaint: 'what is wrong',
  uses: 'what it is used for',
  budget: 'budget',
  stage: 'stage',
  policy: 'buying policy',
  condition: 'condition as received',
  accessories: 'what came with it',
  backup: 'a copy of the data',
  planId: 'the plan on the board',
  wording: 'the words of the report',
  payments: 'payments',
  returned: 'what was given back',
  reasons: 'reasons for open points',
  signed: 'signature',
  collected: 'collection',
  what: 'what it does',
}

/** Everything written to the job, newest first; read when it is opened. */
export function History({ jobId }: { jobId: string }) {
  const [open, setOpen] = useState(false)
  return (
    <Disclosure
      className="border-t border-rule pt-1"
      onOpen={setOpen}
      summary={<span className="font-semibold">History</span>}
    >
      {open && <Lines jobId={jobId} />}
    </Disclosure>
  )
}

function Lines({ jobId }: { jobId: string }) {
  const { data, error } = useHistoryQuery(jobId, { refetchOnMountOrArgChange: true })
  if (error) return <p className="text-ink-2">The server does not answer.</p>
  return (
    <ol aria-label="History" className="flex flex-col gap-1 text-sm">
      {data?.map((line) => (
        <li key={line.id} className="flex justify-between gap-3">
          <span>
            {sentence(line)}
            {changesIn(line).map((change) => (
              <span key={change} className="block text-ink-2">
                {change}
              </span>
            ))}
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

function sentence({ record, action, fields }: HistoryLine): string {
  const what = `${capital(CALLED.get(record) ?? record)} ${action}`
  if (action !== 'changed' || fields.length === 0) return what
  return `${what}: ${list(fields.map((field) => FIELDS[field] ?? field))}`
}

/** Fields that are amounts in minor units. */
const MONEY = new Set(['budget', 'price'])

/** Of each plain field what it was and what it is. */
const changesIn = ({ changes }: HistoryLine): string[] =>
  Object.entries(changes ?? {})
    // What points at another record says nothing by itself.
    .filter(([field]) => !field.endsWith('Id'))
    .map(
      ([field, [was, is]]) =>
        `${capital(FIELDS[field] ?? field)}: ${valueWords(was, MONEY.has(field))} → ${valueWords(is, MONEY.has(field))}`,
    )
