import { agreedTo, isAgreed } from '@tembrix/core/shop/quote'
import { Tabs } from 'radix-ui'
import { useLayoutEffect } from 'react'
import { Link } from 'react-router'
import { plural } from '../../../../base/format'
import { callout, Tab, useTab } from '../../../../base/ui'
import { NoStart, OnTo, useJob, WithOffers } from '../../base/file'
import { PartsAbsent } from '../../base/parts'
import { SimulatedStart } from '../../base/simulated'
import { useStepBoard } from '../../base/stepBoard'
import { FitBoard } from './FitBoard'
import { FitOptions } from './FitOptions'
import { AskHatch } from './OpenedBy'
import { Screws } from './Screws'
import { Steps } from './Steps'
import { Timer } from './Timer'
import { TrayTab } from './TrayTab'
import { useFit } from './useFit'

const TABS = ['steps', 'screws', 'tray'] as const

/** The work at the bench: steps for this machine and plan, the screw map, what came out and went in. */
export function FitScreen() {
  const fitting = useFit()
  const { steps, fit, slots } = fitting
  const { setShown } = useStepBoard()
  useLayoutEffect(() => setShown(slots), [slots, setShown])
  useLayoutEffect(() => () => setShown(null), [setShown])
  const [tab, setTab] = useTab(TABS)
  if (steps.length === 0) {
    return (
      <>
        <h2 className="mb-2 text-lg font-semibold">Fit</h2>
        <p>Nothing is to be fitted: the plan leaves everything as it was found.</p>
      </>
    )
  }
  return (
    <Tabs.Root value={tab} onValueChange={setTab} className="flex min-h-full flex-col gap-3">
      <div className="flex flex-wrap items-end gap-x-2 border-b-2 border-rule">
        <h2 className="mr-auto pb-2 text-lg font-semibold">Fit</h2>
        <Timer fitting={fitting} />
        <Tabs.List className="flex" aria-label="Fit">
          <Tab value="steps">Steps</Tab>
          <Tab value="screws">Screws{fit.screws.length > 0 ? ` ${fit.screws.length}` : ''}</Tab>
          <Tab value="tray">Tray</Tab>
        </Tabs.List>
      </div>
      {fit.finishedAt && (
        <>
          <p className={callout({ tone: 'good' })}>
            <b className="font-semibold">Fitted.</b> What is noted here can still be read and added
            to.
          </p>
          <OnTo step="verify">On to Verify</OnTo>
        </>
      )}
      {!fit.finishedAt && <PartsAbsent />}
      <FitBoard fitting={fitting} />
      {!fit.finishedAt && <NotAgreed />}
      {!fit.finishedAt && <AskHatch fitting={fitting} />}
      <Tabs.Content value="steps" className="flex flex-1 flex-col gap-3">
        <div>
          <NoStart />
        </div>
        <Steps fitting={fitting} onScrews={() => setTab('screws')} onTray={() => setTab('tray')} />
        <FitOptions fitting={fitting} />
        <SimulatedStart />
      </Tabs.Content>
      <Tabs.Content value="screws" className="flex flex-col gap-3">
        <Screws fitting={fitting} />
      </Tabs.Content>
      <Tabs.Content value="tray" className="flex flex-col gap-3">
        <WithOffers>
          <TrayTab fitting={fitting} />
        </WithOffers>
      </Tabs.Content>
    </Tabs.Root>
  )
}

/** Says it where nobody agreed to what is about to be fitted. */
function NotAgreed() {
  const { file, plan, planned } = useJob()
  const quote = agreedTo(file.quotes)
  const option = quote?.document?.options.find(({ id }) => id === quote.approval?.optionId)
  const agreed =
    option && isAgreed(option, planned.assignment, plan, file.machines, file.fits[0]?.replaced)
  if (agreed) return null
  return (
    <p className={callout({ tone: 'risk' })}>
      {option
        ? (option.machines ?? 1) !== file.machines
          ? `The customer agreed for ${plural(option.machines ?? 1, 'machine')}; now there are ${file.machines}.`
          : 'The customer agreed to another plan than the one on the board.'
        : 'The customer has not agreed to this plan yet.'}{' '}
      <Link to={`/jobs/${file.id}/quote`} className="inline-flex min-h-11 items-center underline">
        To the quote
      </Link>
    </p>
  )
}
