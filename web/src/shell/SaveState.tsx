import { FACTS } from '@tembrix/core/records'
import { Check, CloudOff, LoaderCircle, TriangleAlert } from 'lucide-react'
import { Fragment, useState } from 'react'
import {
  api,
  behind,
  dropped,
  type Entry,
  type Held,
  insisted,
  type Link,
  linkOf,
  released,
  useAppDispatch,
  useAppSelector,
  yielded,
} from '../data'
import { Button, Dialog } from '../ui'

const LOOKS: Record<Link, { icon: typeof Check; text: string; look: string }> = {
  saved: { icon: Check, text: 'All saved', look: 'text-ink-2' },
  waiting: { icon: LoaderCircle, text: 'Saving', look: 'text-ink-2' },
  sending: { icon: LoaderCircle, text: 'Saving', look: 'text-ink-2' },
  away: {
    icon: CloudOff,
    text: 'Server away: kept here, sent later',
    look: 'bg-risk-soft text-risk font-semibold',
  },
  shown: {
    icon: CloudOff,
    text: 'Server away: shown as last read',
    look: 'bg-risk-soft text-risk font-semibold',
  },
  conflict: {
    icon: TriangleAlert,
    text: 'Changed elsewhere: choose',
    look: 'bg-stop-soft text-stop font-semibold',
  },
}

/** Whether everything typed has reached the server, and what to do where it cannot. */
export function SaveState() {
  const outbox = useAppSelector((state) => state.outbox)
  const held = outbox.entries.filter((entry) => entry.held)
  const refused = held.filter((entry) => entry.held?.kind === 'refused')
  const invalid = Object.keys(outbox.drafts).some((key) => key.includes('/'))
  const { icon: Icon, text, look } = LOOKS[linkOf(outbox)]

  const [open, setOpen] = useState(false)
  const asks = held.length > 0
  // Once all is settled it is closed, and does not open by itself with the next.
  if (open && !asks) setOpen(false)
  const onlyRefused = asks && refused.length === held.length
  const unkept = !outbox.kept && outbox.entries.length > 0
  const shown = onlyRefused
    ? `${refused.length} not accepted`
    : unkept && !asks
      ? 'Not kept by this browser: leave the tab open'
      : text
  const alarming = asks || unkept
  return (
    <>
      <button
        type="button"
        disabled={!asks}
        onClick={() => setOpen(true)}
        data-testid="save-state"
        className={`flex min-h-9 items-center gap-1.5 rounded-sm px-2 text-sm whitespace-nowrap ${alarming ? LOOKS.conflict.look : look}`}
      >
        <Icon size={16} aria-hidden className={Icon === LoaderCircle ? 'animate-spin' : ''} />
        <span aria-live="polite">
          {shown === 'All saved' && invalid ? 'Saved but for marked fields' : shown}
        </span>
      </button>
      <Dialog open={open && asks} onOpen={setOpen} title="What could not be saved">
        <div className="flex flex-col gap-5">
          {held.map((entry) => (
            <div key={entry.id}>
              <HeldEntry entry={entry} />
              <Behind entry={entry} />
            </div>
          ))}
        </div>
      </Dialog>
    </>
  )
}

function HeldEntry({ entry }: { entry: Entry }) {
  const { held, collection, action, act } = entry
  const what = act?.name || FACTS[collection].called
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
            Somebody removed {FACTS[collection].called} while you changed it
            {act && `, so ${act.name} was not stored`}.
          </>
        ) : (
          <>
            The server did not {action === 'remove' ? 'remove' : 'accept'} {what}: {held.why}{' '}
            Correct it on its screen, try once more, or give this change up.
          </>
        )}
      </p>
      <Mine entry={entry} names={Object.keys(entry.fields)} />
      <div className="flex flex-wrap gap-3">
        {held.kind === 'refused' && <TryAgain entry={entry} />}
        <CopyMine entry={entry} />
        <GiveUp entry={entry} />
      </div>
    </section>
  )
}

/** What else waits because of it: the rest of its act, and what was changed of the same records since. */
function Behind({ entry }: { entry: Entry }) {
  const entries = useAppSelector((state) => state.outbox.entries)
  const waiting = behind(entries, entry).filter(({ fields }) => Object.keys(fields).length > 0)
  if (waiting.length === 0) return null
  return (
    <section aria-label="Waiting for this" className="mt-3">
      <p className="text-ink-2">Waiting for this, and kept meanwhile:</p>
      {waiting.map((one) => (
        <Mine key={one.id} entry={one} names={Object.keys(one.fields)} />
      ))}
    </section>
  )
}

interface ConflictProps {
  entry: Entry
  held: Extract<Held, { kind: 'conflict' }>
}

/** Both changed the same thing: both versions, and whose is to stand. */
function Conflict({ entry, held: { stored, clashes } }: ConflictProps) {
  const dispatch = useAppDispatch()
  const what = FACTS[entry.collection].called
  const { act, action } = entry
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
                <td className="py-1 pr-3 break-words">{inWords(entry.fields[name])}</td>
                <td className="py-1 break-words">{inWords(stored[name])}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {others.length > 0 && (
        <>
          <p className="text-ink-2">Not touched by it, and stored with it:</p>
          <Mine entry={entry} names={others} />
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

function Mine({ entry, names }: { entry: Entry; names: readonly string[] }) {
  if (names.length === 0) return null
  return (
    <dl className="mb-3 grid max-h-48 grid-cols-[auto_1fr] gap-x-3 overflow-auto text-[0.93rem]">
      {names.map((name) => (
        <Fragment key={name}>
          <dt className="font-semibold">{fieldName(name)}</dt>
          <dd className="break-words">{inWords(entry.fields[name])}</dd>
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
  const text = Object.entries(entry.fields)
    .map(([name, value]) => `${fieldName(name)}: ${inWords(value)}`)
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

/** The name of a field as words: `validUntil` is “valid until”. */
const fieldName = (name: string): string =>
  name.replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`)

/** A value as somebody would read it: texts as they are, what has parts in short. */
function inWords(value: unknown): string {
  if (value === null || value === undefined || value === '') return '–'
  return typeof value === 'object' ? JSON.stringify(value).slice(0, 400) : String(value)
}

function readAgain(dispatch: ReturnType<typeof useAppDispatch>, { jobId }: Entry): void {
  const tags = jobId === '' ? (['models', 'lists'] as const) : [{ type: 'job' as const, id: jobId }]
  dispatch(api.util.invalidateTags([...tags]))
}
