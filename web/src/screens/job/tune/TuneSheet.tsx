import { profileVolts } from '@tembrix/core/job'
import { same } from '@tembrix/core/model'
import { STARTING_TERMS } from '@tembrix/core/records'
import type { Tried, TuneSettings } from '@tembrix/core/tune'
import { Link } from 'react-router'
import { useShopQuery } from '../../../base/data'
import { day, Message, tidy, today } from '../../../base/ui'
import { useJob } from '../file'
import { JobSheet, SheetHead } from '../sheet'
import { useTune } from './useTune'
import { OUTCOME_NAMES } from './words'

/** What was set by hand, for the customer: the values, how they were tested, and the way back. */
export function TuneSheet() {
  return (
    <JobSheet step="plan" back="Back to the plan">
      <Sheet />
    </JobSheet>
  )
}

function Sheet() {
  const { file, machine, plan, planned } = useJob()
  const { data: shop } = useShopQuery()
  const volts = plan.profile ? profileVolts(planned) : null
  const { ladder, rated, tried } = useTune()
  const set = ladder?.end === 'DONE' ? ladder.holds : null
  if (!set || !rated) {
    return (
      <Message title="Nothing to hand over yet">
        <p>The values are printed once they held through the long test.</p>
        <Link to={`/jobs/${file.id}/plan`} className="underline">
          To the plan
        </Link>
      </Message>
    )
  }
  const runs = tried.filter(({ settings }) => same(settings, set))
  return (
    <main className="mx-auto my-4 max-w-[52rem] bg-sheet p-8 print:m-0 print:max-w-none print:p-0">
      <SheetHead
        shop={shop?.terms ?? STARTING_TERMS}
        title="How your memory is set"
        customerName={file.customer.name}
        machineName={machine.name}
        number={file.number}
      >
        <p>{day(today())}</p>
      </SheetHead>
      <table className="w-full max-w-[36rem]">
        <thead className="text-left text-sm">
          <tr>
            <th className="font-normal">In the BIOS/UEFI setup</th>
            <th className="font-normal">as set by us</th>
            <th className="font-normal">as rated</th>
          </tr>
        </thead>
        <tbody>
          {ROWS.map(([name, of]) => (
            <tr key={name} className="border-t border-rule">
              <th scope="row" className="py-1 text-left font-normal">
                {name}
              </th>
              <td className="font-mono font-semibold">{of(set)}</td>
              <td className="font-mono">{of(rated)}</td>
            </tr>
          ))}
          {volts !== null && (
            <tr className="border-t border-rule">
              <th scope="row" className="py-1 text-left font-normal">
                Memory voltage
              </th>
              <td className="font-mono font-semibold">{tidy(volts)} V</td>
              <td className="font-mono">{tidy(volts)} V</td>
            </tr>
          )}
        </tbody>
      </table>
      <section className="keep-together mt-5">
        <h2 className="mb-1 text-lg font-semibold">How it was tested</h2>
        <ul className="list-disc pl-5">
          {runs.map((run, at) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: tests keep their places
            <li key={at}>{testWords(run)}</li>
          ))}
        </ul>
        <p className="mt-1">
          A test that passes shows that no error came in that time; it cannot show that none ever
          will.
        </p>
      </section>
      <section className="keep-together mt-5">
        <h2 className="mb-1 text-lg font-semibold">If it ever becomes unsteady</h2>
        <p>
          Set the values as rated, or switch hand-set values off in the setup. If the computer no
          longer starts, bring it to us, or clear the setup as its maker describes, switched off and
          unplugged. A firmware update or a cleared setup turns these values off by itself; it then
          runs at what the firmware sets.
        </p>
        <p className="mt-2">
          If the drive is encrypted, keep its recovery key at hand before anything in the setup is
          changed. The instructions of your computer’s maker come before this sheet.
        </p>
      </section>
    </main>
  )
}

const ROWS: readonly [string, (settings: TuneSettings) => string][] = [
  ['Speed', ({ dataRate }) => `${dataRate} MT/s`],
  ['CL', ({ timings }) => String(timings.cl)],
  ['tRCD', ({ timings }) => String(timings.trcd)],
  ['tRP', ({ timings }) => String(timings.trp)],
  ['tRAS', ({ timings }) => String(timings.tras)],
]

function testWords({ test, outcome, minutes }: Tried): string {
  const time = minutes >= 90 ? `${tidy(minutes / 60, 1)} hours` : `${tidy(minutes, 0)} minutes`
  return `A ${test} memory test of ${time}: ${OUTCOME_NAMES[outcome]}.`
}
