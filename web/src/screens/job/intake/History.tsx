import { type ChangeOf, FACTS, type HistoryLine, takenBack } from '@tembrix/core/records'
import { Undo2 } from 'lucide-react'
import { useEffect, useState } from 'react'
import { recordIn, useHistoryQuery } from '../../../base/data'
import { ago, capital, list } from '../../../base/format'
import { Button, Disclosure } from '../../../base/ui'
import { useJob } from '../file'
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
  login: 'getting into the system',
  erased: 'the customer’s data was erased',
  passwordShown: 'the password was shown',
  followUpOn: 'ask again on',
  state: 'state',
  tries: 'tries',
  sentAt: 'sent',
  endedAt: 'ended',
  why: 'why',
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
  const { data, error, refetch } = useHistoryQuery(jobId, { refetchOnMountOrArgChange: true })
  if (error) return <p className="text-ink-2">The server does not answer.</p>
  return (
    <ol aria-label="History" className="flex flex-col gap-1 text-sm">
      {data?.map((line, at) => (
        <li key={line.id} className="flex justify-between gap-3">
          <span>
            {sentence(line)}
            {changesIn(line).map((change) => (
              <span key={change} className="block text-ink-2">
                {change}
              </span>
            ))}
            {at === 0 && <TakeBack line={line} onDone={refetch} />}
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

/** Sets back what the last change set, as a further change. */
function TakeBack({ line, onDone }: { line: HistoryLine; onDone: () => void }) {
  const back = takenBack(line)
  const { file, edit } = useJob()
  const record = back && recordIn(file, back.collection, back.recordId)
  // Its own saving is news, and a change of the record by it is shown here.
  const version = record?.version
  useEffect(() => {
    if (version) onDone()
  }, [version, onDone])
  if (!back || !record) return null
  return (
    <Button
      className="mt-1"
      onClick={() =>
        edit.step(back.collection, record, back.fields as ChangeOf<typeof back.collection>)
      }
    >
      <Undo2 size={16} aria-hidden /> Take this change back
    </Button>
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
