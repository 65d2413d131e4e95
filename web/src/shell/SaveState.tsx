import { Check, CloudOff, LoaderCircle, TriangleAlert } from 'lucide-react'
import { useState } from 'react'
import {
  api,
  dropped,
  type Entry,
  insist,
  type Link,
  linkOf,
  useAppDispatch,
  useAppSelector,
} from '../data'
import { Button, Dialog, list } from '../ui'

const LOOKS: Record<Link, { icon: typeof Check; text: string; look: string }> = {
  saved: { icon: Check, text: 'All saved', look: 'text-ink-2' },
  waiting: { icon: LoaderCircle, text: 'Saving', look: 'text-ink-2' },
  sending: { icon: LoaderCircle, text: 'Saving', look: 'text-ink-2' },
  away: {
    icon: CloudOff,
    text: 'Server away: kept here, sent later',
    look: 'bg-risk-soft text-risk font-semibold',
  },
  conflict: {
    icon: TriangleAlert,
    text: 'Changed elsewhere: choose',
    look: 'bg-stop-soft text-stop font-semibold',
  },
}

const COLLECTION_NAMES: Record<Entry['collection'], string> = {
  customers: 'the customer',
  machines: 'the machine',
  modules: 'a module',
  jobs: 'the job',
  plans: 'the plan',
  quotes: 'the quote',
  fits: 'the work at the bench',
  verifications: 'the verification',
  measurements: 'a measurement',
  frames: 'a log of frame times',
  readings: 'a reading',
  photos: 'a photo',
  models: 'a machine record',
  'validated-lists': 'a validated list',
}

/** Whether everything typed has reached the server, and what to do where it cannot. */
export function SaveState() {
  const outbox = useAppSelector((state) => state.outbox)
  const refused = outbox.entries.filter((entry) => entry.refused)
  const conflict = outbox.entries.find(({ id }) => id === outbox.conflict)
  const invalid = Object.keys(outbox.drafts).some((key) => key.includes('/'))
  const { icon: Icon, text, look } = LOOKS[linkOf(outbox)]

  const [open, setOpen] = useState(false)
  const asks = conflict !== undefined || refused.length > 0
  const shown = refused.length > 0 && !conflict ? `${refused.length} not accepted` : text
  return (
    <>
      <button
        type="button"
        disabled={!asks}
        onClick={() => setOpen(true)}
        data-testid="save-state"
        className={`flex min-h-9 items-center gap-1.5 rounded-sm px-2 text-sm whitespace-nowrap ${asks ? LOOKS.conflict.look : look}`}
      >
        <Icon size={16} aria-hidden className={Icon === LoaderCircle ? 'animate-spin' : ''} />
        <span aria-live="polite">
          {shown === 'All saved' && invalid ? 'Saved but for marked fields' : shown}
        </span>
      </button>
      <Dialog open={open && asks} onOpen={setOpen} title="What could not be saved">
        <div className="flex flex-col gap-4">
          {conflict && <Conflict entry={conflict} />}
          {refused.map((entry) => (
            <Refused key={entry.id} entry={entry} />
          ))}
        </div>
      </Dialog>
    </>
  )
}

function Conflict({ entry }: { entry: Entry }) {
  const dispatch = useAppDispatch()
  return (
    <section>
      <p className="mb-3">
        Somebody changed {COLLECTION_NAMES[entry.collection]} while you did. Yours:{' '}
        <b>{list(Object.keys(entry.fields))}</b>.
      </p>
      <div className="flex flex-wrap gap-3">
        <Button look="main" onClick={() => insist({ dispatch }, entry)}>
          Keep what I entered
        </Button>
        <Button onClick={() => giveUp(dispatch, entry)}>Take what is stored</Button>
      </div>
    </section>
  )
}

function Refused({ entry }: { entry: Entry }) {
  const dispatch = useAppDispatch()
  return (
    <section>
      <p className="mb-3">
        The server did not accept {COLLECTION_NAMES[entry.collection]}: {entry.refused} Correct it
        on its screen, or give this change up.
      </p>
      <Button look="stop" onClick={() => giveUp(dispatch, entry)}>
        Give this change up
      </Button>
    </section>
  )
}

function giveUp(dispatch: ReturnType<typeof useAppDispatch>, entry: Entry): void {
  dispatch(dropped(entry.id))
  dispatch(api.endpoints.job.initiate(entry.jobId, { forceRefetch: true, subscribe: false }))
}
