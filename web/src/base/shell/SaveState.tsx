import { Check, CloudOff, HardDrive, LoaderCircle, TriangleAlert } from 'lucide-react'
import { lazy, Suspense, useState } from 'react'
import { shallowEqual } from 'react-redux'
import { type Entry, type Link, linkOf, useAppSelector } from '../data'

const HeldDialog = lazy(async () => ({ default: (await import('./HeldDialog')).HeldDialog }))

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
  'no-room': {
    icon: HardDrive,
    text: 'The server’s disk takes nothing now: kept here, sent later',
    look: 'bg-stop-soft text-stop font-semibold',
  },
  conflict: {
    icon: TriangleAlert,
    text: 'Changed elsewhere: choose',
    look: 'bg-stop-soft text-stop font-semibold',
  },
}

const isHeld = ({ held }: Entry): boolean => Boolean(held)

/** Whether everything typed has reached the server, and what to do where it cannot. */
export function SaveState() {
  const held = useAppSelector(({ outbox }) => outbox.entries.filter(isHeld), shallowEqual)
  const invalid = useAppSelector(({ outbox }) =>
    Object.keys(outbox.drafts).some((key) => key.includes('/')),
  )
  const link = useAppSelector(({ outbox }) => linkOf(outbox))
  const unkept = useAppSelector(({ outbox }) => !outbox.kept && outbox.entries.length > 0)
  const refused = held.filter((entry) => entry.held?.kind === 'refused')
  const { icon: Icon, text, look } = LOOKS[link]

  const [open, setOpen] = useState(false)
  const asks = held.length > 0
  // Once all is settled it is closed, and does not open by itself with the next.
  if (open && !asks) setOpen(false)
  const onlyRefused = asks && refused.length === held.length
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
        className={`flex min-h-11 items-center gap-1.5 rounded-sm px-2 text-sm whitespace-nowrap ${alarming ? LOOKS.conflict.look : look}`}
      >
        <Icon size={16} aria-hidden className={Icon === LoaderCircle ? 'animate-spin' : ''} />
        <span aria-live="polite">
          {shown === 'All saved' && invalid ? 'Saved but for marked fields' : shown}
        </span>
      </button>
      <Suspense>{open && asks && <HeldDialog held={held} onOpen={setOpen} />}</Suspense>
    </>
  )
}
