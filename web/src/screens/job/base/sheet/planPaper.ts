import { fittingSteps } from '@tembrix/core/bench/fitting'
import { speedPicture } from '@tembrix/core/judging/tune'
import { fittingInput, type Promised, promisedOf, type Situation } from '@tembrix/core/shop/job'
import type { Module, SetTimings } from '@tembrix/core/things/model'
import type { ModelRecord, Terms } from '@tembrix/core/things/records'
import { bandwidth, capacity, day, latency, money, speed, today } from '../../../../base/format'
import { describeModule, modeWord } from '../../../../parts/board'
import { NO_FINDINGS, wordingOf } from '../../../../parts/findings'
import { wordsOf } from '../../../../parts/handling'
import { type Block, code, type Line, type Paper, strong, TICK } from '../../../../parts/papers'
import type { JobView } from '../file'

/** The plan on paper: what changes in which slot, what it will run at, notes and warnings. */
export function planPaper(view: JobView, model: ModelRecord | undefined, terms: Terms): Paper {
  const { file, machine, now, planned, cost } = view
  const { number, customer, complaint, dueOn } = file
  const { serialNumber } = file.machine
  const unpriced = cost.unpriced > 0 ? ` and ${cost.unpriced} without a price` : ''
  return {
    title: 'Memory plan',
    file: `Job ${number} memory plan`,
    from: null,
    about: [
      [
        'Job ',
        code(String(number)),
        ` · ${customer.name}`,
        customer.phone && ` · ${customer.phone}`,
      ],
      [machine.name, serialNumber && ` · serial ${serialNumber}`],
    ],
    beside: [`As of ${day(today())}`, ...(dueOn ? [`Due ${day(dueOn)}`] : [])],
    blocks: [
      ...(complaint ? [{ is: 'text' as const, text: [strong('Complaint: '), complaint] }] : []),
      slotTable(view),
      resultTable(now, promisedOf(machine, planned)),
      { is: 'text', text: [strong('To buy: '), `${money(cost.total)}${unpriced}`] },
      {
        is: 'part',
        blocks: [{ is: 'heading', text: 'Notes and warnings' }],
      },
      findings(view),
      ...setupValues(view),
      cautions(view, model, terms),
      { is: 'signatures', names: ['Planned by', 'Fitted by', 'Date'] },
    ],
  }
}

function slotTable({ machine, now, planned }: JobView): Block {
  const slots = [...machine.slots].sort((a, b) => (a.order ?? 99) - (b.order ?? 99))
  return {
    is: 'table',
    look: 'grid',
    caption: 'Slot by slot, in filling order',
    columns: [
      { name: 'Slot', share: 1.2 },
      { name: 'Channel', share: 1 },
      { name: 'As found', share: 3 },
      { name: 'As planned', share: 3 },
      { name: 'Do', share: 1.5 },
      { name: 'Done', share: 0.7 },
    ],
    rows: [
      ...machine.soldered.map(({ channel, module }) => ({
        cells: ['soldered', String(channel), describeModule(module), 'stays', '–', ''],
      })),
      ...slots.map(({ id, channel }) => ({
        cells: [
          [code(id)],
          String(channel),
          nameOf(now.placement[id]),
          [strong(nameOf(planned.placement[id]))],
          taskFor(id, now, planned),
          TICK,
        ],
      })),
    ],
  }
}

function nameOf(module: Module | null | undefined): string {
  return module ? `${describeModule(module)}, ${module.article}` : 'empty'
}

function taskFor(slot: string, now: Situation, planned: Situation): string {
  const was = now.assignment[slot]
  const is = planned.assignment[slot]
  if (was && is) {
    return was.moduleId === is.moduleId && was.unit === is.unit ? 'leave' : 'take out, put in'
  }
  return is ? 'put in' : was ? 'take out' : 'leave empty'
}

const RESULTS: readonly [string, (situation: Situation) => string][] = [
  ['Usable capacity', ({ evaluation }) => capacity(evaluation.capacity.usableGiB)],
  ['Channels', ({ evaluation }) => modeWord(evaluation.mode)],
  [
    'Speed',
    ({ evaluation: { run } }) =>
      run
        ? `${speed(run.dataRate)}, ${run.limitedBy === 'setting' ? 'set by hand' : `limited by the ${run.limitedBy}`}`
        : 'does not start',
  ],
  [
    'Timings',
    ({ evaluation: { run } }) =>
      run
        ? `${run.cl}-${run.trcd}-${run.trp}-${run.tras}, latency ${latency(run.firstWordNs)}`
        : '–',
  ],
  [
    'Memory profile',
    ({ evaluation: { run } }) => (run?.profile ? 'on: enable it in the BIOS/UEFI setup' : 'off'),
  ],
  ['Peak bandwidth', ({ evaluation: { run } }) => (run ? bandwidth(run.wholePeakGBs) : '–')],
]

function resultTable(now: Situation, promised: Promised): Block {
  return {
    is: 'part',
    blocks: [
      {
        is: 'table',
        look: 'grid',
        caption: 'What to expect',
        columns: [
          { name: '', share: 1 },
          { name: 'As found', share: 2 },
          { name: 'As planned', share: 2 },
        ],
        rows: RESULTS.map(([name, of]) => ({
          cells: [name, of(now), [strong(of(promised.situation))]],
        })),
      },
      ...(promised.above?.grade === 'unlikely' ? [{ is: 'text' as const, text: FALLS_BACK }] : []),
    ],
  }
}

const FALLS_BACK =
  'As set in the plan it hardly ever runs at this load. The figures here are what it falls back to, and all that is promised.'

function findings({ machine, planned: { evaluation, placement } }: JobView): Block {
  if (evaluation.findings.length === 0) return { is: 'text', text: NO_FINDINGS }
  return {
    is: 'findings',
    items: evaluation.findings.map((finding) => {
      const { title, means, todo } = wordingOf({ finding, machine, evaluation, placement })
      const { code, severity } = finding
      return { code, severity, title, text: [`${means} `, strong(todo)] }
    }),
  }
}

/** What is set by hand, with the rated values as the way back. */
function setupValues({ machine, plan, planned }: JobView): Block[] {
  const { run } = planned.evaluation
  if (!plan.manual || !run) return []
  const rated = speedPicture(machine, planned.placement, plan.profile).find((point) => point.rated)
  const words = (rate: number, { cl, trcd, trp, tras }: SetTimings) =>
    `${rate} MT/s, ${cl}-${trcd}-${trp}-${tras}`
  const back = rated && `. As rated, the way back: ${words(rated.dataRate, rated.timings)}`
  const text: Line = [
    'As left: ',
    strong(words(run.dataRate, run)),
    `${back ?? ''}. A firmware update or a cleared setup turns it off.`,
  ]
  return [
    {
      is: 'part',
      label: 'Set by hand',
      blocks: [
        { is: 'heading', text: 'Set by hand in the BIOS/UEFI setup' },
        { is: 'text', text },
      ],
    },
  ]
}

/** The cautions of this machine and what makes it safe, as the bench has them step by step. */
function cautions(view: JobView, model: ModelRecord | undefined, terms: Terms): Block {
  const steps = fittingSteps(fittingInput(view, view.planned, model, terms))
  const first = steps.findIndex(({ code }) => code === 'TAKE_OUT' || code === 'PUT_IN')
  const said = steps.slice(0, first < 0 ? undefined : first)
  const before = said.filter(({ caution, safety }) => caution || safety)
  return {
    is: 'part',
    look: 'framed',
    blocks: [
      { is: 'heading', text: 'Before opening it' },
      {
        is: 'list',
        items: [
          ...before.map((step): Line => {
            const { title, how } = wordsOf(step, undefined)
            return [strong(title.endsWith('.') ? title : `${title}.`), ` ${how}`]
          }),
          'The maker’s service instructions and local rules come before this sheet.',
        ],
      },
    ],
  }
}
