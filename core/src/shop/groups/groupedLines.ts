import { grouped } from '../../things/model'
import { COUNTER_STATES, type JobLine, NEXT_ACTS } from '../../things/records'

type Line = Pick<
  JobLine,
  | 'id'
  | 'number'
  | 'leadId'
  | 'state'
  | 'act'
  | 'partsOn'
  | 'minutes'
  | 'machines'
  | 'ready'
  | 'actId'
>

/**
 * The lines of open jobs with like machines as one: that of the machine which leads, at what is least far among
 * them, with the work of all of them and how many are ready or gone.
 */
export function groupedLines<J extends Line>(lines: readonly J[]): J[] {
  const groups = grouped(lines, ({ leadId, id }) => leadId ?? id)
  return [...groups].map(([key, group]) => {
    const lead = group.find(({ id }) => id === key) ?? (group[0] as J)
    if (group.length === 1 && lead.machines === 1) return lead
    const least = [...group].sort(byProgress)[0] as J
    const { state, act, partsOn, id: actId } = least
    const waiting = group.filter((one) => one.state !== 'ready').length
    const minutes = group.every((one) => one.minutes === null)
      ? null
      : group.reduce((sum, one) => sum + (one.minutes ?? 0), 0)
    return { ...lead, state, act, partsOn, actId, minutes, ready: lead.machines - waiting }
  })
}

const byProgress = (a: Line, b: Line): number =>
  COUNTER_STATES.indexOf(a.state) - COUNTER_STATES.indexOf(b.state) ||
  NEXT_ACTS.indexOf(a.act) - NEXT_ACTS.indexOf(b.act) ||
  a.number - b.number
