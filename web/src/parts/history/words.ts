import { FACTS, type HistoryLine } from '@tembrix/core/records'
import { capital, list } from '../../base/format'
import { valueWords } from './values'

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
  machine: 'slots and limits',
  openingMinutes: 'opening time',
  hatch: 'hatch or display',
  battery: 'battery',
  note: 'notes',
  terms: 'money, labour, warranty',
  people: 'people',
  hours: 'opening hours',
  templates: 'messages to customers',
  logo: 'logo',
  causes: 'causes of trouble',
}

/** What was done, in a sentence. */
export function sentence({ record, action, fields }: HistoryLine): string {
  const what = `${capital(CALLED.get(record) ?? record)} ${action}`
  if (action !== 'changed' || fields.length === 0) return what
  return `${what}: ${list(fields.map((field) => FIELDS[field] ?? field))}`
}

/** Fields that are amounts in minor units. */
const MONEY = new Set(['budget', 'price'])

/** Of each plain field what it was and what it is. */
export const changesIn = ({ changes }: HistoryLine): string[] =>
  Object.entries(changes ?? {})
    // What points at another record says nothing by itself.
    .filter(([field]) => !field.endsWith('Id'))
    .map(
      ([field, [was, is]]) =>
        `${capital(FIELDS[field] ?? field)}: ${valueWords(was, MONEY.has(field))} → ${valueWords(is, MONEY.has(field))}`,
    )
