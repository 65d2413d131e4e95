import { isClosed } from '@tembrix/core/shop/handover'
import type { Assignment } from '@tembrix/core/things/records'
import { type ReactNode, useCallback, useDeferredValue, useMemo, useState } from 'react'
import { Link, Navigate, Outlet, useLocation, useNavigate, useParams } from 'react-router'
import { CHOICES, day, money, plural } from '../../../base/format'
import { Bar } from '../../../base/shell'
import { Button, callout, LoadError, Locked, PageMessage } from '../../../base/ui'
import { BoardColumn, BoardStrip, Desk, Legend } from '../../../parts/board'
import { Frame } from '../../../parts/frame'
import { UndoButtons } from '../../../parts/undo'
import {
  Deferred,
  JobProvider,
  type JobView,
  useJob,
  useJobAt,
  useJobPart,
  useShop,
  useUndo,
} from '../base/file'
import { MachineSwitch } from '../base/groups'
import { StepBoardContext } from '../base/stepBoard'
import { PlanTray } from '../judging/plan'
import { FoundTray } from '../reading/identify'
import { EndCommand } from '../shop/handover'
import { WriteButton } from '../shop/messages'
import { frameOf, type StepFrame } from './frameOf'
import { NextActBar } from './NextActBar'
import { Rail } from './Rail'
import { goesOnAt, stepsOf } from './steps'

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
          <NotOpened retry={retry} missing={missing} />
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
      <main id="work" className="flex flex-1 flex-col">
        {children}
      </main>
    </div>
  )
}

function NotOpened({ retry, missing }: { retry: () => void; missing: boolean }) {
  const navigate = useNavigate()
  return missing ? (
    <PageMessage title="There is no such job">
      <Button onClick={() => navigate('/')}>To the counter</Button>
    </PageMessage>
  ) : (
    <LoadError title="The job cannot be read" onRetry={retry}>
      The server does not answer. What you typed before is kept here.
    </LoadError>
  )
}

const NONE: readonly string[] = []

/** Steps of a closed job that still take something: the customer’s own data, payments and claims. */
const STILL_OPEN = /\/(intake|handover)$/

/** The job's frame: the step and the board, whichever of them leads. */
function Opened() {
  const { pathname, search } = useLocation()
  const [lit, setLit] = useState<readonly string[]>(NONE)
  const [tried, setShown] = useState<Assignment | null>(null)
  const bench = useMemo(() => ({ setLit, setShown }), [])
  const frame = useMemo(() => frameOf(pathname, search), [pathname, search])
  const { leads, planning, atBench } = frame
  const follows = useJobPart(({ file }) => file.lead !== null)
  const isOver = useJobPart(({ file }) => isClosed(file))
  return (
    <AtDesk frame={frame} tried={tried}>
      <Bar compact>
        <div className="flex min-w-0 flex-1 items-center gap-x-3 max-sm:flex-wrap">
          <Title />
          <WriteButton />
          <EndCommand />
          <Undo />
          <MachineSwitch />
        </div>
      </Bar>
      <Frame
        leads={leads}
        place={pathname}
        rail={
          <Deferred>
            <Rail />
          </Deferred>
        }
        board={(tools) => <JobBoard frame={frame} lit={lit} tools={tools} />}
        strip={(open, onOpen) => <JobStrip frame={frame} lit={lit} open={open} onOpen={onOpen} />}
        tray={
          !atBench &&
          !(planning && follows) && (
            <>
              {planning ? <PlanTray /> : <FoundTray />}
              <Legend />
            </>
          )
        }
      >
        <StepBoardContext value={bench}>
          <ClosedNotice />
          <Locked value={isOver && !STILL_OPEN.test(pathname)}>
            <Outlet />
          </Locked>
          <NextActBar />
        </StepBoardContext>
      </Frame>
    </AtDesk>
  )
}

/** Says on each step of a closed job that it stays as it is. */
function ClosedNotice() {
  const collected = useJobPart(({ file }) => file.handovers[0]?.collected ?? null)
  const ended = useJobPart(({ file }) => file.withoutWork)
  const id = useJobPart(({ file }) => file.id)
  if (!collected && !ended) return null
  return (
    <p className={callout({ tone: 'note', className: 'mb-3' })}>
      {collected ? (
        <b>Collected on {day(collected.at)}.</b>
      ) : (
        ended && (
          <b>
            Ended without work on {day(ended.at)}: {CHOICES.withoutWork[ended.as]}
            {ended.fee !== null && `, for a fee of ${money(ended.fee)}`}.
          </b>
        )
      )}{' '}
      {ended?.note} This job stays as it is; payments, claims and messages still come in. What comes
      later is a{' '}
      <Link to={`/jobs/${id}/handover`} className="underline">
        new visit
      </Link>
      .
    </p>
  )
}

/** The desk with the job's modules on it. What is inside is not drawn again for a move: it reads its own parts. */
function AtDesk({
  frame: { planning, atBench },
  tried,
  children,
}: {
  frame: StepFrame
  tried: Assignment | null
  children: ReactNode
}) {
  const jobAt = useJobAt()
  const { machine, now, planned, pieces, unseen } = useJob()
  const follows = useJobPart(({ file }) => file.lead !== null)
  const isOver = useJobPart(({ file }) => isClosed(file))
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
      onAssignment={atBench || isOver || (planning && follows) ? null : take}
      className="flex min-h-dvh flex-col lg:h-dvh"
    >
      {children}
    </Desk>
  )
}

function Title() {
  const number = useJobPart(({ file }) => file.number)
  const customer = useJobPart(({ file }) => file.customer.name)
  const machine = useJobPart(({ machine }) => machine.name)
  const customerId = useJobPart(({ file }) => file.customerId)
  const machineId = useJobPart(({ file }) => file.machineId)
  const look = 'inline-flex min-h-11 min-w-11 items-center decoration-rule-2 hover:underline'
  return (
    <h1 className="truncate max-sm:flex-1 max-sm:basis-0">
      <b className="font-mono">{number}</b>{' '}
      <Link to={`/customers/${customerId}`} className={`${look} font-bold`}>
        {customer}
      </Link>
      <span className="text-ink-2">
        {' · '}
        <Link to={`/customers/machines/${machineId}`} className={look}>
          {machine}
        </Link>
      </span>
    </h1>
  )
}

/** The board, and what it comes to a moment after the modules are drawn in their slots. */
function JobBoard({
  frame: { planning, atBench, verifying },
  lit,
  tools,
}: {
  frame: StepFrame
  lit: readonly string[]
  tools: ReactNode
}) {
  const jobAt = useJobAt()
  const { machine, now, planned, unseen } = useJob()
  const sum = useJobPart(({ cost }) => cost)
  const budget = useJobPart(({ file }) => file.budget)
  const follows = useJobPart(({ file }) => file.lead !== null)
  const isOver = useJobPart(({ file }) => isClosed(file))
  const fitted = useJobPart(({ file }) => file.fits[0]?.finishedAt != null)
  const cost = useMemo(() => costFigure(sum, budget, fitted), [sum, budget, fitted])
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
      tools={tools}
      cost={planning ? later.cost : undefined}
      onProfile={planning && !atBench && !follows && !isOver ? onProfile : undefined}
    />
  )
}

/** The board in one line, as it was found or as it is planned. */
function JobStrip({
  frame: { planning, verifying },
  ...rest
}: {
  frame: StepFrame
  lit: readonly string[]
  open: boolean
  onOpen: () => void
}) {
  const { now, planned, unseen } = useJob()
  const { placement, evaluation } = useDeferredValue(planning ? planned : now)
  return (
    <BoardStrip
      placement={placement}
      evaluation={evaluation}
      before={planning && !verifying ? now : undefined}
      unseen={planning ? NONE : unseen}
      {...rest}
    />
  )
}

/** Opens the step where work goes on. */
export function ResumeJob() {
  const { terms } = useShop()
  return <Navigate to={goesOnAt(stepsOf(useJob(), terms))} replace />
}

function costFigure({ total, unpriced }: JobView['cost'], budget: number | null, fitted: boolean) {
  const name = fitted ? 'Bought' : 'To buy'
  const left =
    budget === null ? '' : ` Of the budget, ${money(budget - total)} would be left for the work.`
  return {
    label: unpriced > 0 ? `${name}, ${plural(unpriced, 'price')} missing` : name,
    figure: money(total),
    why: `What comes from the shelf and the supplier; a kit counts once. The customer’s own modules cost nothing.${left}`,
  }
}

function Undo() {
  const { undo, redo } = useUndo()
  return <UndoButtons undo={undo} redo={redo} />
}
