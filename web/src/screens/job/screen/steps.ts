import { isSized } from '@tembrix/core/shop/counter'
import { standingOf } from '@tembrix/core/shop/job'
import { agreedTo, isAgreed, type QuoteState, stateOf } from '@tembrix/core/shop/quote'
import type { Stage, Terms } from '@tembrix/core/things/records'
import { list, plural, today } from '../../../base/format'
import type { JobView } from '../base/file'

export type StepState = 'open' | 'done' | 'attention' | 'blocked'

export interface Step {
  stage: Exclude<Stage, 'closed'>
  name: string
  path: string
  state: StepState
  /** What a step that needs attention or is blocked waits for. */
  why?: string
}

type TestTerms = Pick<Terms, 'testHours' | 'soakHours'>

/** The eight steps of a job, and how each stands; `terms` say how long the shop tests. */
export function stepsOf(
  view: Pick<
    JobView,
    'file' | 'machine' | 'now' | 'planned' | 'plan' | 'evidence' | 'learned' | 'errorsFound'
  >,
  terms: TestTerms,
): Step[] {
  return [
    { stage: 'intake', name: 'Intake', path: 'intake', ...intake(view) },
    { stage: 'identify', name: 'Identify', path: 'identify', ...identify(view) },
    { stage: 'size', name: 'Size', path: 'size', ...size(view) },
    { stage: 'plan', name: 'Plan', path: 'plan', ...plan(view) },
    { stage: 'quote', name: 'Quote', path: 'quote', ...quote(view) },
    { stage: 'fit', name: 'Fit', path: 'fit', ...fit(view) },
    { stage: 'verify', name: 'Verify', path: 'verify', ...verify(view, terms) },
    { stage: 'handover', name: 'Hand over', path: 'handover', ...handover(view) },
  ]
}

/**
 * The path of the step where work goes on: the first that needs attention among the last one done and what follows
 * it, else the one after it.
 */
export function goesOnAt(steps: readonly Step[]): string {
  const last = steps.findLastIndex(({ state }) => state === 'done')
  const rest = steps.slice(last + 1)
  const next = rest.find(({ state }) => state === 'attention') ?? rest[0] ?? steps.at(-1)
  return next?.path ?? 'intake'
}

type Standing = Pick<Step, 'state' | 'why'>

function intake({ file }: Pick<JobView, 'file'>): Standing {
  const missing = [
    file.complaint.trim() === '' && 'the complaint',
    file.uses.trim() === '' && 'what it is used for',
  ].filter((one) => one !== false)
  return missing.length === 0
    ? { state: 'done' }
    : { state: 'open', why: `still to ask: ${list(missing)}` }
}

function identify({
  now,
  machine,
  file,
  evidence,
}: Pick<JobView, 'now' | 'machine' | 'file' | 'evidence'>): Standing {
  const open = evidence.disputes.length
  if (open > 0) return { state: 'attention', why: `${plural(open, 'conflict')} to resolve` }
  if (evidence.questions.length > 0) {
    return { state: 'attention', why: 'which slots the modules are in' }
  }
  if (now.evaluation.starts) {
    const unknown = evidence.unknown.length
    return unknown === 0
      ? { state: 'done' }
      : { state: 'open', why: `${plural(unknown, 'thing')} still to find out` }
  }
  const nothing = machine.soldered.length === 0 && Object.keys(file.found).length === 0
  return nothing
    ? { state: 'open' }
    : { state: 'attention', why: 'what was found does not start by this record' }
}

function size({ file }: Pick<JobView, 'file'>): Standing {
  return { state: isSized(file.sizing) ? 'done' : 'open' }
}

function plan({ machine, planned, plan }: Pick<JobView, 'machine' | 'planned' | 'plan'>): Standing {
  if (machine.slots.length === 0) return { state: 'blocked', why: 'all memory is soldered' }
  if (plan.placement === null) return { state: 'open' }
  return planned.evaluation.starts
    ? { state: 'done' }
    : { state: 'attention', why: 'as planned the machine does not start' }
}

const NOT_AGREED: Partial<Record<QuoteState, Standing>> = {
  drafted: { state: 'open', why: 'a draft, not offered yet' },
  offered: { state: 'open', why: 'offered, not approved yet' },
  expired: { state: 'attention', why: 'the quote is no longer valid' },
  declined: { state: 'attention', why: 'the customer declined the quote' },
  withdrawn: { state: 'attention', why: 'the quote was withdrawn' },
}

function quote({ file, planned, plan }: Pick<JobView, 'file' | 'planned' | 'plan'>): Standing {
  const last = file.quotes.at(-1)
  if (!last) return { state: 'open' }
  const agreed = agreedTo(file.quotes)
  if (!agreed) return NOT_AGREED[stateOf(last, file.quotes, today())] ?? { state: 'open' }
  const { approval, document } = agreed
  const option = document?.options.find(({ id }) => id === approval?.optionId)
  return option && isAgreed(option, planned.assignment, plan, file.machines, file.fits[0]?.replaced)
    ? { state: 'done' }
    : {
        state: 'attention',
        why:
          option && (option.machines ?? 1) !== file.machines
            ? 'approved for another number of machines'
            : 'the board shows another plan than was approved',
      }
}

function fit({ file }: Pick<JobView, 'file'>): Standing {
  const [work] = file.fits
  if (!work) return { state: 'open' }
  if (work.finishedAt) return { state: 'done' }
  return { state: 'open', why: 'at the bench' }
}

function verify(
  view: Pick<JobView, 'file' | 'machine' | 'now' | 'planned' | 'learned' | 'errorsFound'>,
  terms: TestTerms,
): Standing {
  switch (standingOf({ ...view, ceilings: view.learned.ceilings }, terms)?.kind) {
    case 'wrong':
      return { state: 'attention', why: 'what is seen is not what is expected' }
    case 'errors':
      return { state: 'attention', why: 'memory errors' }
    case 'verified':
      return { state: 'done' }
    default:
      return { state: 'open' }
  }
}

function handover({ file }: Pick<JobView, 'file'>): Standing {
  const [record] = file.handovers
  if (record?.collected) return { state: 'done' }
  if (record?.signed) return { state: 'open', why: 'signed, not collected yet' }
  return { state: 'open' }
}
