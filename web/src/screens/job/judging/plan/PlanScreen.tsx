import { Printer, RotateCcw } from 'lucide-react'
import { Tabs } from 'radix-ui'
import { memo } from 'react'
import { Link } from 'react-router'
import { capacity } from '../../../../base/format'
import { Button, callout, Tab, useTab } from '../../../../base/ui'
import { FindingList } from '../../../../parts/findings'
import { Judgement } from '../../../../parts/judgement'
import {
  Deferred,
  OnTo,
  useAdvice,
  useJob,
  useJobAt,
  useJobPart,
  useNeed,
  WithOffers,
} from '../../base/file'
import { Following } from '../../base/groups'
import { Tune } from '../tune'
import { Beforehand } from './Beforehand'
import { Compare } from './Compare'
import { FreeFirst } from './FreeFirst'
import { Gains } from './Gains'
import { ListedParts } from './ListedParts'
import { PlanOptions } from './PlanOptions'
import { WhyNot } from './WhyNot'

const TABS = ['this', 'options', 'tune'] as const

/** Which modules, in which slots: the trade-offs to choose from, and what the plan on the board will do. */
export function PlanScreen() {
  const machine = useJobPart((job) => job.machine)
  const follows = useJobPart(({ file }) => file.lead !== null)
  const [tab, setTab] = useTab(TABS)
  if (machine.slots.length === 0) {
    const total = machine.soldered.reduce((sum, { module }) => sum + module.capacityGiB, 0)
    return (
      <>
        <h2 className="mb-2 text-lg font-semibold">Plan</h2>
        <p className={callout({ tone: 'stop' })}>
          <b>Nothing to upgrade here:</b> all {capacity(total)} are soldered. What it has is what it
          keeps.
        </p>
      </>
    )
  }
  if (follows) {
    return (
      <div className="flex flex-col gap-3">
        <h2 className="text-lg font-semibold">Plan</h2>
        <Following what="the plan" step="plan" />
        <Deferred>
          <ThisPlan />
        </Deferred>
      </div>
    )
  }
  return (
    <Tabs.Root value={tab} onValueChange={setTab} className="flex flex-col gap-3">
      <div className="flex flex-wrap items-end gap-x-2 border-b-2 border-rule">
        <h2 className="mr-auto pb-2 text-lg font-semibold">Plan</h2>
        <Tabs.List className="flex" aria-label="Plan">
          <Tab value="this">This plan</Tab>
          <Tab value="options">Trade-offs</Tab>
          <Tab value="tune">Tune</Tab>
        </Tabs.List>
      </div>
      <PlanActions />
      <Tabs.Content value="this" className="flex flex-col gap-3">
        <Deferred>
          <ThisPlan />
        </Deferred>
      </Tabs.Content>
      <Tabs.Content value="options">
        <WithOffers>
          <PlanOptions />
        </WithOffers>
      </Tabs.Content>
      <Tabs.Content value="tune" className="flex flex-col gap-3">
        <Tune />
      </Tabs.Content>
    </Tabs.Root>
  )
}

/** What can be done with the plan as a whole. */
function PlanActions() {
  const jobAt = useJobAt()
  const jobId = useJobPart(({ file }) => file.id)
  const asFound = useJobPart(({ plan }) => plan.placement === null)
  const reset = () => {
    const { plan, edit } = jobAt()
    edit.step('plans', plan, { placement: null, profile: false, manual: null })
  }
  return (
    <div className="flex flex-wrap gap-1.5 [&>*]:px-2.5">
      <Compare />
      <Button disabled={asFound} onClick={reset}>
        <RotateCcw size={17} aria-hidden /> As found
      </Button>
      <Link
        to={`/jobs/${jobId}/sheet`}
        className="inline-flex min-h-11 items-center gap-2 rounded-sm border border-rule-2 font-medium hover:bg-sheet-2"
      >
        <Printer size={17} aria-hidden /> Plan sheet
      </Link>
    </div>
  )
}

/**
 * What is wrong with the plan, what comes before it, what it is worth, and who would accept it. Drawn again for
 * what it reads itself alone, since that comes a moment later.
 */
const ThisPlan = memo(function ThisPlan() {
  const { file, machine, plan, planned } = useJob()
  const need = useNeed()
  const { layout } = useAdvice()
  const asFound = plan.placement === null
  return (
    <>
      {asFound && (
        <p className={callout({ tone: 'ask' })}>
          The board shows what was found. Change it by moving modules, or choose from the
          trade-offs: nothing is final, undo goes back step by step.
        </p>
      )}
      {layout?.free && <FreeFirst free={layout.free} />}
      <FindingList
        machine={machine}
        placement={planned.placement}
        evaluation={planned.evaluation}
      />
      {!asFound && <Beforehand />}
      <Gains need={need} />
      {planned.evaluation.starts && (
        <Judgement
          machine={machine}
          placement={planned.placement}
          settings={planned.settings}
          policy={need.policy}
        />
      )}
      <ListedParts />
      <WhyNot />
      <Link
        to={`/reference?job=${file.id}`}
        className="inline-flex min-h-11 items-center self-start text-sm underline"
      >
        What customers believe, answered for this machine
      </Link>
      {!asFound && planned.evaluation.starts && <OnTo step="quote">On to Quote</OnTo>}
    </>
  )
})
