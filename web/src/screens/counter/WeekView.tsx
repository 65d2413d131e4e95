import type { DayHeaderContentArg, EventContentArg, EventDropArg } from '@fullcalendar/core'
import dayGrid from '@fullcalendar/daygrid'
import interaction from '@fullcalendar/interaction'
import FullCalendar from '@fullcalendar/react'
import { atBench, type PlannedDay, plannedWeek } from '@tembrix/core/shop/counter'
import type { JobLine } from '@tembrix/core/things/records'
import { addDays, parseISO, startOfISOWeek } from 'date-fns'
import { ChevronLeft, ChevronRight } from 'lucide-react'
import { useEffect, useRef, useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { useMoveJobMutation, useOpenJobsQuery, useShopQuery } from '../../base/data'
import { day, duration, isoDay, plural, today, WEEKDAYS } from '../../base/format'
import { notify } from '../../base/toast'
import { Button, ErrorText, IconButton, LoadError, Waiting } from '../../base/ui'
import { ACTS } from '../../parts/acts'

/** Open jobs by the day they are due, with the work planned against the hours the shop is open; a job is moved by dragging it. */
export function WeekView() {
  const on = today()
  const [monday, setMonday] = useState(mondayOf(on))
  const { data: jobs, error, refetch } = useOpenJobsQuery(on, { refetchOnMountOrArgChange: true })
  const { data: shop } = useShopQuery()
  if (error && !jobs) return <LoadError title="The jobs cannot be read" onRetry={refetch} />
  if (!jobs || !shop) return <Waiting>Reading the jobs…</Waiting>
  const days = WEEKDAYS.map((_, at) => later(monday, at))
  const week = plannedWeek(jobs, days, on, shop.hours, atBench(shop.people))
  const undated = jobs.filter(({ dueOn, state }) => dueOn === null && state !== 'ready')
  const move = (days: number) => setMonday(later(monday, days))
  return (
    <section aria-label="The week" className="flex flex-col gap-2">
      <div className="flex flex-wrap items-center gap-2">
        <IconButton label="The week before" onClick={() => move(-7)}>
          <ChevronLeft size={19} aria-hidden />
        </IconButton>
        <h2 className="font-semibold">
          {day(monday)} to {day(later(monday, 6))}
        </h2>
        <IconButton label="The week after" onClick={() => move(7)}>
          <ChevronRight size={19} aria-hidden />
        </IconButton>
        <Button onClick={() => setMonday(mondayOf(on))}>This week</Button>
        {!shop.hours && (
          <Link
            to="/settings"
            className="ml-auto inline-flex min-h-11 min-w-11 items-center underline"
          >
            When is the shop open? Settings
          </Link>
        )}
      </div>
      <Grid key={monday} monday={monday} week={week} />
      {undated.length > 0 && (
        <p className="text-sm text-ink-2">
          {plural(undated.length, 'open job')} without a due date.
        </p>
      )}
    </section>
  )
}

const later = (date: string, days: number) => isoDay(addDays(parseISO(date), days))

const mondayOf = (date: string) => isoDay(startOfISOWeek(parseISO(date)))

function Grid({ monday, week }: { monday: string; week: readonly PlannedDay<JobLine>[] }) {
  const navigate = useNavigate()
  const [moveJob] = useMoveJobMutation()
  const [fault, setFault] = useState('')
  const byDay = new Map(week.map((one) => [one.on, one]))
  const days = useRef<HTMLDivElement>(null)
  // Where not all days have room, today is what is asked for first.
  useEffect(() => {
    const now = days.current?.querySelector<HTMLElement>('.fc-day-today')
    if (days.current && now) days.current.scrollLeft = now.offsetLeft
  }, [])

  async function dropped({ event, revert }: EventDropArg) {
    const dueOn = event.start && isoDay(event.start)
    if (!dueOn) return
    setFault('')
    const done = await moveJob({ id: event.id, dueOn })
    if (done.error) {
      revert()
      setFault('The job was not moved: the server does not answer, or somebody changed it.')
    } else {
      notify(`${event.title} is due on ${day(dueOn)} now.`)
    }
  }
  return (
    <>
      <div ref={days} className="overflow-x-auto">
        <div className="week min-w-[56rem]">
          <FullCalendar
            plugins={[dayGrid, interaction]}
            initialView="dayGridWeek"
            initialDate={monday}
            firstDay={1}
            headerToolbar={false}
            height="auto"
            editable
            eventDurationEditable={false}
            longPressDelay={300}
            dayHeaderContent={(arg) => <DayHead date={arg} byDay={byDay} />}
            events={week.flatMap(({ on, jobs }) =>
              jobs.map((job) => ({
                id: job.id,
                title: `Job ${job.number}`,
                start: on,
                allDay: true,
                extendedProps: { job },
              })),
            )}
            eventContent={(arg) => <JobCard event={arg} />}
            eventClick={({ event }) => navigate(`/jobs/${event.id}`)}
            eventDrop={dropped}
          />
        </div>
      </div>
      <ErrorText>{fault}</ErrorText>
    </>
  )
}

function DayHead({
  date: { date, isToday },
  byDay,
}: {
  date: DayHeaderContentArg
  byDay: ReadonlyMap<string, PlannedDay<JobLine>>
}) {
  const on = isoDay(date)
  const planned = byDay.get(on)
  return (
    <div className="p-1.5 text-left font-normal">
      <b className={isToday ? 'font-bold text-act' : 'font-semibold'}>
        {WEEKDAYS[(date.getDay() + 6) % 7]}
      </b>
      <span className="block text-sm text-ink-2">{day(on)}</span>
      {planned && <Load planned={planned} />}
    </div>
  )
}

/** The work of a day against the time there is. */
function Load({ planned: { open, planned, unquoted } }: { planned: PlannedDay<JobLine> }) {
  const over = open !== null && planned > open
  const there = open === null ? '' : open === 0 ? ', closed' : ` of ${duration(open)}`
  return (
    <span className={`block text-sm ${over ? 'font-semibold text-stop' : ''}`}>
      {planned === 0 && open === 0 ? 'closed' : `${duration(planned)}${there}`}
      {over && open !== 0 && ': too much'}
      {unquoted > 0 && (
        <span className="block text-ink-2">{plural(unquoted, 'job')} without a quote</span>
      )}
    </span>
  )
}

function JobCard({ event }: { event: EventContentArg }) {
  const { job } = event.event.extendedProps as { job: JobLine }
  const { number, customerName, machineName, act, minutes, dueOn, state } = job
  const late = dueOn !== null && dueOn < today() && state !== 'ready'
  return (
    <Link
      to={`/jobs/${job.id}`}
      onClick={(event) => event.preventDefault()}
      className="block w-full whitespace-normal p-1.5 text-[0.93rem] leading-snug text-ink"
    >
      <b className="font-mono font-semibold">{number}</b> {customerName}
      <span className="block text-sm text-ink-2">{machineName}</span>
      <span className="block text-sm">
        {late && <b className="font-semibold text-stop">late · </b>}
        {ACTS[act].words}
        {minutes !== null && minutes > 0 && ` · ${duration(minutes)}`}
      </span>
    </Link>
  )
}
