import { Printer, RotateCcw } from 'lucide-react'
import { Link } from 'react-router'
import { FindingList } from '../../findings'
import { Button, capacity } from '../../ui'
import { useJob } from '../file'
import { Validated } from './Validated'

/** What the planned modules will do, and what speaks against them. */
export function Plan() {
  const { file, machine, plan, planned, edit } = useJob()
  const asFound = plan.placement === null
  if (machine.slots.length === 0) {
    const total = machine.soldered.reduce((sum, { module }) => sum + module.capacityGiB, 0)
    return (
      <>
        <h2 className="mb-2 text-lg font-semibold">Plan</h2>
        <p className="border-l-4 border-stop bg-stop-soft px-3 py-2">
          <b>Nothing to upgrade here:</b> all {capacity(total)} are soldered. What it has is what it
          keeps.
        </p>
      </>
    )
  }
  return (
    <div className="flex flex-col gap-3">
      <div className="flex flex-wrap items-center gap-2">
        <h2 className="mr-auto text-lg font-semibold">Plan</h2>
        <Button
          disabled={asFound}
          onClick={() => edit.step('plans', plan, { placement: null, profile: false })}
        >
          <RotateCcw size={17} aria-hidden /> As found
        </Button>
        <Link
          to={`/jobs/${file.id}/sheet`}
          className="inline-flex min-h-11 items-center gap-2 rounded-sm border border-rule-2 px-3.5 font-medium hover:bg-sheet-2"
        >
          <Printer size={17} aria-hidden /> Plan sheet
        </Link>
      </div>
      {asFound && (
        <p className="border-l-4 border-gold-line bg-gold-soft px-3 py-2">
          The board shows what was found. Change it by moving modules: nothing is final, undo goes
          back step by step.
        </p>
      )}
      <FindingList machine={machine} evaluation={planned.evaluation} />
      <Validated />
    </div>
  )
}
