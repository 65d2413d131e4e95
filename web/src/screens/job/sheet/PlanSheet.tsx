import { fittingSteps } from '@tembrix/core/fitting'
import { fittingInput, type Situation } from '@tembrix/core/job'
import type { Module, SetTimings } from '@tembrix/core/model'
import { STARTING_TERMS } from '@tembrix/core/records'
import { speedPicture } from '@tembrix/core/tune'
import { Printer } from 'lucide-react'
import { useModelsQuery, useShopQuery } from '../../../base/data'
import { Button, capacity, day, money, tidy } from '../../../base/ui'
import { describeModule, modeWord } from '../../../parts/board'
import { FindingList } from '../../../parts/findings'
import { wordsOf } from '../../../parts/handling'
import { useJob } from '../file'
import { JobSheet } from './JobSheet'

/** The plan on paper: what changes in which slot, what it will run at, notes and warnings. */
export function PlanSheet() {
  return (
    <JobSheet step="plan" back="Back to the plan">
      <Sheet />
    </JobSheet>
  )
}

function Sheet() {
  const { file, machine, now, planned, cost } = useJob()
  return (
    <main className="mx-auto my-4 max-w-[52rem] bg-sheet p-8 print:m-0 print:max-w-none print:p-0">
      <header className="mb-4 flex items-start justify-between gap-6 border-b-2 border-ink pb-3">
        <div>
          <h1 className="text-2xl font-bold">Memory plan</h1>
          <p>
            Job <b className="font-mono">{file.number}</b> · {file.customer.name}
            {file.customer.phone && ` · ${file.customer.phone}`}
          </p>
          <p>
            {machine.name}
            {file.machine.serialNumber && ` · serial ${file.machine.serialNumber}`}
          </p>
        </div>
        <div className="text-right text-sm">
          <p>As of {day(new Date().toISOString())}</p>
          {file.dueOn && <p>Due {day(file.dueOn)}</p>}
          <Button look="main" className="screen-only mt-2" onClick={() => window.print()}>
            <Printer size={17} aria-hidden /> Print
          </Button>
        </div>
      </header>

      {file.complaint && (
        <p className="mb-4">
          <b>Complaint:</b> {file.complaint}
        </p>
      )}

      <SlotTable />
      <ResultTable now={now} planned={planned} />
      <p className="mt-2">
        <b>To buy:</b> {money(cost.total)}
        {cost.unpriced > 0 && ` and ${cost.unpriced} without a price`}
      </p>

      <section className="mt-5">
        <h2 className="mb-2 text-lg font-semibold">Notes and warnings</h2>
        <FindingList machine={machine} evaluation={planned.evaluation} />
      </section>
      <SetupValues />
      <Cautions />
      <footer className="keep-together mt-8 break-before-avoid grid grid-cols-3 gap-6 text-sm">
        {['Planned by', 'Fitted by', 'Date'].map((name) => (
          <p key={name} className="border-t border-ink pt-1">
            {name}
          </p>
        ))}
      </footer>
    </main>
  )
}

const cell = 'border border-rule-2 px-2 py-1.5 text-left align-top'

function SlotTable() {
  const { machine, now, planned } = useJob()
  const slots = [...machine.slots].sort((a, b) => (a.order ?? 99) - (b.order ?? 99))
  return (
    <table className="w-full border-collapse">
      <caption className="pb-1 text-left text-lg font-semibold">
        Slot by slot, in filling order
      </caption>
      <thead className="bg-sheet-2 text-sm">
        <tr>
          {['Slot', 'Channel', 'As found', 'As planned', 'Do', 'Done'].map((name) => (
            <th key={name} scope="col" className={cell}>
              {name}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {machine.soldered.map(({ channel, module }, at) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: banks have no name and keep their places
          <tr key={at}>
            <td className={cell}>soldered</td>
            <td className={cell}>{channel}</td>
            <td className={cell}>{describeModule(module)}</td>
            <td className={cell}>stays</td>
            <td className={cell}>–</td>
            <td className={cell} />
          </tr>
        ))}
        {slots.map(({ id, channel }) => (
          <tr key={id}>
            <td className={`${cell} font-mono font-semibold`}>{id}</td>
            <td className={cell}>{channel}</td>
            <td className={cell}>{nameOf(now.placement[id])}</td>
            <td className={`${cell} font-medium`}>{nameOf(planned.placement[id])}</td>
            <td className={cell}>{taskFor(id, now, planned)}</td>
            <td className={`${cell} w-14`}>
              <span className="inline-block size-4 border border-ink" />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  )
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

function ResultTable({ now, planned }: { now: Situation; planned: Situation }) {
  const rows: [string, (situation: Situation) => string][] = [
    ['Usable capacity', ({ evaluation }) => capacity(evaluation.capacity.usableGiB)],
    ['Channels', ({ evaluation }) => modeWord(evaluation.mode)],
    [
      'Speed',
      ({ evaluation: { run } }) =>
        run
          ? `${run.dataRate} MT/s, ${run.limitedBy === 'setting' ? 'set by hand' : `limited by the ${run.limitedBy}`}`
          : 'does not start',
    ],
    [
      'Timings',
      ({ evaluation: { run } }) =>
        run
          ? `${run.cl}-${run.trcd}-${run.trp}-${run.tras}, latency ${tidy(run.firstWordNs)} ns`
          : '–',
    ],
    [
      'Memory profile',
      ({ evaluation: { run } }) => (run?.profile ? 'on: enable it in the BIOS/UEFI setup' : 'off'),
    ],
    [
      'Peak bandwidth',
      ({ evaluation: { run } }) => (run ? `${tidy(run.wholePeakGBs, 1)} GB/s` : '–'),
    ],
  ]
  return (
    <table className="keep-together mt-5 w-full border-collapse">
      <caption className="pb-1 text-left text-lg font-semibold">What to expect</caption>
      <thead className="bg-sheet-2 text-sm">
        <tr>
          <th className={cell} />
          <th scope="col" className={cell}>
            As found
          </th>
          <th scope="col" className={cell}>
            As planned
          </th>
        </tr>
      </thead>
      <tbody>
        {rows.map(([name, figure]) => (
          <tr key={name}>
            <th scope="row" className={`${cell} font-medium`}>
              {name}
            </th>
            <td className={cell}>{figure(now)}</td>
            <td className={`${cell} font-semibold`}>{figure(planned)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}

/** What is set by hand, with the rated values as the way back. */
function SetupValues() {
  const { machine, plan, planned } = useJob()
  const { run } = planned.evaluation
  if (!plan.manual || !run) return null
  const rated = speedPicture(machine, planned.placement, plan.profile).find((point) => point.rated)
  const words = (rate: number, { cl, trcd, trp, tras }: SetTimings) =>
    `${rate} MT/s, ${cl}-${trcd}-${trp}-${tras}`
  return (
    <section className="keep-together mt-5" aria-label="Set by hand">
      <h2 className="mb-1 text-lg font-semibold">Set by hand in the BIOS/UEFI setup</h2>
      <p>
        As left: <b className="font-semibold">{words(run.dataRate, run)}</b>
        {rated && `. As rated, the way back: ${words(rated.dataRate, rated.timings)}`}. A firmware
        update or a cleared setup turns it off.
      </p>
    </section>
  )
}

/** The cautions of this machine and what makes it safe, as the bench has them step by step. */
function Cautions() {
  const view = useJob()
  const { data: shop } = useShopQuery()
  const { data: models } = useModelsQuery()
  const model = models?.find(({ id }) => id === view.file.machine.modelId)
  const terms = shop?.terms ?? STARTING_TERMS
  const steps = fittingSteps(fittingInput(view, view.planned, model, terms))
  const first = steps.findIndex(({ code }) => code === 'TAKE_OUT' || code === 'PUT_IN')
  const said = steps.slice(0, first < 0 ? undefined : first)
  const before = said.filter(({ caution, safety }) => caution || safety)
  return (
    <section className="keep-together mt-5 border-2 border-ink p-3 text-sm">
      <h2 className="mb-1 font-semibold">Before opening it</h2>
      <ul className="list-disc pl-5">
        {before.map((step) => {
          const { title, how } = wordsOf(step, undefined)
          return (
            <li key={step.id}>
              <b className="font-semibold">{title}.</b> {how}
            </li>
          )
        })}
        <li>The maker’s service instructions and local rules come before this sheet.</li>
      </ul>
    </section>
  )
}
