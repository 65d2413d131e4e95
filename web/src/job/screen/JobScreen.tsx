import type { Assignment } from '@tembrix/core/records'
import { type ReactNode, useMemo, useState } from 'react'
import { Navigate, Outlet, useLocation, useNavigate, useParams } from 'react-router'
import { BoardColumn, Desk, Legend, UndoButtons } from '../../board'
import { Bar } from '../../shell'
import { Button, Message, money, plural } from '../../ui'
import { BenchContext } from '../bench'
import { JobProvider, type JobView, useJob, useUndo } from '../file'
import { FoundTray } from '../identify'
import { PlanTray } from '../plan'
import { Rail } from './Rail'

export function JobScreen() {
  const { id = '' } = useParams()
  return (
    <JobProvider
      key={id}
      id={id}
      waiting={
        <Framed>
          <p className="m-auto text-ink-2">Opening the job…</p>
        </Framed>
      }
      failed={(retry, missing) => (
        <Framed>
          <Unread retry={retry} missing={missing} />
        </Framed>
      )}
    >
      <Opened />
    </JobProvider>
  )
}

function Framed({ children }: { children: ReactNode }) {
  return (
    <div className="flex h-dvh flex-col">
      <Bar />
      {children}
    </div>
  )
}

function Unread({ retry, missing }: { retry: () => void; missing: boolean }) {
  const navigate = useNavigate()
  return missing ? (
    <Message title="There is no such job">
      <Button onClick={() => navigate('/')}>To the counter</Button>
    </Message>
  ) : (
    <Message title="The job cannot be read">
      <p>The server does not answer. What you typed before is kept here.</p>
      <Button onClick={retry}>Try again</Button>
    </Message>
  )
}

const NONE: readonly string[] = []

/** The job's frame: the board always in view, the step beside it, the tray under the free hand. */
function Opened() {
  const view = useJob()
  const { pathname } = useLocation()
  const [lit, setLit] = useState<readonly string[]>([])
  const [tried, setShown] = useState<Assignment | null>(null)
  const bench = useMemo(() => ({ setLit, setShown }), [])
  const verifying = pathname.endsWith('/verify')
  const atBench = verifying || pathname.endsWith('/fit')
  const planning = atBench || /\/(plan|quote)$/.test(pathname)

  const { file, machine, plan, now, planned, unseen, edit } = view
  const shown = planning ? planned : now
  return (
    <Desk
      machine={machine}
      assignment={tried ?? shown.assignment}
      pieces={view.pieces}
      unseen={planning ? undefined : unseen}
      onAssignment={(assignment) => {
        // At the bench the board follows the work.
        if (atBench) return
        if (planning) edit.step('plans', plan, { placement: assignment })
        else edit.step('jobs', file, { found: assignment })
      }}
      className="flex h-dvh flex-col"
    >
      <Bar>
        <h1 className="truncate">
          <b className="font-mono">{file.number}</b> <b>{file.customer.name}</b>
          <span className="text-ink-2"> · {machine.name}</span>
        </h1>
        <Undo />
      </Bar>
      <div className="flex min-h-0 flex-1 flex-col gap-1.5 p-1.5 lg:flex-row">
        <Rail />
        <BoardColumn
          machine={machine}
          {...shown}
          before={planning && !verifying ? now : undefined}
          unseen={planning ? NONE : unseen}
          lit={lit}
          bare={atBench}
          cost={planning ? costFigure(view) : undefined}
          onProfile={
            planning && !atBench ? (profile) => edit.step('plans', plan, { profile }) : undefined
          }
        />
        <main className="min-h-0 min-w-0 flex-1 overflow-auto bg-sheet p-3">
          <BenchContext value={bench}>
            <Outlet />
          </BenchContext>
        </main>
      </div>
      {!atBench && (planning ? <PlanTray /> : <FoundTray />)}
      {!atBench && <Legend />}
    </Desk>
  )
}

/** Opens the step the job is at: Identify until something is known to be in it, then Plan. */
export function Start() {
  const { now } = useJob()
  return <Navigate to={now.evaluation.starts ? 'plan' : 'identify'} replace />
}

function costFigure({ cost, file }: JobView) {
  const { total, unpriced } = cost
  const left =
    file.budget === null
      ? ''
      : ` Of the budget, ${money(file.budget - total)} would be left for the work.`
  return {
    label: unpriced > 0 ? `To buy, ${plural(unpriced, 'price')} missing` : 'To buy',
    figure: money(total),
    why: `What comes from the shelf and the supplier; a kit counts once. The customer’s own modules cost nothing.${left}`,
  }
}

function Undo() {
  const { undo, redo } = useUndo()
  return <UndoButtons undo={undo} redo={redo} />
}
