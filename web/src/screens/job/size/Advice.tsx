import type { LoggedUse } from '@tembrix/core/records'
import type { Reason, Advice as Spending, SpendingVerdict } from '@tembrix/core/sizing'
import { tidy } from '../../../base/format'
import { callout } from '../../../base/ui'
import { percent } from '../plan'

interface Props {
  advice: Spending
  log: LoggedUse | null
  installedGiB: number
}

const VERDICTS: Record<SpendingVerdict, { title: string; tone: 'good' | 'risk' | 'ask' }> = {
  memory: { title: 'Memory is the right first spend', tone: 'good' },
  disk: {
    title: 'A solid-state disk is the better first spend',
    tone: 'risk',
  },
  cooling: {
    title: 'Look at cooling and dust first',
    tone: 'risk',
  },
  'processor-or-graphics': {
    title: 'Memory will hardly help: the processor or the graphics decide',
    tone: 'risk',
  },
  nothing: { title: 'Nothing says that memory is short', tone: 'risk' },
  test: {
    title: 'Test the memory that is in it, and the drive, before anything is bought',
    tone: 'risk',
  },
  measure: {
    title: 'Measure before spending: log the memory in use over a working day',
    tone: 'ask',
  },
}

/** Whether memory is what this customer should spend on, and why. */
export function Advice({ advice, log, installedGiB }: Props) {
  const { title, tone } = VERDICTS[advice.first]
  const words: Record<Reason, string> = {
    CUT_OFF:
      'The measured peak came to 90 % of what is fitted or more, where systems already page.',
    TIGHT_FOR_LONG: `More than 90 % was in use for ${percent(log?.tightShare ?? 0)} of the time.`,
    PAGES: `By the log ${percent(log?.pagingShare ?? 0)} of the time was lost to paging.`,
    DEMAND_OVER_INSTALLED: `The demand is above the ${tidy(installedGiB)} GB fitted.`,
    RESERVE_OVER_INSTALLED: `What it needs now fits the ${tidy(installedGiB)} GB fitted; only the reserve and the years to come would want more.`,
    PEAK_FAR_BELOW: `The measured peak, ${tidy(log?.peakGiB ?? 0, 1)} GB, stays far below what is fitted.`,
    SPINNING_DISK: 'The disk is a spinning one: starting and opening wait for it.',
    SLOWS_AFTER_A_WHILE:
      'It slows down after a while: heat is one explanation; memory filling up, or a program that keeps taking more (a leak), is another. Log temperature and memory together.',
    CRASHES:
      'Crashes come from faulty memory or a failing drive as well as from too little memory.',
    WORK_NOT_BOUND_BY_MEMORY: 'What is slow is work that memory hardly speeds up.',
    NOT_MEASURED: 'Nobody has measured what is really in use.',
  }
  return (
    <section
      aria-label="Memory or something else"
      data-verdict={advice.first}
      className={callout({ tone })}
    >
      <h3 className="font-semibold">{title}</h3>
      <p className="text-[0.93rem]">
        {advice.reasons.map((one) => words[one]).join(' ')}
        {(advice.first === 'disk' || advice.first === 'test') &&
          advice.memoryToo &&
          ' Memory is worth its money as well.'}
      </p>
    </section>
  )
}
