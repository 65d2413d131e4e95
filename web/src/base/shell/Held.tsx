import { type JobFile, KIND_INFO, type ModuleRecord } from '@tembrix/core/things/records'
import { Fragment, useMemo, useState } from 'react'
import {
  api,
  blockedBy,
  dropped,
  type Entry,
  type HeldReason,
  insisted,
  released,
  useAppDispatch,
  useAppSelector,
  yielded,
} from '../data'
import { AS_A_WHOLE, capacity, fieldName, type NameOf, valueWords } from '../format'
import { Button } from '../ui'

/** A write that waits for a person: what it is, why it waits, and the ways out. */
export function HeldEntry({ entry }: { entry: Entry }) {
  const { held, collection, action, act } = entry
  const what = act?.name || KIND_INFO[collection].displayName
  if (!held) return null
  if (held.kind === 'conflict') return <Conflict entry={entry} held={held} />
  return (
    <section
      aria-label={`Not saved: ${what}`}
      className="border-t border-rule pt-4 first:border-0 first:pt-0"
    >
      <p className="mb-2">
        {held.kind === 'gone' ? (
          <>
            Somebody removed {KIND_INFO[collection].displayName} while you changed it
            {act && `, so ${act.name} was not stored`}.
          </>
        ) : (
          <>
            The server did not {action === 'remove' ? 'remove' : 'accept'} {what}: {held.why}{' '}
            Correct it on its screen, try once more, or give this change up.
          </>
        )}
      </p>
      <Mine entry={entry} fields={Object.keys(entry.fields)} />
      <div className="flex flex-wrap gap-3">
        {held.kind === 'refused' && <TryAgain entry={entry} />}
        <CopyMine entry={entry} />
        <GiveUp entry={entry} />
      </div>
    </section>
  )
}

/** What else waits because of it: the rest of its act, and what was changed of the same records since. */
export function Behind({ entry }: { entry: Entry }) {
  const entries = useAppSelector((state) => state.outbox.entries)
  const waiting = blockedBy(entries, entry).filter(({ fields }) => Object.keys(fields).length > 0)
  if (waiting.length === 0) return null
  return (
    <section aria-label="Waiting for this" className="mt-3">
      <p className="text-ink-2">Waiting for this, and kept meanwhile:</p>
      {waiting.map((one) => (
        <Mine key={one.id} entry={one} fields={Object.keys(one.fields)} longest={SHORT} />
      ))}
    </section>
  )
}

interface ConflictProps {
  entry: Entry
  held: Extract<HeldReason, { kind: 'conflict' }>
}

/** Both changed the same thing: both versions, and whose is to stand. */
function Conflict({ entry, held: { stored, clashes } }: ConflictProps) {
  const dispatch = useAppDispatch()
  const what = KIND_INFO[entry.collection].displayName
  const { act, action } = entry
  const nameOf = useNames()
  const removing = action === 'remove'
  const decides = removing || action === 'expect'
  const others = Object.keys(entry.fields).filter((name) => !clashes.includes(name))
  return (
    <section
      aria-label={`Changed elsewhere: ${what}`}
      className="border-t border-rule pt-4 first:border-0 first:pt-0"
    >
      <p className="mb-2">
        {removing
          ? `Somebody changed ${what} before you removed it.`
          : decides
            ? `Somebody changed ${what} before ${act?.name ?? 'this'} was stored.`
            : `Somebody changed ${what} while you did.`}
        {act && !decides && ` It is part of ${act.name}, which is stored as a whole.`}
      </p>
      {!decides && (
        <table className="mb-3 w-full text-left text-[0.93rem]">
          <thead>
            <tr className="border-b border-rule text-ink-2">
              <th scope="col" className="py-1 pr-3 font-normal">
                Field
              </th>
              <th scope="col" className="py-1 pr-3 font-normal">
                Mine
              </th>
              <th scope="col" className="py-1 font-normal">
                Stored
              </th>
            </tr>
          </thead>
          <tbody>
            {clashes.map((name) => (
              <tr key={name} className="border-b border-rule align-top">
                <th scope="row" className="py-1 pr-3 font-semibold">
                  {fieldName(name)}
                </th>
                <td className="py-1 pr-3 break-words">
                  {valueWords(entry.fields[name], name, nameOf, AS_A_WHOLE)}
                </td>
                <td className="py-1 break-words">
                  {valueWords(stored[name], name, nameOf, AS_A_WHOLE)}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {others.length > 0 && (
        <>
          <p className="text-ink-2">Not touched by it, and stored with it:</p>
          <Mine entry={entry} fields={others} />
        </>
      )}
      <div className="flex flex-wrap gap-3">
        <Button look="main" onClick={() => dispatch(insisted(entry.id))}>
          {removing
            ? 'Remove it all the same'
            : decides
              ? 'Store it all the same'
              : 'Keep what I entered'}
        </Button>
        <Button
          onClick={() => {
            dispatch(yielded(entry.id))
            readAgain(dispatch, entry)
          }}
        >
          {removing && !act
            ? 'Do not remove it'
            : act
              ? `Give up ${act.name}`
              : 'Take what is stored'}
        </Button>
        {!decides && <CopyMine entry={entry} />}
      </div>
    </section>
  )
}

interface MineProps {
  entry: Entry
  fields: readonly string[]
  longest?: number
}

function Mine({ entry, fields, longest = AS_A_WHOLE.longest }: MineProps) {
  const nameOf = useNames()
  if (fields.length === 0) return null
  return (
    <dl className="mb-3 grid max-h-48 grid-cols-[auto_1fr] gap-x-3 overflow-auto text-[0.93rem]">
      {fields.map((name) => (
        <Fragment key={name}>
          <dt className="font-semibold">{fieldName(name)}</dt>
          <dd className="break-words">
            {valueWords(entry.fields[name], name, nameOf, { ...AS_A_WHOLE, longest })}
          </dd>
        </Fragment>
      ))}
    </dl>
  )
}

function TryAgain({ entry }: { entry: Entry }) {
  const dispatch = useAppDispatch()
  return (
    <Button look="main" onClick={() => dispatch(released(entry.id))}>
      Try again
    </Button>
  )
}

function CopyMine({ entry }: { entry: Entry }) {
  const [copied, setCopied] = useState(false)
  const nameOf = useNames()
  const text = Object.entries(entry.fields)
    .map(([name, value]) => `${fieldName(name)}: ${valueWords(value, name, nameOf, AS_A_WHOLE)}`)
    .join('\n')
  return (
    <Button
      onClick={() => {
        navigator.clipboard?.writeText(text).then(
          () => setCopied(true),
          () => setCopied(false),
        )
      }}
    >
      {copied ? 'Copied' : 'Copy what I entered'}
    </Button>
  )
}

function GiveUp({ entry }: { entry: Entry }) {
  const dispatch = useAppDispatch()
  return (
    <Button
      look="stop"
      onClick={() => {
        dispatch(dropped(entry.id))
        readAgain(dispatch, entry)
      }}
    >
      Give this change up
    </Button>
  )
}

const SHORT = 80

/** What the ids in a write stand for, as far as it was read. */
function useNames(): NameOf {
  const queries = useAppSelector((state) => state.api.queries)
  return useMemo(() => {
    const read = Object.values(queries).map((query) => query?.data)
    const jobs = read.filter((one): one is JobFile => isJob(one))
    const modules = read.flatMap((one) => (Array.isArray(one) ? one : [])).filter(isModule)
    const names = new Map([
      ...[...modules, ...jobs.flatMap((job) => job.modules)].map(
        ({ id, module }) => [id, `${capacity(module.capacityGiB)}, ${module.article}`] as const,
      ),
      ...jobs.flatMap((job) => job.plans).map(({ id, name }) => [id, name] as const),
    ])
    return (id) => names.get(id)
  }, [queries])
}

const isJob = (one: unknown): boolean => typeof one === 'object' && one !== null && 'plans' in one
const isModule = (one: unknown): one is Pick<ModuleRecord, 'id' | 'module'> =>
  typeof one === 'object' && one !== null && 'module' in one

function readAgain(dispatch: ReturnType<typeof useAppDispatch>, { jobId }: Entry): void {
  const tags = jobId === '' ? (['models', 'lists'] as const) : [{ type: 'job' as const, id: jobId }]
  dispatch(api.util.invalidateTags([...tags]))
}
