import type { Assignment } from '@tembrix/core/records'
import { type ReactNode, useCallback, useDeferredValue, useMemo, useState } from 'react'
import { Navigate, Outlet, useLocation, useNavigate, useParams } from 'react-router'
import { Bar } from '../../../base/shell'
import { Button, Message, money, plural } from '../../../base/ui'
import { BoardColumn, Desk, Legend, UndoButtons } from '../../../parts/board'
import { BenchContext } from '../bench'
import { JobProvider, type JobView, Later, useJob, useJobAt, useJobPart, useUndo } from '../file'
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

/** What the board beside a step shows: what was found, or the plan; at the bench it follows the work. */
interface Beside {
  planning: boolean
  atBench: boolean
  verifying: boolean
}

function besideOf(pathname: string): Beside {
  const verifying = pathname.endsWith('/verify')
  const atBench = verifying || pathname.endsWith('/fit')
  return { verifying, atBench, planning: atBench || /\/(plan|quote)$/.test(pathname) }
}

/** The job's frame: the board always in view, the step beside it, the tray under the free hand. */
function Opened() {
  const { pathname } = useLocation()
  const [lit, setLit] = useState<readonly string[]>(NONE)
  const [tried, setShown] = useState<Assignment | null>(null)
  const bench = useMemo(() => ({ setLit, setShown }), [])
  const beside = useMemo(() => besideOf(pathname), [pathname])
  const { atBench, planning } = beside
  return (
    <AtDesk beside={beside} tried={tried}>
      <Bar>
        <Title />
        <Undo />
      </Bar>
      <div className="flex min-h-0 flex-1 flex-col gap-1.5 p-1.5 lg:flex-row">
        <Later>
          <Rail />
        </Later>
        <BoardBeside beside={beside} lit={lit} />
        <main className="min-h-0 min-w-0 flex-1 overflow-auto bg-sheet p-3">
          <BenchContext value={bench}>
            <Outlet />
          </BenchContext>
        </main>
      </div>
      {!atBench && (planning ? <PlanTray /> : <FoundTray />)}
      {!atBench && <Legend />}
    </AtDesk>
  )
}

/** The desk with the job's modules on it. What is inside is not drawn again for a move: it reads its own parts. */
function AtDesk({
  beside: { planning, atBench },
  tried,
  children,
}: {
  beside: Beside
  tried: Assignment | null
  children: ReactNode
}) {
  const jobAt = useJobAt()
  const { machine, now, planned, pieces, unseen } = useJob()
  const take = (assignment: Assignment) => {
    const { file, plan, edit } = jobAt()
    if (planning) edit.step('plans', plan, { placement: assignment })
    else edit.step('jobs', file, { found: assignment })
  }
  return (
    <Desk
      machine={machine}
      assignment={tried ?? (planning ? planned : now).assignment}
      pieces={pieces}
      unseen={planning ? undefined : unseen}
      onAssignment={atBench ? null : take}
      className="flex h-dvh flex-col"
    >
      {children}
    </Desk>
  )
}

function Title() {
  const number = useJobPart(({ file }) => file.number)
  const customer = useJobPart(({ file }) => file.customer.name)
  const machine = useJobPart(({ machine }) => machine.name)
  return (
    <h1 className="truncate">
      <b className="font-mono">{number}</b> <b>{customer}</b>
      <span className="text-ink-2"> · {machine}</span>
    </h1>
  )
}

/** The board, and what it comes to a moment after the modules are drawn in their slots. */
function BoardBeside({
  beside: { planning, atBench, verifying },
  lit,
}: {
  beside: Beside
  lit: readonly string[]
}) {
  const jobAt = useJobAt()
  const { machine, now, planned, unseen } = useJob()
  const sum = useJobPart(({ cost }) => cost)
  const budget = useJobPart(({ file }) => file.budget)
  const cost = useMemo(() => costFigure(sum, budget), [sum, budget])
  const onProfile = useCallback(
    (profile: boolean) => {
      const { plan, edit } = jobAt()
      edit.step('plans', plan, { profile })
    },
    [jobAt],
  )
  const { placement, evaluation, settings } = planning ? planned : now
  const later = useDeferredValue(
    useMemo(() => ({ placement, evaluation, cost }), [placement, evaluation, cost]),
  )
  return (
    <BoardColumn
      machine={machine}
      settings={settings}
      placement={later.placement}
      evaluation={later.evaluation}
      before={planning && !verifying ? now : undefined}
      unseen={planning ? NONE : unseen}
      lit={lit}
      bare={atBench}
      cost={planning ? later.cost : undefined}
      onProfile={planning && !atBench ? onProfile : undefined}
    />
  )
}

/** Opens the step the job is at: Identify until something is known to be in it, then Plan. */
export function Start() {
  const { now } = useJob()
  return <Navigate to={now.evaluation.starts ? 'plan' : 'identify'} replace />
}

function costFigure({ total, unpriced }: JobView['cost'], budget: number | null) {
  const left =
    budget === null ? '' : ` Of the budget, ${money(budget - total)} would be left for the work.`
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
