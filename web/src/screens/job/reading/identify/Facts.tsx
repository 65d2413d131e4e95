import { type Belief, claimCounts } from '@tembrix/core/reading/evidence'
import { type Observation, trustOf } from '@tembrix/core/reading/inputs'
import type { ReadingRecord, Ruling } from '@tembrix/core/things/records'
import { RotateCcw } from 'lucide-react'
import { useMemo } from 'react'
import { ago, plural } from '../../../../base/format'
import { type Column, DataTable } from '../../../../base/table'
import { Disclosure, IconButton } from '../../../../base/ui'
import {
  figureName,
  figureValue,
  placeOf,
  SOURCE_NAMES,
  TRUST_NAMES,
} from '../../../../parts/facts'
import { useJob } from '../../base/file'
import { useIdentify } from './useIdentify'
import { seenInWords } from './words'

/** What one source says of one thing, or what was ruled on it, or what was seen of a slot as it runs. */
interface Fact {
  id: string
  /** The machine, or a slot by its name. */
  of: string
  what: string
  value: string
  source: string
  /** Who said so, where and when. */
  from: string
  kept: boolean
  /** A ruling that can be reopened, by its entry. */
  ruled: string | null
}

/** Every fact with its sources: which one counts, which are overruled, who said so and when. */
export function Facts() {
  const { evidence } = useJob()
  const { machine, slots } = evidence
  const facts = machine.length + slots.reduce((sum, { beliefs }) => sum + beliefs.length, 0)
  return (
    <Disclosure
      className="border-t border-rule pt-1"
      summary={
        <span className="font-semibold">
          Evidence <span className="font-normal text-ink-2">({plural(facts, 'fact')})</span>
        </span>
      }
    >
      <FactTable />
    </Disclosure>
  )
}

function FactTable() {
  const { evidence, file } = useJob()
  const inputs = useMemo(() => new Map(file.readings.map((one) => [one.id, one])), [file.readings])
  const { reopen } = useIdentify()
  const { machine, slots } = evidence
  const rows = useMemo(
    () => [
      ...machine.flatMap((entry) => factsOf('Machine', entry, inputs)),
      ...slots.flatMap(({ slot, beliefs, running, verified }) => [
        ...(verified ? [noted(slot, 'contents', 'verified')] : []),
        ...(running ? [noted(slot, 'as it runs', seenInWords(running))] : []),
        ...beliefs.flatMap((entry) => factsOf(slot, entry, inputs)),
      ]),
    ],
    [machine, slots, inputs],
  )
  const columns = useMemo(() => columnsWith(reopen), [reopen])
  return (
    <div className="mb-3 flex max-h-[28rem] flex-col">
      <DataTable
        name="Facts"
        dense
        rows={rows}
        columns={columns}
        keyOf={({ id }) => id}
        rowLook={({ kept }) => (kept ? '' : 'text-ink-2')}
      />
    </div>
  )
}

/** Stored inputs by their id. */
type Inputs = ReadonlyMap<string, ReadingRecord>

function factsOf(of: string, entry: Belief, inputs: Inputs): Fact[] {
  const { what, claims, ruling, key } = entry
  const name = figureName(what)
  return [
    ...(ruling ? [ruledOn(of, entry, ruling)] : []),
    ...claims.map((claim, at) => ({
      id: `${of} ${key} ${at}`,
      of,
      what: name,
      value: figureValue(what, claim.value),
      source: `${SOURCE_NAMES[claim.source]} · ${TRUST_NAMES[trustOf(claim)]}${claimCounts(entry, claim) ? '' : ' · overruled'}`,
      from: fromWords(claim, inputs),
      kept: claimCounts(entry, claim),
      ruled: null,
    })),
  ]
}

const ruledOn = (of: string, { what, key }: Belief, ruling: Ruling): Fact => ({
  id: `${of} ${key} ruled`,
  of,
  what: figureName(what),
  value: figureValue(what, ruling.value),
  source: `resolved by ${SOURCE_NAMES[ruling.source]}`,
  from: `${ruling.by || 'no name'}, ${ago(ruling.at)}`,
  kept: true,
  ruled: key,
})

const noted = (of: string, what: string, value: string): Fact => ({
  id: `${of} ${what}`,
  of,
  what,
  value,
  source: '',
  from: '',
  kept: true,
  ruled: null,
})

function fromWords({ input, where }: Observation, inputs: Inputs): string {
  const record = inputs.get(input ?? '')
  if (!record) return ''
  const { name, by, createdAt } = record
  return [name, placeOf(where), by, createdAt && ago(createdAt)].filter(Boolean).join(', ')
}

const columnsWith = (reopen: (key: string) => void): Column<Fact>[] => [
  { id: 'of', name: 'Of', sortBy: ({ of }) => of, cell: ({ of }) => of },
  { id: 'what', name: 'Fact', fixed: true, sortBy: ({ what }) => what, cell: ({ what }) => what },
  {
    id: 'value',
    name: 'Value',
    sortBy: ({ value }) => value,
    look: 'break-words',
    cell: ({ value, kept }) => (
      <span className={kept ? 'font-semibold' : 'line-through'}>{value}</span>
    ),
  },
  {
    id: 'source',
    name: 'Source',
    sortBy: ({ source }) => source,
    cell: ({ source, from, ruled, what }) => (
      <span className="flex items-start justify-between gap-1">
        <span>
          {source}
          {from && <span className="block text-ink-2">{from}</span>}
        </span>
        {ruled && (
          <IconButton label={`Reopen ${what}`} onClick={() => reopen(ruled)}>
            <RotateCcw size={15} aria-hidden />
          </IconButton>
        )}
      </span>
    ),
  },
]
