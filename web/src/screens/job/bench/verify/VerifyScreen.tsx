import { Tabs } from 'radix-ui'
import { Tab, useTab } from '../../../../base/ui'
import { NoStart, useJob, useVerify } from '../../base/file'
import { Tune } from '../../judging/tune'
import { FaultFinder } from '../diagnose'
import { MeasuredGains } from '../measure'
import { ExpectedAndSeen } from './ExpectedAndSeen'

const TABS = ['seen', 'fault', 'measured', 'tune'] as const

/** Did it work, what is wrong, what was gained. */
export function VerifyScreen() {
  const { planned } = useJob()
  const verifying = useVerify()
  const [tab, setTab] = useTab(TABS)
  const open = verifying.found.filter(({ harmless }) => !harmless).length
  if (!planned.evaluation.starts) {
    return (
      <>
        <h2 className="mb-2 text-lg font-semibold">Verify</h2>
        <p>As planned the machine does not start: there is nothing to compare with. Plan first.</p>
      </>
    )
  }
  return (
    <Tabs.Root value={tab} onValueChange={setTab} className="flex flex-col gap-3">
      <div className="flex flex-wrap items-end gap-x-2 border-b-2 border-rule">
        <h2 className="mr-auto pb-2 text-lg font-semibold">Verify</h2>
        <Tabs.List className="flex" aria-label="Verify">
          <Tab value="seen">Seen{open > 0 ? ` (${open})` : ''}</Tab>
          <Tab value="fault">Fault</Tab>
          <Tab value="measured">Measured</Tab>
          <Tab value="tune">Tune</Tab>
        </Tabs.List>
      </div>
      <Tabs.Content value="seen" className="flex flex-col gap-3">
        <div>
          <NoStart />
        </div>
        <ExpectedAndSeen verifying={verifying} onFault={() => setTab('fault')} />
      </Tabs.Content>
      <Tabs.Content value="fault" className="flex flex-col gap-3">
        <FaultFinder verifying={verifying} />
      </Tabs.Content>
      <Tabs.Content value="measured" className="mx-auto flex w-full max-w-6xl flex-col gap-3">
        <MeasuredGains verifying={verifying} />
      </Tabs.Content>
      <Tabs.Content value="tune" className="flex flex-col gap-3">
        <Tune />
      </Tabs.Content>
    </Tabs.Root>
  )
}
